/** Two devices on one job, timers on the server's clock, and a minute without the server. */
import type { Page } from '@playwright/test';
import { enter, expect, inTheFourNotes, test, toEmptyShop, untilStored } from './application';
import { openJob } from './walk';

const DEMO_JOB = '7e7ad000-0000-4000-9000-000000000002';

async function understood(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Understood' }).click();
}
const phase = (page: Page) => page.locator('[data-phase]');

test('the phone at the wheel counts in step with the bench, also with a wrong clock, and shows the reading', async ({
  page,
  app,
  browser,
}) => {
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
  await phone.addInitScript(() => {
    const now = Date.now.bind(Date);
    Date.now = () => now() + 3_600_000; // an hour fast
  });
  await page.goto(`${app.url}/jobs/${DEMO_JOB}`);
  await phone.goto(`${app.url}/jobs/${DEMO_JOB}/wheel`);
  await understood(phone);
  await page
    .getByRole('button', { name: /^Cranking voltage/ })
    .first()
    .click();
  await expect(page.getByText('Ilse Marrow,')).toBeAttached();
  await page.keyboard.press('Alt+c');
  for (const name of ['ready', 'crank', 'read', 'stop', 'over']) {
    await expect(phase(page)).toHaveAttribute('data-phase', name);
    await expect(phase(phone)).toHaveAttribute('data-phase', name, { timeout: 1000 });
  }
  await expect(phone.getByText('Starter cools')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Starter cools', exact: true })).toBeDisabled();
  await enter(page, 'Cranking voltage', '10.9');
  await expect(phone.locator('.reading')).toContainText('10.9 V');
  await expect(phone.locator('.reading')).toContainText('Within');
  await phone.close();
});

test('the bench shows a QR code that opens the wheel view', async ({ page, app }) => {
  await page.goto(`${app.url}/jobs/${DEMO_JOB}`);
  await page.locator('.centre .title').waitFor();
  await page.keyboard.press('Alt+w');
  await expect(page.getByRole('img', { name: `QR code of ${app.url}/jobs/${DEMO_JOB}/wheel` })).toBeVisible();
  await page.getByRole('link', { name: 'Open it here' }).click();
  await expect(page).toHaveURL(/\/wheel$/);
});

test('two people recording the same test at once: both readings are kept and seen by both', async ({
  page,
  app,
  browser,
}) => {
  const other = await (await browser.newContext()).newPage();
  for (const one of [page, other]) {
    await one.goto(`${app.url}/jobs/${DEMO_JOB}`);
    await one
      .getByRole('button', { name: /^Resting voltage/ })
      .first()
      .click();
    await one.keyboard.press('Alt+r');
  }
  await Promise.all([
    page
      .locator('#reading')
      .fill('12.55')
      .then(() => page.locator('#reading').press('Enter')),
    other
      .locator('#reading')
      .fill('12.56')
      .then(() => other.locator('#reading').press('Enter')),
  ]);
  for (const one of [page, other]) {
    await one
      .getByRole('button', { name: /^Resting voltage/ })
      .first()
      .click();
    await expect(one.getByRole('listitem').filter({ hasText: '12.55 V' }).last()).toBeVisible();
    await expect(one.getByRole('listitem').filter({ hasText: '12.56 V' }).last()).toBeVisible();
  }
  await other.close();
});

test('a wait survives a reload, another device and a restart of the server, and the floor sorts by what is ready', async ({
  page,
  app,
  browser,
}) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000016`);
  await untilStored(page, () => page.getByRole('button', { name: 'Settle', exact: true }).click());
  await expect(page.locator('.chip')).toContainText(/Settle\s*2:[0-3]\d/);
  await page.reload();
  await expect(page.locator('.chip')).toContainText('Settle');
  await app.stop();
  await app.start();
  const other = await (await browser.newContext()).newPage();
  await other.goto(`${app.url}/floor`);
  await expect(other.getByRole('row', { name: /Nothing read yet.*YD-131/ })).toContainText(/Settle 2:\d\d/);
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000016`);
  await page.getByRole('button', { name: 'Stop: Settle' }).click();
  await expect(other.getByRole('row', { name: /Nothing read yet.*YD-131/ })).toContainText('Resting voltage');
  await other.close();
});

test('a wait that has run out calls on the bench and comes first on the floor', async ({ page, app }) => {
  const id = '7e7ad000-0000-4000-9000-000000000006';
  await page.goto(`${app.url}/floor`);
  await page.getByText('Warden car').first().waitFor();
  await page.request.post(`${app.url}/api/shops/yard/jobs/${id}/timers`, {
    data: { id: '7e7ad000-0000-4000-9000-00000000aaaa', kind: 'charge', seconds: 3600, secondsAgo: 4000 },
  });
  await expect(page.getByRole('row').nth(1)).toContainText('Charging is over');
  await page.getByRole('link', { name: 'Warden car' }).first().click();
  await expect(page.locator('.chip')).toContainText('Charging is over.');
  await page.locator('.chip').getByRole('button', { name: 'Lamps on' }).click();
  await expect(page.locator('.chip')).toContainText(/Lamps on\s*(1:00|0:5\d)/);
  await expect(page.getByText('Charging is over.')).toBeHidden();
});

test('without the server: readings, a timer and a look are kept, sent in order and stored once', async ({
  page,
  app,
}) => {
  await inTheFourNotes(page);
  await toEmptyShop(page, app);
  await untilStored(page, () => openJob(page, 'Pier van 2.2 diesel', ['Cranks slowly']));
  const job = page.url().split('/').at(-1)!;
  await app.stop();
  await enter(page, 'Resting voltage', '12.62');
  await enter(page, 'Cranking voltage', '10.4');
  await page
    .getByRole('button', { name: /^Resting voltage/ })
    .first()
    .click();
  await page.keyboard.press('Alt+r');
  await page.getByRole('button', { name: 'Settle', exact: true }).click();
  await expect(page.getByText('3 waiting for the server')).toBeVisible();
  await expect(page.locator('.chip')).toContainText('Settle');
  await app.start();
  await expect(page.getByText(/waiting for the server|Saving …/)).toBeHidden({ timeout: 20_000 });
  const stored = await (await page.request.get(`${app.url}/api/shops/island/jobs/${job}`)).json();
  expect(stored.case.readings.map(({ value }: { value: number }) => value)).toEqual([12.62, 10.4]);
  expect(stored.timers).toHaveLength(1);
});
