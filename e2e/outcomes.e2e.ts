/** What became of a job is recorded, counted and, where the judge was wrong, shown; the same complaint stands beside the old job. */
import { randomUUID } from 'node:crypto';
import { expect, pick, test } from './application';

const PAST = '7e7ad000-0000-4000-9100-00000000000';

test('an outcome is recorded on its job, a wrong verdict is found with its readings and an anonymous case', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/jobs/${PAST}1`);
  await page.getByRole('button', { name: 'Record the outcome' }).click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByRole('radio', { name: 'still there or back' })
    .or(dialog.getByText('still there or back'))
    .first()
    .click();
  await pick(page, 'At fault after all', 'connections');
  await dialog.getByLabel('Note, for the shop').fill('corroded under the strap');
  await dialog.getByRole('button', { name: 'Record the outcome' }).click();
  await expect(page.getByText('Complaint: still there or back; at fault: connections')).toBeVisible();

  await page.getByRole('link', { name: 'Outcomes' }).click();
  await expect(page.getByRole('img', { name: /^Jobs of each verdict/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^How sure Tetrad was/ })).toBeVisible();
  const wrong = page.getByRole('region', { name: 'Verdicts that turned out wrong' });
  const row = wrong.getByRole('listitem').filter({ hasText: 'corroded under the strap' });
  await row.getByRole('button', { name: 'Readings' }).click();
  await expect(row.getByRole('list', { name: 'Readings' })).toContainText('Load test');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    row.getByRole('link', { name: 'Anonymous case' }).click(),
  ]);
  expect(file.suggestedFilename()).toMatch(/\.json$/);

  const open = page.getByRole('region', { name: 'Not recorded yet' }).getByRole('listitem');
  const before = await open.count();
  await open.first().getByRole('button', { name: 'Record the outcome' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Record the outcome' }).click();
  await expect(open).toHaveCount(before - 1);
  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export CSV' }).first().click(),
  ]);
  expect(csv.suggestedFilename()).toMatch(/^outcomes-.*\.csv$/);
  expect(faults).toEqual([]);
});

test('a vehicle that comes back with its complaint shows what was done then, beside what is read now', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/floor`);
  await page.getByRole('row').nth(1).waitFor();
  const shop = `${app.url}/api/shops/yard`;
  const old = await (await page.request.get(`${shop}/jobs/${PAST}2`)).json();
  const { id, name, plate } = old.vehicle;
  const job = randomUUID();
  const opened = await page.request.post(`${shop}/jobs`, {
    data: { id: job, vehicle: { id, name, plate }, system: old.case.system, complaint: old.case.complaint },
  });
  expect(opened.status()).toBe(201);
  await page.goto(`${app.url}/jobs/${job}`);
  await expect(page.getByText(/^Same complaint \d+ days after the last sign-off$/)).toBeVisible();
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByText('not read').or(page.getByText('open')).first()).toBeVisible();
  await page.getByRole('link', { name: 'Open that job' }).click();
  await expect(page).toHaveURL(new RegExp(`${PAST}2`));
  expect(faults).toEqual([]);
});
