/** Instruments read live: the value is there, steady; the crank is cut out by the count-down; Enter keeps it. */
import { expect, pick, takeOver, test } from './application';
import { openJob } from './walk';
import type { Page } from '@playwright/test';

test.use({ withInstruments: true });

const hands = (page: Page) => page.getByRole('group', { name: 'Simulated vehicle' });
const hand = (page: Page, name: string) => hands(page).getByRole('button', { name, exact: true }).click();
const liveValue = (page: Page) => page.getByLabel('Live value');
/** The value stands still, the leads have had their moment to be moved, and the entry has the keys. */
async function untilEnterKeeps(page: Page): Promise<void> {
  await expect(page.getByText('● steady')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep', exact: true })).toBeEnabled();
  await expect(page.locator('#reading')).toBeFocused();
}
/** Goes to a step by its name in the route, whatever is folded. */
async function stepTo(page: Page, group: string, name: string): Promise<void> {
  const step = page.locator('.route').getByText(name, { exact: true });
  if (!(await step.isVisible()))
    await page
      .locator('.route')
      .getByRole('button', { name: new RegExp(`^${group} \\+`) })
      .click();
  await step.click();
  await expect(page.locator('.centre .title')).toContainText(name);
}

test('a whole start is read by instruments: at rest, cranking with its current, running', async ({ page, app }) => {
  await page.goto(app.url);
  await openJob(page, 'Live van 1.9 petrol', ['Cranks slowly']);
  await expect(liveValue(page)).toHaveText(/^1[23]\.\d\d V$/);
  await untilEnterKeeps(page);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter'); // a second one saves nothing twice
  await expect(page.locator('.route')).toContainText(/Resting voltage\s*12\.\d\d V/);
  expect(await page.locator('.route').getByText('Outside').count()).toBe(0);

  await stepTo(page, 'Connections', 'Drop, starter case to battery −');
  await page.getByRole('button', { name: 'Understood' }).click();
  await hand(page, 'Fuel stopped');
  await page.getByRole('button', { name: 'Count down a crank' }).click();
  await expect(page.getByRole('timer')).toHaveAttribute('data-phase', 'crank');
  await hand(page, 'Start');
  await expect(page.getByRole('timer')).toHaveAttribute('data-phase', 'stop');
  await hand(page, 'Key off');
  const mean = page.getByRole('status').filter({ hasText: 'Mean while the count said read' });
  await expect(mean).toHaveText(/: \d+ mV at \d+ A\. Lowest -?\d+ mV, highest \d+ mV\./);
  const [, drop, amps] = /: (\d+ mV) at (\d+) A/.exec(await mean.innerText())!;
  await page.locator('#reading').press('Enter');
  await expect(page.locator('.route')).toContainText(drop!);
  const { readings } = await page.evaluate(async () => {
    const session = (await (await fetch('/api/session')).json()) as { shop: { id: string } };
    const id = location.pathname.split('/')[2];
    const job = (await (await fetch(`/api/shops/${session.shop.id}/jobs/${id}`)).json()) as {
      case: { readings: Record<string, unknown>[] };
    };
    return job.case;
  });
  expect(readings.at(-1)).toMatchObject({
    test: 'drop-starter-ground',
    live: true,
    instrument: expect.stringContaining('Simulated, '),
    lowest: expect.any(Number),
    highest: expect.any(Number),
    conditions: { amps: expect.closeTo(Number(amps), -1) },
  });

  await stepTo(page, 'Charging', 'Charging voltage');
  await hand(page, 'Fuel');
  await hand(page, 'Start');
  await expect(hands(page)).toContainText('running');
  await hands(page).getByRole('group', { name: 'Key' }).getByRole('button', { name: 'On' }).click();
  await hand(page, '1,900 rpm');
  await expect(page.getByText(/Engine speed: (1[89]|2[01])\d\d rpm/)).toBeVisible();
  await expect(liveValue(page)).toHaveText(/^1[34]\.\d\d V$/);
});

test('a recorder records the start that is cranked while it waits, and its capture becomes readings', async ({
  page,
  app,
}) => {
  await page.goto(app.url);
  await openJob(page, 'Recorded van 1.9 petrol', ['Cranks slowly']);
  await page.getByRole('link', { name: 'Captures' }).click();
  await page.getByRole('button', { name: 'Record a start with Recorder' }).click();
  await hand(page, 'Fuel stopped');
  await hand(page, 'Start');
  await page.waitForTimeout(4000); // the crank itself
  await hand(page, 'Key off');
  await expect(page.locator('canvas')).toBeVisible({ timeout: 25_000 });
  await expect(page.locator('.wave')).toContainText('Crank');
});

test('an instrument whose host nobody allowed says so on the bench, and typing goes on', async ({ page, app }) => {
  await page.goto(app.url);
  await expect(page.getByText('Utility van').first()).toBeVisible();
  await takeOver(page, 'Edda Quill', '7410'); // what an instrument is told by is changed by those who lead
  await page.evaluate(async () => {
    const { shop } = (await (await fetch('/api/session')).json()) as { shop: { id: string } };
    const [meter] = (await (await fetch(`/api/shops/${shop.id}/instruments`)).json()) as { id: string }[];
    await fetch(`/api/shops/${shop.id}/instruments/${meter!.id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'Idempotency-Key': crypto.randomUUID() },
      body: JSON.stringify({
        name: 'Bench meter 1',
        kind: 'meter',
        uncertainty: { V: 0.02 },
        address: 'tcp://10.0.0.9:5025',
      }),
    });
  });
  await openJob(page, 'Typed van 1.9 petrol', ['Cranks slowly']);
  await expect(page.getByRole('alert')).toContainText('an administrator has to allow 10.0.0.9:5025');
  await page.keyboard.type('12.61');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await expect(page.locator('.route')).toContainText('12.61 V');
});

test('an administrator allows a host, and chooses which vehicle stands at the simulated instruments', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/instruments`);
  await takeOver(page, 'Edda Quill', '7410');
  await page.getByText('Where instruments may be read').click();
  const hosts = page.getByLabel('Host and port, one a line');
  await expect(hosts).toHaveValue(/127\.0\.0\.1:\d+/);
  await hosts.fill(`${await hosts.inputValue()}\n10.0.0.9:5025`);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Kept')).toBeVisible();
  await hosts.fill('nowhere');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'instrumentHosts: found' })).toBeVisible();
  await page.getByRole('button', { name: /Simulated vehicle/ }).click();
  await page.getByLabel('Vehicle number').fill('7');
  await page.getByRole('button', { name: 'Use this vehicle' }).click();
  await expect(page.getByText('Simulated vehicle 7:')).toBeVisible();
});

test('an exercise on the real bench: read by its instruments, called, reviewed, and in no list of jobs', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/practice/slow-ground`);
  await page.getByRole('button', { name: 'On the bench' }).click();
  await expect(page).toHaveURL(/\/jobs\//);
  await expect(page.getByText('Since the gearbox was out it cranks slowly.')).toBeVisible();
  await untilEnterKeeps(page);
  await page.keyboard.press('Enter');
  await expect(page.locator('.route .step', { hasText: 'Resting voltage' }).first()).toContainText('12.7');
  // what no instrument reads is told
  await stepTo(page, 'Ask and look', 'Terminals');
  await expect(page.getByText('You find: clean')).toBeVisible();
  await page.getByRole('button', { name: 'Clean', exact: false }).first().click();
  // it is this device's alone
  await page.goto(`${app.url}/floor`);
  await expect(page.getByRole('row', { name: /Pool car/ }).first()).toBeVisible();
  await expect(page.getByText('After the clutch was done')).toHaveCount(0);
  await page.goBack();
  await page.getByRole('button', { name: 'Call the part' }).click();
  await pick(page, 'Decision', 'Replace the battery');
  await page.getByRole('button', { name: 'Call it' }).click();
  await expect(page.getByRole('heading', { name: 'Not the right call' })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('link', { name: 'All exercises' }).click();
  await expect(page.getByRole('row', { name: /After the clutch/ })).toContainText('points');
  expect(faults).toEqual([]);
});
