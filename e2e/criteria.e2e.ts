/** A lead copies a set, changes a limit, judges past jobs by it and puts it in force; a job is judged by it then. */
import { expect, pick, takeOver, test } from './application';

test('a set of the shop’s own: copied, changed, past jobs judged again, in force, chosen for a job', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/criteria`);
  await expect(page.getByRole('columnheader', { name: /Careful/ })).toBeVisible();
  await page.getByRole('button', { name: 'Conductance' }).click();
  await expect(page.getByText('Balanced:', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Copy' })).toHaveCount(0); // a technician looks
  await takeOver(page, 'Tomas Aldery', '1470');
  await page.getByRole('link', { name: 'Copy' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill('Winter');
  const share = page.getByRole('region', { name: /^Conductance/ }).getByLabel('Of its rating, at least, %');
  await share.fill('200');
  await expect(page.getByRole('status').filter({ hasText: 'Conductance: Found 200; allowed is' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save version 1' })).toBeDisabled();
  await share.fill('97');
  const rest = page.getByRole('region', { name: /^Resting voltage/ });
  await rest.getByLabel('State of charge at least, %').fill('95');
  await rest.getByRole('button', { name: 'Over temperature' }).click();
  await expect(page.getByRole('img', { name: 'Resting voltage over temperature' })).toBeVisible();
  await page.getByLabel('Charge first under, %').fill('97');
  await page.getByLabel('Why it was changed').fill('Snow service');
  await page.getByRole('button', { name: 'Check' }).click();
  await expect(page.getByText(/have a reading outside its limit/)).toBeVisible();
  await page.getByRole('button', { name: 'Save version 1' }).click();
  await expect(page.getByText('Winter, version 1, is saved. It is not in force yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Judge past jobs again' }).click();
  await expect(page.getByText(/^[1-9]\d* of \d+ decisions would change$/)).toBeVisible();
  const changed = page.getByRole('region', { name: 'Past jobs' }).getByRole('link').first();
  await expect(changed).toHaveAttribute('href', /^\/jobs\//);
  await page.getByRole('button', { name: 'Put version 1 in force' }).click();
  await expect(page.getByText('Version 1 is in force, by Tomas Aldery.')).toBeVisible();

  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000007`);
  await page.locator('.centre .title').waitFor();
  await page.getByRole('button', { name: /12 V flooded/ }).click();
  await pick(page, 'Limit set', /^Winter/);
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect
    .poll(
      async () =>
        (await (await page.request.get(`${app.url}/api/shops/yard/jobs/7e7ad000-0000-4000-9000-000000000007`)).json())
          .judgement.criteria,
    )
    .toEqual({ id: 'winter', version: 1 });
  // a set of the shop's own stands beside those that ship
  await page.goto(`${app.url}/jobs/7e7ad000-0000-4000-9000-000000000007/report`);
  await expect(page.getByRole('columnheader', { name: 'Winter' })).toBeVisible();
  expect(faults).toEqual([]);
});
