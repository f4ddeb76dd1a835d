/** Vehicles over time in the real interface: found, followed, the winter, and two records that become one. */
import { expect, pick, test } from './application';

test('a vehicle is found, its battery followed over the visits, and its winter told', async ({ page, app, faults }) => {
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('searchbox').fill('parks pickup');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('link', { name: /Parks pickup/ }).click();
  await expect(page.getByRole('img', { name: 'Health by conductance over the visits' })).toBeVisible();
  await expect(page.getByText('70 %: nothing can be said yet')).toBeVisible();
  await expect(page.getByText('fitted by Tomas Aldery')).toBeVisible();
  await pick(page, 'What is followed', 'Starter draw');
  await expect(page.getByRole('img', { name: 'Starter draw over the visits' })).toBeVisible();
  const starts = page.getByText(/^Starts (down to|at) /);
  await expect(starts).toBeVisible();
  await page.getByRole('button', { name: 'Half' }).click();
  await expect(starts).toBeVisible();
  await expect(page.getByText(/min a day$/)).toBeVisible();
  expect(faults).toEqual([]);
});

test('two records become one, and two again; a group is given and found', async ({ page, app }) => {
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('link', { name: /Pool car/ }).click();
  await page.getByRole('button', { name: 'Edit' }).click();
  await page.getByLabel('Group').fill('Town hall');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Town hall')).toBeVisible();
  await page.getByRole('button', { name: 'Merge with another record' }).click();
  await page.getByRole('dialog').getByRole('searchbox').fill('warden');
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /Warden car/ })
    .click();
  await expect(page.getByRole('heading', { name: /Warden car/ })).toBeVisible();
  await expect(page.getByText(/jobs? moved to Warden car/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.goto(`${app.url}/vehicles`);
  await page.getByRole('searchbox').fill('town hall');
  await expect(page.getByRole('link', { name: /Pool car/ })).toBeVisible();
});
