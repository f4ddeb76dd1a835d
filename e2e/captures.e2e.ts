/** A recorded start dropped on a job becomes readings, on the bench, on the report, and on the server. */
import type { Page } from '@playwright/test';
import { SimulatedVisit, recorded, randomOf, startRecord, writeDialect } from '../core/src/simulation';
import { expect, test, untilStored } from './application';
import type { Application } from './application';

const EMPTY_JOB = '7e7ad000-0000-4000-9000-000000000016';
const { vehicle } = new SimulatedVisit({ faults: ['none'], seed: 3 });
const record = recorded(startRecord(vehicle, { sampleRateHz: 2000, crankS: 2.4, afterS: 3 }), randomOf(3));
const csv = [...writeDialect(record, { delimiter: ';', decimal: ',', units: 'row' })].join('');

const open = (page: Page, name: string, text: string): Promise<void> =>
  page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

/** Until the server has the file whole, with what was found in it. */
const untilKept = (page: Page, app: Application, name: string): Promise<void> =>
  expect
    .poll(async () => (await page.request.get(`${app.url}/api/shops/yard/jobs/${EMPTY_JOB}/captures`)).json(), {
      timeout: 25_000,
    })
    .toEqual([expect.objectContaining({ name, isWhole: true, found: expect.anything() })]);

test('a file is taken apart, its readings taken into the job, and all is there after a reload', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/jobs/${EMPTY_JOB}/captures`);
  await expect(page.getByText('No recording yet.')).toBeVisible();
  await open(page, 'start.csv', csv);
  await expect(page.getByRole('button', { name: 'Crank', exact: true })).toBeVisible();
  await expect(page.locator('tt-capture-says .row')).toContainText([
    'Resting voltage',
    'Inrush voltage',
    'Inrush current',
    'Cranking voltage',
    'Starter draw',
    'Cranking speed',
    'Charging voltage',
  ]);
  await untilStored(page, () => page.getByRole('button', { name: /^Take \d/ }).click());
  await expect(page.locator('tt-capture-says').getByText('taken').first()).toBeVisible();
  await untilKept(page, app, 'start.csv');

  await page.reload();
  await expect(page.getByRole('button', { name: /start\.csv/ })).toBeVisible();
  await expect(page.locator('tt-capture-says').getByText('taken').first()).toBeVisible();
  await page.getByRole('link', { name: 'Back to the bench' }).click();
  await page.locator('.route .step', { hasText: 'Cranking voltage' }).first().click();
  const back = page.getByRole('link', { name: 'from a recording' });
  await expect(back).toBeVisible();
  await back.click();
  await expect(page.locator('tt-cursor-strip')).toContainText('Mean');

  const [stored] = await (await page.request.get(`${app.url}/api/shops/yard/jobs/${EMPTY_JOB}/captures`)).json();
  const file = await page.request.get(`${app.url}/api/shops/yard/captures/${stored.id}/file`);
  expect((await file.body()).toString()).toBe(csv);
  await page.goto(`${app.url}/jobs/${EMPTY_JOB}/report`);
  await expect(page.getByRole('img', { name: 'Waveform start.csv' })).toBeVisible();
});

test('what cannot be read is told with where and what, and nothing is stored of it', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/${EMPTY_JOB}/captures`);
  const bad: readonly [string, string, RegExp][] = [
    ['picture.csv', '\u0089PNG\r\n\u001a\n\0\0\0', /not text/],
    [
      'words.csv',
      `${csv.split('\n').slice(0, 40).join('\n')}\nhello;there;you\n`,
      /Line 41, column 1.*“hello” is no number/,
    ],
    ['empty.csv', '', /empty/],
  ];
  for (const [name, text, words] of bad) {
    await open(page, name, text);
    await expect(page.locator('tt-message')).toContainText(words);
    await page.getByRole('button', { name: 'Close' }).click();
  }
  await open(page, 'good.csv', csv);
  await expect(page.locator('tt-capture-says .row').first()).toBeVisible();
  await untilKept(page, app, 'good.csv');
});

test('without the server a file is kept on the device over a reload, and sent when it is back', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/jobs/${EMPTY_JOB}/captures`);
  await expect(page.getByText('No recording yet.')).toBeVisible();
  await page.route('**/pieces/*', (route) => route.abort());
  await open(page, 'kept.csv', csv);
  await expect(page.getByText('on this device')).toBeVisible();
  await page.reload();
  await expect(page.getByText('on this device')).toBeVisible();
  await expect(page.locator('tt-capture-says .row').first()).toBeVisible();
  await page.unroute('**/pieces/*');
  await page.goto(`${app.url}/floor`); // it is sent whichever screen is open
  await untilKept(page, app, 'kept.csv');
});

test('the waveform is worked by keyboard: zoomed, panned, two cursors, a reading taken by hand between them', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000001/captures`);
  await page.getByRole('button', { name: 'Crank', exact: true }).click();
  await expect(page.locator('tt-cursor-strip')).toContainText('Slope');
  const canvas = page.locator('canvas');
  await canvas.focus();
  const before = await page.locator('tt-cursor-strip').innerText();
  for (const key of ['a', 'ArrowRight', 'ArrowRight', '+', 'Shift+ArrowRight', '-', '0'])
    await page.keyboard.press(key);
  await expect.poll(() => page.locator('tt-cursor-strip').innerText()).not.toBe(before);
  await page.getByRole('combobox', { name: 'Take as' }).click();
  await page.getByRole('option', { name: 'Cranking voltage' }).click();
  await untilStored(page, () => page.getByRole('button', { name: 'Take', exact: true }).click());
  const job = await (
    await page.request.get(`${app.url}/api/shops/yard/jobs/7e7ad000-0000-4000-9000-000000000001`)
  ).json();
  const last = job.case.readings.at(-1);
  expect(last).toMatchObject({ test: 'cranking-voltage', conditions: { method: 'scope' } });
  expect(last.capture.toS).toBeGreaterThan(last.capture.fromS);
});
