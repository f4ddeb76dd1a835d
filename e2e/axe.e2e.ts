/** axe on every screen, in both themes. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { ROOT } from '../tools/setup/root.mjs';
import { expect, test, takeOver } from './application';

const AXE = readFileSync(join(ROOT, 'node_modules/axe-core/axe.min.js'), 'utf8');
const job = (number: number) => `/jobs/7e7ad000-0000-4000-9000-${String(number).padStart(12, '0')}`;

async function findings(page: Page, how: object): Promise<readonly string[]> {
  await page.evaluate(() => document.getAnimations().forEach((animation) => animation.finish()));
  return page.evaluate(async (asked) => {
    const { axe } = globalThis as unknown as {
      axe: {
        run: (
          where: Document,
          how: object,
        ) => Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>;
      };
    };
    const { violations } = await axe.run(document, { resultTypes: ['violations'], ...asked });
    return violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 140)} ${failureSummary.slice(0, 240)}`),
    );
  }, how);
}

const SCREENS: readonly { name: string; path: string; open?: (page: Page) => Promise<void> }[] = [
  { name: 'floor', path: '/floor' },
  {
    name: 'new job',
    path: '/floor',
    open: async (page) => {
      await page.getByRole('button', { name: 'New job' }).click();
      await page.getByText('VIN, year, barcodes').click();
      await page.getByText('Pack, engine, alternator').click();
    },
  },
  { name: 'keys', path: '/floor', open: (page) => page.keyboard.press('?') },
  { name: 'bench', path: job(1) },
  {
    name: 'bench with a failing path, a caution and a count',
    path: job(2),
    open: async (page) => {
      await page
        .getByRole('button', { name: /^Drop, starter case/ })
        .first()
        .click();
      await page.locator('.parts').waitFor();
    },
  },
  { name: 'bench, looking', path: job(8) },
  { name: 'bench, complaint', path: job(1), open: (page) => page.getByRole('button', { name: /^Complaint/ }).click() },
  { name: 'label', path: job(1), open: (page) => page.getByRole('button', { name: /12 V flooded/ }).click() },
  { name: 'sign-off', path: job(1), open: (page) => page.keyboard.press('Alt+g') },
  { name: 'phone code', path: job(1), open: (page) => page.keyboard.press('Alt+w') },
  { name: 'wheel', path: `${job(1)}/wheel` },
  {
    name: 'captures',
    path: `${job(3)}/captures`,
    open: async (page) => {
      await page.getByRole('button', { name: 'Crank', exact: true }).click();
      await page.getByRole('button', { name: 'Channels and scale' }).click();
      await page.locator('tt-cursor-strip').getByText('Slope').waitFor();
    },
  },
  { name: 'report', path: `${job(1)}/report` },
  { name: 'quick check', path: '/quick' },
  { name: 'instruments', path: '/instruments' },
  {
    name: 'settings',
    path: '/floor',
    open: (page) => page.getByRole('button', { name: 'Settings' }).click(),
  },
  {
    name: 'who works here',
    path: '/floor',
    open: async (page) => {
      await page.getByRole('button', { name: /^Switch user/ }).click();
      await page.getByRole('button', { name: /^Tomas/ }).click();
    },
  },
  { name: 'password and PIN', path: '/people' },
  {
    name: 'people',
    path: '/people',
    open: (page) => takeOver(page, 'Edda Quill', '7410'),
  },
  { name: 'audit log', path: '/audit-log' },
  { name: 'open interface', path: '/open-interface', open: asEdda },
  { name: 'vehicles', path: '/vehicles' },
  { name: 'rounds', path: '/rounds' },
  {
    name: 'round',
    path: '/rounds/7e7ad000-0000-4000-8100-000000000001',
    open: async (page) => {
      await page.getByLabel('Plate, VIN or its last characters').fill('YD-002');
      await page.keyboard.press('Enter');
      await page.getByLabel('Cranking, V').fill('17.2');
    },
  },
  { name: 'round sheet', path: '/rounds/7e7ad000-0000-4000-8100-000000000001/sheet' },
  { name: 'vehicle', path: '/vehicles/7e7ad000-0000-4000-8000-000000000002' },
  { name: 'guide', path: '/guide/starter-draw' },
  {
    name: 'maker’s figures',
    path: '/maker-figures',
    open: (page) => page.getByRole('button', { name: 'Add figures' }).click(),
  },
  {
    name: 'guide beside a step',
    path: job(1),
    open: async (page) => {
      await page.getByRole('button', { name: 'Guide', exact: true }).click();
      await page.getByText('What spoils it').waitFor();
    },
  },
  {
    name: 'outcomes',
    path: '/outcomes',
    open: (page) => page.getByRole('img', { name: /^How sure Tetrad was/ }).waitFor(),
  },
  {
    name: 'desk',
    path: '/desk',
    open: async (page) => {
      await page.getByRole('region', { name: 'Load test' }).getByRole('button', { name: 'Picture' }).click();
      await page.getByRole('region', { name: 'Rating between standards' }).getByLabel('On the label').fill('9999');
    },
  },
  {
    name: 'limit sets',
    path: '/criteria',
    open: (page) => page.getByRole('button', { name: 'Conductance' }).click(),
  },
  {
    name: 'limit set, edited',
    path: '/criteria/careful',
    open: async (page) => {
      await asEdda(page);
      await page.getByRole('button', { name: 'Over temperature' }).first().click();
      await page.getByLabel('Charge first under, %').fill('140');
    },
  },
  { name: 'exercises', path: '/practice' },
  { name: 'class', path: '/practice/class', open: (page) => takeOver(page, 'Tomas Aldery', '1470') },
  { name: 'practice bay', path: '/practice/slow-ground' },
];

/** Whichever screen came before has signed Edda in already, or not. */
async function asEdda(page: Page): Promise<void> {
  if (await page.getByRole('button', { name: /^Switch user: Edda/ }).isHidden())
    await takeOver(page, 'Edda Quill', '7410');
}

/** So many that a page is loaded from what the browser has, and so few that a busy machine is done in time. */
const AT_ONCE = 5;
const PARTS = Array.from({ length: Math.ceil(SCREENS.length / AT_ONCE) }, (_, part) =>
  SCREENS.slice(part * AT_ONCE, (part + 1) * AT_ONCE),
);

PARTS.forEach((screens) =>
  test(`axe finds nothing in both themes: ${screens.map(({ name }) => name).join('; ')}`, async ({ page, app }) => {
    const all: string[] = [];
    for (const { name, path, open } of screens) {
      await page.goto(app.url + path);
      await page.locator('h1:visible').first().waitFor();
      await open?.(page);
      await page.waitForTimeout(300);
      await page.evaluate(AXE); // not as a script of the page: its content policy allows none
      for (const theme of ['first', 'other'] as const) {
        // the themes differ in colours alone: all rules once, and those of colours again
        const found = await findings(page, theme === 'first' ? {} : { runOnly: ['color-contrast'] });
        all.push(...found.map((text) => `${name}: ${text}`));
        await page.keyboard.press('Alt+y');
        await expect(page.locator('html')).toHaveClass(theme === 'first' ? /dark/ : /^(?!.*dark)/);
      }
    }
    expect(all).toEqual([]);
  }),
);
