/** Devices write without a pause while server, database or connections are killed: nothing is lost, nothing done twice. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';

const WRITERS = 6;
const RETRY_MS = 100;

/**
 * @param {() => unknown} kill what is done to it again and again
 * @param {number} times
 * @returns {Promise<{ acknowledged: number, lost: number, twice: number, longestMs: number }>}
 */
export async function kills(app, kill, times) {
  const jobs = await Promise.all(Array.from({ length: WRITERS }, () => openJob(app)));
  const acknowledged = [];
  let isOver = false;
  let last = performance.now();
  let longestMs = 0;
  const write = async (job) => {
    while (!isOver) {
      const id = randomUUID();
      // as a device does: the same again until it is stored
      for (;;) {
        const body = { reading: { id, test: 'resting-voltage', value: 12.6 } };
        const status = await app
          .ask('POST', `/jobs/${job}/readings`, body, { 'idempotency-key': id })
          .then(async (answer) => {
            await answer.arrayBuffer();
            return answer.status;
          })
          .catch(() => 0);
        if (status === 201) break;
        if (status !== 0 && status < 500 && status !== 429) throw new Error(`a right reading was refused: ${status}`);
        await wait(RETRY_MS);
      }
      acknowledged.push(id);
      longestMs = Math.max(longestMs, performance.now() - last);
      last = performance.now();
    }
  };
  const writers = jobs.map(write);
  for (let i = 0; i < times; i++) {
    await wait(60 + Math.random() * 140);
    // one that is just being started again has nothing to kill yet
    await Promise.resolve()
      .then(kill)
      .catch(() => undefined);
    // until it is back: the next kill meets work again
    const before = acknowledged.length;
    while (acknowledged.length < before + 2 * WRITERS) await wait(20);
  }
  isOver = true;
  await Promise.all(writers);
  const stored = await app.admin(
    'SELECT reading_id AS id, count(*)::int AS n FROM reading WHERE job_id = ANY ($1) GROUP BY 1',
    [jobs],
  );
  const acts = await app.admin(
    `SELECT entry::jsonb #>> '{detail,reading}' AS id, count(*)::int AS n FROM act
      WHERE entry::jsonb->>'what' = 'reading-added' AND entry::jsonb->>'about' = ANY ($1) GROUP BY 1`,
    [jobs],
  );
  const known = new Set(stored.map(({ id }) => id));
  return {
    acknowledged: acknowledged.length,
    lost: acknowledged.filter((id) => !known.has(id)).length,
    twice: [...stored, ...acts].filter(({ n }) => n > 1).length,
    longestMs,
  };
}

export async function openJob(app) {
  const id = randomUUID();
  const body = {
    id,
    vehicle: { id: randomUUID(), name: 'Torture van 1.8 petrol' },
    system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  };
  const answer = await app.ask('POST', '/jobs', body);
  if (answer.status !== 201) throw new Error(`a job could not be opened: ${answer.status}`);
  await answer.arrayBuffer();
  return id;
}
