/** The page opens without the network: what it needs is on the device after the first visit. */
import { expect, inTheFourNotes, pick, test, untilOnDevice } from './application';

test.use({ serviceWorkers: 'allow' });

test('with the server stopped the bench opens after a reload, takes a reading, and it is stored once when it is back', async ({
  page,
  app,
}) => {
  const job = '7e7ad000-0000-4000-9000-000000000016';
  await inTheFourNotes(page);
  await page.goto(`${app.url}/floor`);
  await page.getByRole('link', { name: 'Meals van 1.8 petrol' }).first().waitFor();
  await page.goto(`${app.url}/jobs/${job}`);
  await expect(page.getByRole('heading', { name: 'Pool car 1.2 petrol' })).toBeVisible();
  await untilOnDevice(page);

  await app.stop();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Pool car 1.2 petrol' })).toBeVisible();
  await expect(page.getByRole('alert').first()).toContainText('The server does not answer');
  await page.locator('#reading').fill('12.58');
  await page.locator('#reading').press('Enter');
  await expect(page.getByText('1 waiting for the server')).toBeVisible();
  // a screen that was never opened, and a dialog, are there too
  await page.keyboard.press('Alt+g');
  await expect(page.getByRole('dialog', { name: 'Sign off' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.goto(`${app.url}/jobs/${job}/report`);
  await expect(page.getByRole('row', { name: /Resting voltage 12.58 V/ })).toBeVisible();
  await page.goto(`${app.url}/floor`);
  await expect(page.getByRole('link', { name: 'Meals van 1.8 petrol' }).first()).toBeVisible();

  await app.start();
  await expect(page.getByText('1 waiting for the server')).toBeHidden({ timeout: 20_000 });
  const stored = await (await page.request.get(`${app.url}/api/shops/yard/jobs/${job}`)).json();
  expect(stored.case.readings.map(({ value }: { value: number }) => value)).toEqual([12.58]);
});

test('without the network a job is opened and a quick check begun; both are sent when it is back', async ({
  page,
  app,
}) => {
  await page.goto(`${app.url}/floor`);
  await page.getByRole('link', { name: 'Meals van 1.8 petrol' }).first().waitFor();
  await untilOnDevice(page);
  await app.stop();
  await page.reload();
  await page.getByRole('button', { name: 'New job' }).first().click();
  await page.getByLabel('Vehicle').fill('Island van 1.8 petrol');
  await pick(page, 'Standard', 'EN');
  await page.getByRole('button', { name: 'Open the job' }).click();
  await expect(page.getByRole('heading', { name: 'Island van 1.8 petrol' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Island van 1.8 petrol' })).toBeVisible();
  await page.goto(`${app.url}/quick`);
  await expect(page.getByText('Quick check.')).toBeVisible();
  await page.goto(`${app.url}/floor`);
  await expect(page.getByText('opened on this device, not stored yet')).toBeVisible();
  await app.start();
  await expect(page.getByText(/waiting for the server|Saving …/)).toBeHidden({ timeout: 20_000 });
  const rows = await (await page.request.get(`${app.url}/api/shops/yard/jobs`)).json();
  expect(
    rows.filter((row: { vehicle: { name: string } }) => row.vehicle.name === 'Island van 1.8 petrol'),
  ).toHaveLength(1);
});
