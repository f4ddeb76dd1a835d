/** The first page of a large floor: how long it takes to be there whole, and how much it is. */
import { median } from '../../tools/bench/median.mjs';
import { openJob } from './kills.mjs';

const ASKED = 21;
const AT_ONCE = 10;

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
