/** The desk beside a job: opened from a step with what the job knows, and its result stands in the step's entry. */
import { expect, test } from './application';

test('amps worked out from a clamp’s millivolts are used in the job', async ({ page, app, faults }) => {
  const job = '7e7ad000-0000-4000-9000-000000000016';
  await page.goto(`${app.url}/jobs/${job}?step=starter-draw`);
  await expect(page.locator('.centre .title')).toHaveText('Starter draw');
  await page.getByRole('region', { name: 'The step at hand' }).getByRole('link', { name: 'Desk' }).click();
  await expect(page).toHaveURL(/\/desk\/clamp-scale\?/);
  const sum = page.getByRole('region', { name: 'Clamp scale' });
  await expect(sum.getByLabel('On the meter')).toBeFocused();
  await sum.getByLabel('On the meter').fill('1650');
  await sum.getByLabel('Scale of the clamp').fill('10');
  await sum.getByRole('button', { name: 'Use in this job' }).click();
  await expect(page.locator('.centre .title')).toHaveText('Starter draw');
  await expect(page.locator('tt-reading-entry input').first()).toHaveValue('165');

  await page.goto(`${app.url}/jobs/${job}?step=load-test`);
  await page.getByRole('region', { name: 'The step at hand' }).getByRole('link', { name: 'Desk' }).click();
  const load = page.getByRole('region', { name: 'Load test' });
  await expect(load.getByLabel('Cold-cranking amps (SAE)')).toHaveValue('480');
  await expect(load.getByRole('button', { name: 'Use in this job' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Back to the job' }).click();
  await expect(page.locator('.centre .title')).toHaveText('Load test');
  expect(faults).toEqual([]);
});
