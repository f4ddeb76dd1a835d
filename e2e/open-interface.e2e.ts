/** An administrator makes a key in the interface; a program opens a job with it and is refused once it is revoked. */
import { expect, takeOver, test } from './application';

test('a key made in the interface opens a job, which stands on the job list; revoked it opens nothing', async ({
  page,
  app,
  request,
  faults,
}) => {
  await page.goto(`${app.url}/open-interface`);
  await expect(page.getByText('Administrators manage keys and webhooks.')).toBeVisible();
  await takeOver(page, 'Edda Quill', '7410');
  await page.getByLabel('Name of the program').fill('Fleet office');
  await page.getByLabel('Good for, days').fill('0');
  await page.getByRole('button', { name: 'Create key' }).click();
  await expect(page.getByText(/a whole number of days, 1 to 730/)).toBeVisible();
  await page.getByLabel('Good for, days').fill('30');
  await page.getByRole('button', { name: 'Create key' }).click();
  const key = await page.locator('.once').first().innerText();
  const headers = { authorization: `Bearer ${key.trim()}` };
  const job = '11111111-2222-4333-8444-555555555555';
  const body = {
    id: job,
    vehicle: { id: '66666666-7777-4888-8999-aaaaaaaaaaaa', name: 'Delivery van 2.0 diesel', plate: 'KX-900' },
    system: { nominalVolts: 12, battery: { chemistry: 'agm' } },
  };
  const opened = await request.post(`${app.url}/api/shops/yard/jobs`, { headers, data: body });
  expect(opened.status()).toBe(201);
  await page.getByRole('button', { name: 'I have noted it' }).click();
  await page.getByRole('button', { name: 'Revoke' }).click();
  await expect(page.getByText('revoked')).toBeVisible();
  const refused = await request.get(`${app.url}/api/shops/yard/jobs/${job}`, { headers });
  expect([refused.status(), (await refused.json()).detail]).toEqual([401, 'The key “Fleet office” was revoked.']);
  await page.goto(`${app.url}/floor`);
  await expect(page.getByRole('link', { name: 'Delivery van 2.0 diesel', exact: true })).toBeVisible();
  expect(faults).toEqual([]);
});
