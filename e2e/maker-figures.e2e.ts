/** The shop's library of makers' figures: brought in as CSV, offered when such a vehicle's job is opened, and judged by. */
import { expect, pick, test } from './application';

test('a table comes in, is offered by the vehicle’s name, and wins over the limit set', async ({
  page,
  app,
  faults,
}) => {
  await page.goto(`${app.url}/criteria`);
  await page.getByRole('link', { name: 'Maker’s figures' }).click();
  const bring = (text: string): Promise<void> =>
    page
      .getByLabel('Import CSV')
      .setInputFiles({ name: 'figures.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await bring('name,fuel,cranking min V\n6.6 diesel,steam,10.4\n');
  await expect(page.getByText('Line 2, fuel: found steam; allowed is petrol, diesel.')).toBeVisible();
  await bring('name,source,cylinders,fuel,cranking min V\n6.6 diesel,"Manual, p. 9",6,diesel,10.4\n');
  const row = page.getByRole('row').filter({ hasText: '6.6 diesel' });
  await expect(row).toContainText('cranking at least 10.40 V');
  await row.getByRole('button', { name: 'Change' }).click();
  await page.getByRole('dialog').getByLabel('Source').fill('Manual, p. 10');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  await expect(row).toContainText('Manual, p. 10');
  await row.getByRole('button', { name: 'Remove' }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row).toHaveCount(1);

  await page.goto(`${app.url}/floor`);
  await page.getByRole('button', { name: 'New job' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Vehicle').fill('Quarry truck 6.6 diesel');
  await expect(dialog.getByText('Maker’s figures of 6.6 diesel')).toContainText('cranking at least 10.40 V');
  await dialog.getByRole('button', { name: 'Use them' }).click();
  await expect(dialog.getByText('Maker’s figures of')).toHaveCount(0);
  await dialog.getByLabel('Battery rating, A').fill('800');
  await pick(page, 'Standard', 'EN');
  await dialog.getByRole('button', { name: 'Open the job' }).click();
  await page.waitForURL(/\/jobs\//);
  const id = new URL(page.url()).pathname.split('/').pop()!;
  await expect.poll(async () => (await page.request.get(`${app.url}/api/shops/yard/jobs/${id}`)).status()).toBe(200);
  const { case: subject } = await (await page.request.get(`${app.url}/api/shops/yard/jobs/${id}`)).json();
  expect(subject.system).toMatchObject({
    battery: { rating: { value: 800, standard: 'EN' } },
    engine: { cylinders: 6, fuel: 'diesel' },
    specified: { crankingVolts: { min: 10.4 } },
  });
  expect(faults).toEqual([]);
});
