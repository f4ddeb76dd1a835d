/** The first page of a large floor, and searches in it: how long they take to be there whole, and how much they are. */
import { median } from '../../tools/bench/median.mjs';
import { openJob } from './kills.mjs';

const ASKED = 21;
const AT_ONCE = 10;

/** What somebody types: a name that many have, plates and names that few or none have, who has the job. */
const SEARCHES = ['van', 'Yard 77', 'YX-1234', 'pickup 8', 'no such vehicle', 'xq', 'Marrow', '5'];

/**
 * The answers to searches, one after another and ten at once, of a floor that is there.
 *
 * @param {number} jobs
 * @returns {Promise<{ p95Ms: number, found: number }>} found: rows of the search that finds most
 */
export async function searches(app, jobs) {
  await app.admin(
    `INSERT INTO vehicle (shop_id, vehicle_id, name, plate)
       SELECT 'yard', gen_random_uuid(), format('%s %s', (ARRAY['Yard van', 'Pickup', 'Sweeper', 'Tipper'])[1 + i % 4], i), format('YX-%s', i)
         FROM generate_series(1, $1::int) i`,
    [jobs],
  );
  await app.admin(
    `INSERT INTO job (shop_id, job_id, vehicle_id, system, assignee, changed_at)
       SELECT 'yard', gen_random_uuid(), vehicle_id, '{"nominalVolts":12,"battery":{"chemistry":"flooded"}}',
              (ARRAY[NULL, 'Ilse Marrow', 'Bo Hannick'])[1 + (random() * 2)::int], now() - random() * interval '90 days'
         FROM vehicle WHERE shop_id = 'yard' AND plate LIKE 'YX-%'`,
  );
  await app.admin('ANALYZE vehicle; ANALYZE job');
  const times = [];
  let found = 0;
  const search = async (words) => {
    const begun = performance.now();
    const answer = await app.ask('GET', `/jobs?status=open&limit=500&find=${encodeURIComponent(words)}`);
    found = Math.max(found, (await answer.json()).length);
    times.push(performance.now() - begun);
  };
  for (let round = 0; round < 6; round++) for (const words of SEARCHES) await search(words);
  times.sort((a, b) => a - b);
  return { found, p95Ms: times[Math.floor(times.length * 0.95)] };
}

/** @returns {Promise<{ rows: number, medianMs: number, bytes: number }>} */
export async function floor(app, jobs) {
  for (let made = 0; made < jobs; made += AT_ONCE)
    await Promise.all(Array.from({ length: AT_ONCE }, () => openJob(app)));
  const times = [];
  let rows = 0;
  let bytes = 0;
  for (let i = 0; i < ASKED; i++) {
    const begun = performance.now();
    const answer = await app.ask('GET', '/jobs?status=open');
    const text = await answer.text();
    times.push(performance.now() - begun);
    rows = JSON.parse(text).length;
    bytes = Buffer.byteLength(text);
  }
  return { rows, bytes, medianMs: median(times) };
}
