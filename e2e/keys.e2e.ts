/** A bad ground from the empty floor to the decision, by keys alone, counted. */
import type { Page } from '@playwright/test';
import { expect, test, toEmptyShop } from './application';

/** Most keys from the floor to the decision. */
const MAX_KEYS = 50;

/** What the meter shows, and what is seen, at a vehicle whose engine ground is bad. */
const FOUND: Readonly<Record<string, string>> = {
  'Resting voltage': '12.6',
  'Cranking voltage': '11.4',
  'Starter draw': '88',
  'Cranking speed': '105',
  Conductance: '575',
  'Drop, positive post to clamp': '15m',
  'Drop, negative post to clamp': '15m',
  'Drop, battery + to starter motor': '.2',
  'Drop, starter case to battery −': '2.9',
  'Drop, engine block to battery −': '2.8',
  'Drop, body to battery −': '20m',
  'Starter control voltage': '10.4',
  Terminals: 'clean',
  'Turn it by hand': 'turns',
  'Ground strap': 'damaged',
  'Battery case': 'sound',
};

test('a bad ground is found by keys alone, and by few of them', async ({ page, app }) => {
  await toEmptyShop(page, app);
  let keys = 0;
  const press = async (key: string): Promise<void> => {
    keys += 1;
    await page.keyboard.press(key);
  };
  const type = async (text: string): Promise<void> => {
    keys += text.length;
    await page.keyboard.type(text);
  };
  const began = Date.now();
  await press('Alt+n');
  await expect(page.getByRole('dialog').getByLabel('Vehicle')).toBeFocused();
  await type('Van');
  await press('Tab');
  await press('Tab');
  await expect(page.getByLabel('Cranks slowly')).toBeFocused();
  await press('1');
  await expect(page.getByLabel('Cranks slowly')).toBeChecked();
  await press('Tab');
  await type('560');
  await press('Enter');
  await expect(page.getByRole('heading', { name: 'Van' })).toBeVisible();
  const steps: string[] = [];
  while (!/Repair the connection/.test(await words(page))) {
    expect(steps.length, steps.join(', ')).toBeLessThan(15);
    const title = await titleOf(page);
    const found = FOUND[title];
    expect(found, `an answer for “${title}”`).toBeDefined();
    steps.push(title);
    if (await page.locator('.centre .findings').isVisible()) {
      const findings = await page.locator('.centre .findings .words').allInnerTexts();
      await press(String(findings.findIndex((one) => one.trim().toLowerCase() === found) + 1));
    } else {
      await expect(page.locator('#reading')).toBeFocused();
      await type(found!);
      await press('Enter');
    }
    await expect.poll(async () => (await titleOf(page)) !== title || /Repair/.test(await words(page))).toBe(true);
  }
  test.info().annotations.push({
    type: 'keys',
    description: `${keys} keys, ${steps.length} steps, ${((Date.now() - began) / 1000).toFixed(1)} s of the machine`,
  });
  expect(keys).toBeLessThanOrEqual(MAX_KEYS);
});

const words = (page: Page): Promise<string> => page.locator('tt-verdicts .words').innerText();
const titleOf = async (page: Page): Promise<string> =>
  (await page.locator('.centre .title').innerText()).replace(/:.*/, '').trim();

test('Enter saves the moment the last figure is typed; in an empty entry it goes on, and nothing is stored', async ({
  page,
  app,
}) => {
  await toEmptyShop(page, app);
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Vehicle').fill('Quick hand');
  await page.getByRole('button', { name: 'Open the job' }).click();
  const entry = page.getByRole('textbox', { name: 'Resting voltage', exact: true });
  await expect(entry).toBeFocused();
  // both in one turn of the page, before it can draw anything between them
  await entry.evaluate((box: HTMLInputElement) => {
    box.value = '12.61';
    box.dispatchEvent(new Event('input'));
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
  });
  await expect(page.getByRole('button', { name: /Resting voltage 12.61 V/ })).toBeVisible();

  await page.getByRole('button', { name: /^Ripple/ }).click();
  await expect(page.getByRole('textbox', { name: 'Ripple', exact: true })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Ripple', exact: true })).toBeHidden();
  await expect(page.getByText('Saving …')).toBeHidden();
  await expect(page.getByRole('button', { name: /^Ripple \d/ })).toHaveCount(0);
});

test('something is shown before the application is there, and what is typed meanwhile is in the entry', async ({
  page,
  app,
}) => {
  await page.route(/main-.*\.js$/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500)); // a slow network
    await route.continue();
  });
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000016`, { waitUntil: 'commit' });
  await expect(page.locator('header.first')).toContainText('Tetrad');
  await page.keyboard.type('12.61', { delay: 10 });
  await expect(page.locator('#reading')).toHaveValue('12.61');
});
