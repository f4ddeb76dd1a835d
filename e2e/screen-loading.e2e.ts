/** Parts of the application that cannot be fetched, on a device that has not kept them yet. */
import { expect, test } from './application';

test('a screen that cannot be fetched is told in place of an empty page, and opens when it is asked for again', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/floor`);
  await page.getByRole('link', { name: 'Meals van 1.8 petrol' }).first().waitFor();
  await page.locator('tt-toast-outlet').waitFor({ state: 'attached' });
  await page.route('**/*.js', (route) => route.abort());
  // the bench is fetched while the floor is idle; this screen is not
  await page.getByRole('link', { name: 'Instruments' }).click();
  await expect(page.getByRole('alert')).toContainText('This screen could not be loaded');
  await page.unroute('**/*.js');
  await page.getByRole('button', { name: 'Load it again' }).click();
  await expect(page.getByRole('heading', { name: 'Instruments' })).toBeVisible();
  await expect(page.getByRole('alert')).toBeHidden();
});

test('a screen that is slow to come stands in the place of the last one, never above it', async ({ page, app }) => {
  await page.goto(`${app.url}/floor`);
  const row = page.getByRole('link', { name: 'Meals van 1.8 petrol' }).first();
  await row.waitFor();
  await page.locator('tt-toast-outlet').waitFor({ state: 'attached' });
  let letCome = (): void => undefined;
  const comes = new Promise<void>((resolve) => (letCome = resolve));
  await page.route('**/*.js', async (route) => {
    await comes;
    await route.continue();
  });
  await page.getByRole('link', { name: 'Instruments' }).click();
  await expect(page.getByText('Loading the screen …')).toBeVisible();
  await expect(row).toBeHidden();
  letCome();
  await expect(page.getByRole('heading', { name: 'Instruments' })).toBeVisible();
});

test('a part of a screen that cannot be fetched is told in its place, and is there once the page is loaded again', async ({
  page,
  app,
}) => {
  let isAway = false;
  await page.route('**/*.js', (route) => (isAway ? route.abort() : route.continue()));
  await page.goto(`${app.url}/floor`);
  await page.locator('tt-toast-outlet').waitFor({ state: 'attached' });
  isAway = true;
  await page.getByRole('button', { name: 'Settings' }).click();
  await expect(page.getByRole('alert')).toContainText('The settings could not be loaded: the server does not answer.');
  isAway = false;
  await page.getByRole('button', { name: 'Reload the page' }).click();
  await page.getByRole('link', { name: 'Meals van 1.8 petrol' }).first().waitFor();
  await page.getByRole('button', { name: 'Settings' }).click();
  await expect(page.getByRole('dialog', { name: 'Settings' })).toBeVisible();
  await expect(page.getByRole('alert')).toBeHidden();
});
