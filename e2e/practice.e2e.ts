/** The practice bay in the real interface: a whole exercise by keyboard alone, without the server. */
import { expect, test } from './application';
import type { Page } from '@playwright/test';

const display = (page: Page) => page.getByLabel('Display');
/** Puts what is in the hand on a point, by keyboard. */
async function put(page: Page, key: 'r' | 'b' | 'c', name: string): Promise<void> {
  await page.keyboard.press(key);
  const point = page.getByRole('button', { name });
  await point.focus();
  await page.keyboard.press('Enter');
}
/** Chooses of a few words by keyboard. */
async function choose(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name, exact: true }).focus();
  await page.keyboard.press('Enter');
}
const write = (page: Page) => page.keyboard.press('w');

test('a bad ground is found by keyboard alone: leads, key, meter, call, review', async ({ page, app, faults }) => {
  await page.goto(`${app.url}/practice`);
  await page.getByRole('link', { name: 'After the clutch was done' }).focus();
  await page.keyboard.press('Enter');
  await expect(display(page)).toBeVisible();

  await put(page, 'r', 'Red on battery + post');
  await put(page, 'b', 'Black on battery − post');
  await expect(display(page)).toHaveText(/^12\.\d\d V$/);
  await write(page);
  await expect(page.locator('.written')).toContainText('Resting voltage');

  await put(page, 'r', 'Red on starter case');
  await put(page, 'c', 'Clamp round all conductors of one battery post');
  await choose(page, 'Fuel stopped');
  await choose(page, 'Start');
  await expect(page.locator('.heard')).toContainText('It cranks');
  await expect(display(page)).toHaveText(/^[1-9]\.\d+ V$/);
  await page.waitForTimeout(2500); // the current settles
  await write(page);
  await expect(page.locator('.written')).toContainText('Drop, starter case to battery −');
  await put(page, 'r', 'Red on engine block');
  await page.waitForTimeout(800);
  await write(page);
  await choose(page, 'Key off');
  await expect(page.locator('.written')).toContainText('Drop, engine block to battery −');

  // a closed tab goes on where it was
  await page.reload();
  await expect(page.locator('.written')).toContainText('Drop, engine block to battery −');

  await choose(page, 'Call the part');
  await page.getByRole('combobox', { name: 'Decision' }).focus();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Repair'); // the first of them: the connection
  await page.keyboard.press('Enter');
  await choose(page, 'Call it');
  await expect(page.getByText('of 100 points')).toBeVisible({ timeout: 20_000 });
  await expect(page.locator('h1')).toHaveText(/^Right/);
  await expect(page.getByText('bad ground between starter and battery').first()).toBeVisible();
  await page.getByRole('link', { name: 'All exercises' }).click();
  await expect(page.getByRole('row', { name: /After the clutch/ })).toContainText('points');
  expect(faults).toEqual([]);
});

test('an exercise that is none says so, and any vehicle has an address of its own', async ({ page, app }) => {
  await page.goto(`${app.url}/practice/nobody`);
  await expect(page.getByText('There is no exercise of that name.')).toBeVisible();
  await page.goto(`${app.url}/practice`);
  await page.getByLabel('Any vehicle, by number').fill('42');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/practice\/any-42$/);
  await expect(display(page)).toBeVisible();
});

test('a visit goes on while the server is away', async ({ page, app }) => {
  await page.goto(`${app.url}/practice/belt`);
  await expect(display(page)).toBeVisible();
  await app.stop();
  await choose(page, 'Charge the battery');
  await put(page, 'r', 'Red on battery + post');
  await put(page, 'b', 'Black on battery − post');
  await expect(display(page)).toHaveText(/^12\.\d\d V$/);
  await write(page);
  await expect(page.locator('.written')).toContainText('Resting voltage');
  await app.start();
});
