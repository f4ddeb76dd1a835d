/** A recorded start dropped on a job becomes readings, on the bench, on the report, and on the server. */
import type { Page } from '@playwright/test';
import { SimulatedVisit, recorded, randomOf, startRecord, writeDialect, writeWav } from '../core/src/simulation';
import { expect, pick, test, untilStored } from './application';
import type { Application } from './served-application';

const EMPTY_JOB = '7e7ad000-0000-4000-9000-000000000016';
const { vehicle } = new SimulatedVisit({ faults: ['none'], seed: 3 });
const record = recorded(startRecord(vehicle, { sampleRateHz: 2000, crankS: 3, afterS: 3 }), randomOf(3));
const csv = [...writeDialect(record, { delimiter: ';', decimal: ',', units: 'row' })].join('');

const open = (page: Page, name: string, content: string | Buffer): Promise<void> =>
  page.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });

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
  await untilStored(page, () => page.getByRole('button', { name: /^Use \d/ }).click());
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

test('a WAV asks what its full scale is, and reads anew when it is told otherwise', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/${EMPTY_JOB}/captures`);
  await open(page, 'start.wav', Buffer.from(writeWav(record, { volts: 20, amps: 2000 })));
  await expect(page.locator('tt-message')).toContainText(/full scale/i);
  await page.getByLabel('Full scale, volts').fill('none');
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(page.locator('tt-channel-map')).toContainText('Found “none”');
  const resting = page.locator('tt-capture-says .row', { hasText: 'Resting voltage' });
  const readAt = async (volts: string): Promise<void> => {
    await page.getByLabel('Full scale, volts').fill(volts);
    await page.getByLabel('Full scale of the second channel').fill('2000');
    await page.getByRole('button', { name: 'Read it' }).click();
  };
  const told = async (): Promise<number> => Number(/(\d+\.\d+) V/.exec((await resting.textContent())!)![1]);
  await readAt('20');
  await expect(resting).toContainText(/12\.\d\d V/);
  const whole = await told();
  await readAt('18');
  await expect(resting).not.toContainText(/12\.\d\d V/);
  expect((await told()) / whole).toBeCloseTo(0.9, 2);
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
  await page.getByRole('combobox', { name: 'Use as' }).click();
  await page.getByRole('option', { name: 'Cranking voltage' }).click();
  await untilStored(page, () => page.getByRole('button', { name: 'Use', exact: true }).click());
  const job = await (
    await page.request.get(`${app.url}/api/shops/yard/jobs/7e7ad000-0000-4000-9000-000000000001`)
  ).json();
  const last = job.case.readings.at(-1);
  expect(last).toMatchObject({ test: 'cranking-voltage', conditions: { method: 'scope' } });
  expect(last.capture.toS).toBeGreaterThan(last.capture.fromS);
});

const WITH_RECORDING = '7e7ad000-0000-4000-9000-000000000001';
/** The stretch that is seen, as the picture's name tells it, s. */
const span = async (page: Page): Promise<readonly [number, number]> => {
  const name = (await page.locator('tt-capture-chart canvas').getAttribute('aria-label'))!;
  const told = /seen from ([\d.]+) to ([\d.]+) s/.exec(name);
  return told ? [Number(told[1]), Number(told[2])] : [0, NaN];
};

test('the waveform is dragged sideways, and spread by two fingers', async ({ browser, app }) => {
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true });
  const page = await context.newPage();
  await page.goto(`${app.url}/jobs/${WITH_RECORDING}/captures`);
  await page.getByRole('button', { name: 'Crank', exact: true }).click();
  const box = (await page.locator('tt-capture-chart canvas').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await expect.poll(async () => (await span(page))[0]).toBeGreaterThan(0);
  const before = await span(page);

  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 120, y, { steps: 8 });
  await page.mouse.up();
  await expect.poll(async () => (await span(page))[0]).toBeLessThan(before[0]);
  const dragged = await span(page);
  expect(dragged[1] - dragged[0]).toBeCloseTo(before[1] - before[0], 2);

  const touch = await context.newCDPSession(page);
  const fingers = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
    touch.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [-1, 1].map((side, id) => ({ x: x + (side * apart) / 2, y, id })),
    });
  await fingers('touchStart', 60);
  for (const apart of [80, 110, 150, 200, 260]) await fingers('touchMove', apart);
  await fingers('touchEnd', 0);
  await expect
    .poll(async () => {
      const [from, to] = await span(page);
      return (to - from) / (dragged[1] - dragged[0]);
    })
    .toBeLessThan(0.7);
  await context.close();
});

test('what a channel is, and the scale of the clamp, can be changed by hand', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/${EMPTY_JOB}/captures`);
  await open(page, 'start.csv', csv);
  const row = page.locator('tt-capture-says .row', { hasText: 'Starter draw' });
  const amps = async (): Promise<number> => Number(/(-?[\d.]+)\s*A/.exec(await row.innerText())![1]);
  await expect(row).toBeVisible();
  const before = await amps();
  await page.getByText('Channels and scale').click();
  await pick(page, 'Clamp’s scale', '100 mV per A');
  await expect.poll(amps).toBeCloseTo(before * 10, -2);
  await pick(page, 'Clamp’s scale', 'as recognised');
  await expect.poll(amps).toBe(before);
  await pick(page, /column 3/, 'Not used');
  await expect(row).toBeHidden();
  await expect(page.locator('tt-capture-says .row', { hasText: 'Cranking voltage' })).toBeVisible();
});

test('reading can be cancelled: nothing is shown, kept or opened again by itself', async ({ page, app }) => {
  await page.route('**/file', () => undefined); // never answered
  await page.goto(`${app.url}/jobs/${WITH_RECORDING}/captures`);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Choose a recording from the list')).toBeVisible();
  await open(page, 'other.csv', csv);
  await expect(page.locator('tt-capture-says .row').first()).toBeVisible();
});
