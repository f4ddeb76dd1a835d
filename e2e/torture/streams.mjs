/** Many devices look at one floor while one job changes every second: all are told soon. */
import { request } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import { randomUUID } from 'node:crypto';
import { SHOP } from './application.mjs';
import { openJob } from './kills.mjs';

/** @returns {Promise<{ streams: number, told: number, slowestMs: number }>} */
export async function streams(app, count, writes) {
  const job = await openJob(app);
  const seen = [];
  const open = await Promise.all(
    Array.from(
      { length: count },
      (_, at) =>
        new Promise((resolve, reject) => {
          seen[at] = 0;
          const asked = request(`${app.url}/api/shops/${SHOP}/live`, { headers: { cookie: app.cookie } }, (answer) => {
            answer.on('data', (data) => (seen[at] += data.toString().split('event: floor').length - 1));
            answer.on('error', () => undefined);
            resolve(asked);
          });
          asked.on('error', reject);
          asked.end();
        }),
    ),
  );
  await wait(500);
  let slowestMs = 0;
  let told = 0;
  for (let write = 1; write <= writes; write++) {
    const begun = performance.now();
    const before = [...seen];
    await (await app.ask('POST', `/jobs/${job}/timers`, { id: randomUUID(), kind: 'cool-down' })).arrayBuffer();
    while (seen.some((n, at) => n === before[at]) && performance.now() - begun < 10_000) await wait(5);
    told += seen.filter((n, at) => n > before[at]).length;
    slowestMs = Math.max(slowestMs, performance.now() - begun);
    await wait(Math.max(0, 1000 - (performance.now() - begun)));
  }
  for (const stream of open) stream.destroy();
  return { streams: count, told: told / writes, slowestMs };
}
