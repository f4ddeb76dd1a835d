/** A round is planned, walked with the keyboard alone (with and without the network), and read as a sheet. */
import type { Page } from '@playwright/test';
import { expect, test, untilOnDevice } from './application';

test.use({ serviceWorkers: 'allow' });

/** Types texts, each followed by Enter; every press is counted. */
async function typeIn(page: Page, ...texts: readonly string[]): Promise<number> {
  for (const text of texts) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  return texts.join('').length + texts.length;
}
const startRound = async (page: Page, url: string, group: string): Promise<void> => {
  await page.goto(`${url}/rounds`);
  await page.getByRole('row', { name: group }).getByRole('link', { name: 'Start round' }).click();
  await expect(page.getByLabel('Plate, VIN or its last characters')).toBeFocused();
};

test('a round is planned for a group, and what is due stands on the job list', async ({ page, app, faults }) => {
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('link', { name: /Warden car/ }).click();
  await page.getByRole('button', { name: 'Edit' }).click();
  await page.getByLabel('Group').fill('Wardens');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Wardens')).toBeVisible();
  await page.goto(`${app.url}/rounds`);
  await page.getByRole('button', { name: 'Plan a round' }).click();
  await page.getByLabel('Group of vehicles').fill('wardens');
  await page.getByLabel('Days').fill('0');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('a whole number of days, 1 to 3650')).toBeVisible();
  await page.getByLabel('Days').fill('1');
  await page.getByLabel('Before winter, by').fill('10-15');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /wardens/ })).toContainText('every 1 days or before October 15 each year');
  await page.getByRole('button', { name: 'wardens' }).click();
  await expect(page.getByRole('row', { name: /Warden car/ })).toContainText(/days? ago|today|in 1 day/);
  await page
    .getByRole('row', { name: /wardens/ })
    .getByRole('button', { name: 'End it' })
    .click();
  await expect(page.getByText('The round of wardens is ended.')).toBeVisible();
  await page.goto(`${app.url}/floor`);
  await page
    .getByText('Checks due:')
    .getByRole('link')
    .or(page.getByRole('link', { name: /^Roads/ }))
    .first()
    .click();
  await expect(page.getByText('0 checked, 6 left')).toBeVisible();
  expect(faults).toEqual([]);
});

test('a vehicle is checked with some fifty keys; a sound one stays closed, a weak one opens a job', async ({
  page,
  app,
  faults,
}) => {
  await startRound(page, app.url, 'Town');
  let keys = await typeIn(page, 'yd131', '18', '12.66', '10.7', '14.2', '0.03');
  await page.keyboard.press('1'); // terminals clean
  await page.keyboard.press('1'); // belt good
  await expect(page.getByText('Clearly sound: stored, no job stays open.')).toBeVisible();
  keys += 2 + (await typeIn(page, '41900', '', ''));
  expect(keys).toBeLessThan(50);
  await expect(page.getByText('1 checked, 4 left')).toBeVisible();
  // the temperature is kept; the weak one is told before it is stored
  await typeIn(page, 'YD-090', '12.6', '8.4', '14.2', '20m');
  await page.keyboard.press('1');
  await page.keyboard.press('2');
  await expect(page.getByText(/Opens a job\. 8\.40 V is below its limit/)).toBeVisible();
  await page.getByLabel('Comment').fill('hard to start');
  await page.getByRole('button', { name: 'Store, next vehicle' }).click();
  await expect(page.getByText('job open')).toBeVisible();
  await page.getByRole('link', { name: 'Round sheet' }).click();
  await expect(page.getByRole('row', { name: /Meals van/ })).toContainText('hard to start');
  await expect(page.getByRole('row', { name: /Pool car/ })).toContainText('All four notes within their limits');
  await page.goto(`${app.url}/floor`);
  await expect(page.getByRole('row', { name: /Meals van/ }).first()).toBeVisible();
  expect(faults).toEqual([]);
});

test('without the network a round goes on: what was checked is sent when the server is back', async ({ page, app }) => {
  await startRound(page, app.url, 'Roads');
  await untilOnDevice(page);
  await app.stop();
  await page.reload();
  await expect(page.getByLabel('Plate, VIN or its last characters')).toBeFocused();
  // one that nobody knows yet is checked as a new vehicle
  await typeIn(page, 'YD-777');
  await page.getByRole('button', { name: 'Check it as a new vehicle' }).click();
  await expect(page.getByLabel('Temperature, °C')).toBeFocused();
  await typeIn(page, '15', '12.7', '10.9', '14.1', '0.02');
  await page.keyboard.press('1');
  await page.keyboard.press('1');
  await page.getByRole('button', { name: 'Store, next vehicle' }).click();
  await expect(page.getByText('1 waiting for the server')).toBeVisible();
  await app.start();
  await expect(page.getByText('1 waiting for the server')).toBeHidden({ timeout: 20_000 });
  const found = await (await page.request.get(`${app.url}/api/shops/yard/vehicles?find=YD-777`)).json();
  const [visit] = await (await page.request.get(`${app.url}/api/shops/yard/vehicles/${found[0].id}/visits`)).json();
  expect([found[0].group, visit.status]).toEqual(['Roads', 'closed']);
});
