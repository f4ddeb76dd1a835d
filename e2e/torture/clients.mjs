/** Many clients that read and write without a pause. */
import { randomUUID } from 'node:crypto';
import { openJob } from './kills.mjs';

/** @returns {Promise<{ answers: number, faults: number, slowestMs: number }>} */
export async function clients(app, count, forSeconds) {
  const ends = performance.now() + forSeconds * 1000;
  let answers = 0;
  let faults = 0;
  let slowestMs = 0;
  const ask = async (method, path, body, more) => {
    const begun = performance.now();
    const answer = await app.ask(method, path, body, more);
    await answer.arrayBuffer();
    slowestMs = Math.max(slowestMs, performance.now() - begun);
    answers++;
    if (answer.status >= 500) faults++;
  };
  await Promise.all(
    Array.from({ length: count }, async () => {
      const job = await openJob(app);
      for (let i = 0; performance.now() < ends; i++) {
        const id = randomUUID();
        const reading = { id, test: 'resting-voltage', value: 12 + (i % 90) / 100 };
        if (i < 20) await ask('POST', `/jobs/${job}/readings`, { reading }, { 'idempotency-key': id });
        await ask('GET', '/jobs?limit=30');
        await ask('GET', `/jobs/${job}`);
      }
    }),
  );
  return { answers, faults, slowestMs };
}
