import { randomUUID } from 'node:crypto';
import { test as base, expect } from '@playwright/test';
import type { Page } from '@playwright/test';
import pg from 'pg';
import { freePort } from '../tools/setup/ports.mjs';
import { ROOT } from '../tools/setup/root.mjs';
import { run } from '../tools/setup/run.mjs';
import { startStandIns } from '../tools/setup/stand-ins.mjs';
import { serverEnvironment, startServer, stopProcess } from '../tools/setup/supervise.mjs';
import { TEMPLATE } from './cluster';

/** A served application that a test may stop and start again on the same address. */
export interface Application {
  readonly url: string;
  stop(): Promise<void>;
  /** @param door Where the demo lets people in; this machine where nothing is said. */
  start(door?: string): Promise<void>;
}

/** @returns The address of the new database for the application's role. */
async function newDatabase(): Promise<string> {
  const address = process.env['TETRAD_TEST_CLUSTER']!;
  const admin = new pg.Client({ connectionString: address });
  await admin.connect();
  const name = `e2e_${randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name} TEMPLATE ${TEMPLATE}`);
  await admin.end();
  return process.env['TETRAD_TEST_APP']!.replace(`/${TEMPLATE}`, `/${name}`);
}

/** Connects the demo's instruments to the simulated ones, in the database of a server that is not started yet. */
async function connect(env: Record<string, string>, addresses: Record<string, string>): Promise<void> {
  env['TETRAD_STAND_INS'] = JSON.stringify(addresses);
  const name = new URL(env['TETRAD_DATABASE_URL']!).pathname;
  const owner = process.env['TETRAD_TEST_CLUSTER']!.replace('/postgres', name);
  const command = [`${ROOT}/dist/server/prepare.mjs`, '--demo'];
  await run(process.execPath, command, { cwd: ROOT, env: { ...env, TETRAD_DATABASE_URL: owner } });
}

/** The browser's own words for a server that is away. */
const UNFETCHED = /Failed to load resource|Failed to fetch dynamically imported module/;

export const test = base.extend<{ app: Application; faults: string[]; withInstruments: boolean }>({
  /** The simulated instruments are there, and the demo's are connected to them. */
  withInstruments: [false, { option: true }],
  app: async ({ withInstruments }, use) => {
    const port = await freePort();
    const env = {
      ...serverEnvironment(await newDatabase(), port),
      TETRAD_LOG_LEVEL: 'error',
      TETRAD_DEMO_DOOR: 'loopback',
      TETRAD_REQUESTS_A_SECOND: '2000',
    };
    const standIns = withInstruments ? await startStandIns() : null;
    if (standIns) await connect(env, standIns.addresses);
    let running = await startServer(env, { quiet: true });
    await use({
      url: `http://127.0.0.1:${port}`,
      stop: () => stopProcess(running.child),
      start: async (door = 'loopback') => {
        running = await startServer({ ...env, TETRAD_DEMO_DOOR: door }, { quiet: true });
      },
    });
    await stopProcess(running.child);
    standIns?.child.kill();
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
