/** The practice bay in the real interface: a whole exercise by keyboard alone, without the server. */
import { expect, pick, test } from './application';
import type { Locator, Page } from '@playwright/test';

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
  await page.getByRole('link', { name: 'After the clutch was done', exact: true }).focus();
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
  await expect(page.getByRole('combobox', { name: 'Decision' })).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Repair'); // the first of them: the connection
  await expect(page.getByRole('option', { name: 'Repair the connection' })).toHaveAttribute('data-p-focused', 'true');
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
  await pick(page, 'Skip time', 'Charge fully and rest');
  await put(page, 'r', 'Red on battery + post');
  await put(page, 'b', 'Black on battery − post');
  await expect(display(page)).toHaveText(/^12\.\d\d V$/);
  await write(page);
  await expect(page.locator('.written')).toContainText('Resting voltage');
  await app.start();
});

test('tips and clamp are dragged, put back by a press, and what cannot be done says why', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/practice/pack-of-three`);
  await expect(display(page)).toBeVisible();
  const middle = async (what: Locator): Promise<{ readonly x: number; readonly y: number }> => {
    const { x, y, width, height } = (await what.boundingBox())!;
    return { x: x + width / 2, y: y + height / 2 };
  };
  const drag = async (what: Locator, to: Locator): Promise<void> => {
    const [from, end] = [await middle(what), await middle(to)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(end.x - 10, end.y - 10, { steps: 6 });
    await page.mouse.move(end.x, end.y, { steps: 3 });
    await page.mouse.up();
  };
  const spot = (name: string): Locator => page.getByRole('button', { name }).locator('.spot');
  await drag(page.locator('.tip.red'), spot('Red on battery + post'));
  await drag(page.locator('.tip.black'), spot('Black on battery − post'));
  await expect(display(page)).toHaveText(/^1[23]\.\d\d V$/);
  // one battery by itself, which starts nothing
  await choose(page, 'Battery 2');
  await write(page);
  await expect(page.locator('.written')).toContainText('Resting voltage, battery 2');
  await choose(page, 'Start');
  await expect(page.getByText('This battery is isolated: connect the pack first.')).toBeVisible();
  // a press on its own point takes a lead off
  await page.getByRole('button', { name: 'Black on battery − post' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Put the leads on two points.')).toBeVisible();
  await page.keyboard.press('c');
  await drag(page.locator('ellipse.clamp'), spot('Clamp round alternator output wire'));
  await expect(page.getByText('A in the clamp')).toBeVisible();
  expect(faults).toEqual([]);
});
