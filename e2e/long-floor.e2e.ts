/** A floor longer than anybody scrolls: loaded as far as is useful, the rest found by words or on request. */
import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { expect, test } from './application';
import type { Application } from './application';

const JOBS = 1300;
const TOGETHER = 25;

/** Opens so many jobs, the oldest first, by the addresses a device uses. */
async function openJobs(page: Page, app: Application): Promise<void> {
  const { shop } = (await (await page.request.post(`${app.url}/api/session/demo`, { data: {} })).json()) as {
    shop: { id: string };
  };
  for (let first = 0; first < JOBS; first += TOGETHER)
    await Promise.all(
      Array.from({ length: TOGETHER }, async (_, i) => {
        const answer = await page.request.post(`${app.url}/api/shops/${shop.id}/jobs`, {
          data: {
            id: randomUUID(),
            vehicle: { id: randomUUID(), name: `${first === 0 ? 'Oldest' : 'Row'} car ${first + i}` },
            system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
          },
        });
        expect(answer.status()).toBe(201);
      }),
    );
}

test('a floor of more than a thousand jobs is there at once, and whole on request', async ({ page, app }) => {
  test.setTimeout(120_000);
  await openJobs(page, app);
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
