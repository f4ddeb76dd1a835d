/** The guide: opened from a step at its page, searched, read without the network, printed whole. */
import { expect, test, untilOnDevice } from './application';

test.use({ serviceWorkers: 'allow' });

test('a step opens the guide at its page, with its drawing; links change the page and the step stays', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000001`);
  await page.locator('.centre .title').filter({ hasText: 'Load test' }).waitFor();
  await page.keyboard.press('Alt+KeyI');
  const drawer = page.locator('.p-drawer');
  await expect(drawer.getByRole('region', { name: 'Cautions' })).toContainText('Goggles');
  await expect(drawer.getByRole('img', { name: /^red on the battery/ })).toBeVisible();
  await expect(drawer).toContainText('At least, by temperature');
  await drawer.getByRole('button', { name: 'Battery worn' }).click();
  await expect(drawer).toContainText('What must be ruled out first');
  await drawer.getByRole('button', { name: 'Back to Load test' }).click();
  await page.keyboard.press('Escape');
  await expect(drawer).toHaveCount(0);
  await expect(page.locator('.centre .title')).toHaveText('Load test');
  expect(faults).toEqual([]);
});

test('it is searched and read without the network, and printed whole', async ({ page, app, context, faults }) => {
  await page.goto(`${app.url}/floor`);
  await page.getByRole('row').nth(1).waitFor();
  await untilOnDevice(page);
  await page.getByRole('row').nth(1).waitFor();
  await context.setOffline(true);
  await page.getByRole('link', { name: 'Guide', exact: true }).click();
  await page.getByLabel('Search the guide').fill('saturated clamp');
  await page
    .getByRole('navigation', { name: 'Pages of the guide' })
    .getByRole('link', { name: 'Starter draw' })
    .click();
  await expect(page.getByRole('article', { name: 'Starter draw' })).toContainText('current that stays flat');
  await page.getByRole('article').getByRole('link', { name: 'Engine hard to turn' }).click();
  await expect(page).toHaveURL(/\/guide\/engine-drag$/);
  await page.evaluate(() => {
    globalThis.print = () =>
      document.body.setAttribute('data-printed', String(document.querySelectorAll('.page').length));
  });
  await page.getByRole('button', { name: 'Print all' }).click();
  expect(Number(await page.locator('body').getAttribute('data-printed'))).toBeGreaterThan(80);
  await expect(page.locator('.page')).toHaveCount(1);
  await context.setOffline(false);
  expect(faults.filter((fault) => !/INTERNET_DISCONNECTED/.test(fault))).toEqual([]);
});
