/** `npm run screenshots`: one current picture of each main view, from the demo data, in docs/screenshots. */
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { withServedApplication } from './bench/served.mjs';
import { buildClient, buildServer } from './setup/build.mjs';
import { ROOT } from './setup/root.mjs';
import { fail, step } from './setup/steps.mjs';

const FOLDER = join(ROOT, 'docs/screenshots');
const job = (number) => `/jobs/7e7ad000-0000-4000-9000-${String(number).padStart(12, '0')}`;
const bench = (page) => page.locator('.centre .title').waitFor();

const VIEWS = [
  { name: 'floor', path: '/floor', ready: (page) => page.getByText('Utility van').first().waitFor() },
  { name: 'bench', path: job(2), ready: bench },
  {
    name: 'bench-dark',
    path: job(2),
    dark: true,
    ready: async (page) => {
      await bench(page);
      await page.getByRole('button', { name: 'Volts while starting' }).click();
    },
  },
  {
    name: 'captures',
    path: `${job(2)}/captures`,
    ready: async (page) => {
      await page.locator('canvas').waitFor();
      await page.getByRole('combobox', { name: 'Compare with' }).click();
      await page.getByRole('option', { name: 'before.csv' }).click();
      await page.waitForTimeout(1500);
    },
  },
  {
    name: 'vehicle',
    path: '/vehicles/7e7ad000-0000-4000-8000-000000000002',
    dark: true,
    ready: async (page) => {
      await page.locator('canvas').first().waitFor();
      await page.waitForTimeout(1000);
    },
  },
  { name: 'guide', path: '/guide/starter-draw', ready: (page) => page.getByRole('article').waitFor() },
  {
    name: 'outcomes',
    path: '/outcomes',
    ready: (page) => page.getByRole('img', { name: /^How sure Tetrad was/ }).waitFor(),
  },
  { name: 'criteria', path: '/criteria', ready: (page) => page.getByRole('button', { name: 'Conductance' }).click() },
  { name: 'rounds', path: '/rounds', ready: (page) => page.locator('td').first().waitFor() },
  {
    name: 'desk',
    path: '/desk',
    ready: (page) => page.getByRole('button', { name: 'Picture' }).first().click(),
  },
  { name: 'instruments', path: '/instruments', ready: (page) => page.locator('td').first().waitFor() },
  {
    name: 'bench-count',
    path: job(2),
    ready: async (page) => {
      await bench(page);
      await page
        .getByRole('button', { name: /^Drop, starter case/ })
        .first()
        .click();
      await page.keyboard.press('Alt+r');
      await page.getByRole('button', { name: 'Understood' }).click();
      await page.keyboard.press('Alt+c');
      await page.locator('[data-phase=crank]').waitFor();
    },
  },
  {
    name: 'wheel-phone',
    path: `${job(2)}/wheel`,
    ready: (page) => page.locator('[data-phase=crank], [data-phase=read], [data-phase=stop]').first().waitFor(),
    size: { width: 390, height: 844 },
  },
  {
    name: 'sign-off',
    path: job(1),
    ready: async (page) => {
      await bench(page);
      await page.keyboard.press('Alt+g');
      await page.getByRole('dialog').waitFor();
    },
  },
  { name: 'bench-phone', path: job(9), ready: bench, size: { width: 390, height: 844 } },
  {
    name: 'practice',
    path: '/practice/slow-ground',
    ready: async (page) => {
      await page.getByLabel('Display').waitFor();
      await page.getByRole('button', { name: 'With help' }).click();
      for (let steps = 0; steps < 5; steps++) {
        await page.getByRole('button', { name: 'Show me' }).click();
        await page.waitForTimeout(700);
      }
    },
  },
  {
    name: 'bench-live',
    path: job(16),
    withInstruments: true,
    ready: async (page) => {
      await bench(page);
      await page.getByText('● steady').waitFor();
    },
  },
  {
    name: 'report',
    path: `${job(1)}/report`,
    ready: (page) => page.getByText('Part by part').waitFor(),
    size: { width: 1280, height: 1100 },
  },
  {
    name: 'report-after',
    path: `${job(17)}/report`,
    ready: (page) => page.getByText('What was done').waitFor(),
    size: { width: 1280, height: 1100 },
  },
];

async function main() {
  await buildServer();
  await buildClient();
  await mkdir(FOLDER, { recursive: true });
  for (const withInstruments of [false, true])
    await withServedApplication(
      async (url, browser) => {
        for (const view of VIEWS.filter((one) => (one.withInstruments ?? false) === withInstruments))
          await step(view.name, () => take(view, url, browser));
      },
      { withInstruments },
    );
}

async function take({ name, path, ready, dark = false, size = { width: 1280, height: 800 } }, url, browser) {
  const page = await browser.newPage({ viewport: size, colorScheme: dark ? 'dark' : 'light' });
  await page.goto(url + path);
  await ready(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: join(FOLDER, `${name}.png`) });
  await page.close();
}

main().catch(fail);
