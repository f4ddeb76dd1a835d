/** A floor longer than anybody scrolls: loaded as far as is useful, the rest found by words or on request. */
import { expect, test } from './application';
import type { Application } from './served-application';

const JOBS = 1300;

/** Opens so many jobs, the oldest first, past the server: by requests it takes a minute and a half. */
async function openJobs({ database }: Application): Promise<void> {
  await database.run(
    `WITH made AS (
       INSERT INTO vehicle (shop_id, vehicle_id, name)
         SELECT 'yard', gen_random_uuid(), format('%s car %s', CASE WHEN i < 25 THEN 'Oldest' ELSE 'Row' END, i)
           FROM generate_series(0, $1::int - 1) i
       RETURNING vehicle_id, substring(name FROM '\\d+')::int AS i)
     INSERT INTO job (shop_id, job_id, vehicle_id, system, changed_at)
       SELECT 'yard', gen_random_uuid(), vehicle_id, '{"nominalVolts":12,"battery":{"chemistry":"flooded"}}',
              now() - ($1::int - i) * interval '10 ms'
         FROM made`,
    [JOBS],
  );
}

test('a floor of more than a thousand jobs is there at once, and whole on request', async ({ page, app }) => {
  await openJobs(app);
  await page.goto(`${app.url}/floor`);
  await expect(page.getByText('Row car 1299').first()).toBeVisible();
  await expect(page.getByText(/The newest 1,?2\d\d are here/)).toBeVisible();
  await expect(page.getByText('could not be loaded')).toHaveCount(0);

  // one that is not loaded is found by the server
  const filter = page.getByPlaceholder(/^Filter/);
  await filter.fill('oldest car 3');
  await expect(page.getByText('Oldest car 3', { exact: true })).toBeVisible();
  await filter.fill('');

  await page.getByRole('button', { name: 'Load more' }).click();
  await expect(page.getByText(/The newest .* are here/)).toHaveCount(0);
  await expect(page.getByText('could not be loaded')).toHaveCount(0);
  // the end of the list is the oldest of the demo's own
  await page.locator('.p-virtualscroller').evaluate((list) => list.scrollTo(0, list.scrollHeight));
  await expect(page.getByText('Fire tender 7.2 diesel, 24 V')).toBeVisible();
});
