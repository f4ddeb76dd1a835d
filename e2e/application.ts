import { test as base, expect } from '@playwright/test';
import type { Page } from '@playwright/test';
import { KeptContexts } from './kept-context';
import { ServedApplication } from './served-application';
import type { Application } from './served-application';

/** The browser's own words for a server that is away. */
const UNFETCHED = /Failed to load resource|Failed to fetch dynamically imported module/;

interface OfTest {
  readonly app: Application;
  readonly faults: string[];
  /** The simulated instruments are there, and the demo's are connected to them. */
  readonly withInstruments: boolean;
}

export const test = base.extend<OfTest, { served: ServedApplication; contexts: KeptContexts }>({
  withInstruments: [false, { option: true }],
  served: [
    async ({ browserName: _ }, use) => {
      const served = await ServedApplication.open();
      await use(served);
      await served.close();
    },
    { scope: 'worker' },
  ],
  contexts: [async ({ browser }, use) => use(new KeptContexts(browser)), { scope: 'worker' }],
  context: async ({ browser, contexts, app, hasTouch, serviceWorkers }, use) => {
    // a service worker keeps the files itself, and must find none
    const context = await (serviceWorkers === 'allow' ? browser.newContext() : contexts.for(hasTouch ?? false));
    await use(context);
    await contexts.clear(app.url);
  },
  page: async ({ context, viewport, colorScheme, contextOptions }, use) => {
    const page = await context.newPage();
    if (viewport) await page.setViewportSize(viewport);
    await page.emulateMedia({ colorScheme, reducedMotion: contextOptions.reducedMotion });
    await use(page);
  },
  app: async ({ withInstruments, served }, use) => {
    if (!withInstruments) {
      await served.renew();
      return use(served);
    }
    const own = await ServedApplication.open({ withInstruments });
    await use(own);
    await own.close();
  },

  /** What the browser complained of, but for what could not be fetched, which the page itself must tell: a broken content policy or an exception fails the test. */
  faults: [
    async ({ page }, use) => {
      const faults: string[] = [];
      page.on('pageerror', (error) => faults.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !UNFETCHED.test(message.text())) faults.push(message.text());
      });
      await use(faults);
      expect(faults).toEqual([]);
    },
    { auto: true },
  ],
});

/** Chooses the shop whose job list is empty. */
export async function toEmptyShop(page: Page, app: Application): Promise<void> {
  await page.goto(`${app.url}/floor`);
  await page.getByRole('button', { name: /^Switch user/ }).click();
  await page.getByRole('button', { name: 'Skerry island workshop' }).click();
  await expect(page.getByText('No open jobs.')).toBeVisible();
}

/** Another person of the demo takes over by PIN, by keyboard. */
export async function takeOver(page: Page, name: string, pin: string): Promise<void> {
  await page.getByRole('button', { name: /^Switch user/ }).click();
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole('group', { name: `PIN of ${name}` })).toBeVisible();
  await page.keyboard.type(pin);
  await expect(page.getByRole('button', { name: `Switch user: ${name}` })).toBeVisible();
}

/** Chooses from a list that opens. */
export async function pick(page: Page, label: string | RegExp, option: string | RegExp): Promise<void> {
  const wanted = page.getByRole(
    'option',
    typeof option === 'string' ? { name: option, exact: true } : { name: option },
  );
  // a list closes when the page beneath it moves; a person opens it once more
  await expect(async () => {
    if (!(await wanted.isVisible())) await page.getByRole('combobox', { name: label }).click();
    await wanted.click({ timeout: 3000 });
  }).toPass();
}

/** This device stays in the four notes after Enter. */
export const inTheFourNotes = (page: Page): Promise<unknown> =>
  page.addInitScript(() => localStorage.setItem('tetrad.settings', '{"afterEnter":"notes"}'));

/** Types a reading into the entry in focus and saves it by keyboard. */
export async function enter(page: Page, step: string, typed: string): Promise<void> {
  await expect(page.getByRole('textbox', { name: step, exact: true })).toBeFocused();
  await page.keyboard.type(typed);
  await page.keyboard.press('Enter');
}

/** Does something and waits until the server has stored it: only then may a test take the server away. */
export async function untilStored(page: Page, act: () => Promise<unknown>): Promise<void> {
  const answer = page.waitForResponse((response) => response.request().method() !== 'GET' && response.ok());
  await act();
  await answer;
  await expect(page.getByText('Saving …')).toBeHidden();
}

export { expect };

/** Until everything is fetched beforehand, and the page is served by the device. */
export async function untilOnDevice(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
  });
  await page.waitForTimeout(3000);
  await page.reload();
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
}
