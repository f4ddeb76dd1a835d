/** Requests that nobody would send: none is a fault of the server, and its memory stays level. */
import { randomBytes, randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { openJob } from './kills.mjs';

const TOGETHER = 16;
const pick = (list) => list[Math.floor(Math.random() * list.length)];
const ODD = [
  'nul \u0000',
  '\ud83d',
  '',
  'x'.repeat(9000),
  null,
  true,
  -1,
  1e308,
  1e18,
  [],
  {},
  [[[]]],
  { constructor: 1 },
  { __proto__: 1 },
  "'; DROP TABLE job; --",
  '../../etc/passwd',
  '2026-02-30',
  'Infinity',
  randomBytes(40).toString('latin1'),
];
const TESTS = ['resting-voltage', 'load-test', 'specific-gravity', 'diode-forward', 'no-such-test'];

function request(job) {
  const path = pick([
    `/jobs/${job}/readings`,
    `/jobs/${job}/observations`,
    `/jobs/${job}/timers`,
    `/jobs/${job}`,
    '/jobs',
    '/cases',
    `/jobs/${pick(ODD)}`,
    `/captures/${randomUUID()}/found`,
    '/people',
  ]);
  const body = pick([
    () => ({
      reading: {
        id: randomUUID(),
        test: pick(TESTS),
        value: pick(ODD),
        conditions: { [pick(['amps', 'rpm', 'x'])]: pick(ODD) },
      },
    }),
    () => ({ id: randomUUID(), kind: pick(ODD), seconds: pick(ODD) }),
    () => ({ version: pick(ODD), system: { nominalVolts: pick(ODD), battery: pick(ODD) } }),
    () => ({
      format: 'tetrad-case/1',
      system: pick(ODD),
      readings: pick(ODD),
      [String(pick(ODD)).slice(0, 20)]: pick(ODD),
    }),
    () => pick(ODD),
    () => randomBytes(200).toString('base64'),
  ])();
  const headers = pick([
    {},
    {},
    {},
    { 'content-encoding': 'gzip' },
    { 'idempotency-key': 'x' },
    { 'content-type': 'text/plain' },
  ]);
  return [
    pick(['POST', 'PATCH', 'PUT', 'DELETE']),
    encodeURI(path.toWellFormed?.() ?? path),
    JSON.stringify(body) ?? 'null',
    headers,
  ];
}

const residentMegabytes = async (pid) =>
  Number(/VmRSS:\s+(\d+)/.exec(await readFile(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;

/** @returns {Promise<{ requests: number, faults: number, grewMegabytes: number }>} */
export async function malformed(app, requests) {
  const job = await openJob(app);
  let faults = 0;
  let left = requests;
  const send = async () => {
    while (left-- > 0) {
      const answer = await app.ask(...request(job)).catch(() => null);
      if (!answer) continue; // the client itself would not send it
      await answer.arrayBuffer();
      if (answer.status >= 500) faults++;
    }
  };
  const warm = async (count) => {
    const all = left;
    left = count;
    await Promise.all(Array.from({ length: TOGETHER }, send));
    left = all - count;
  };
  await warm(Math.min(2000, Math.floor(requests / 4)));
  const before = await residentMegabytes(app.serverPid());
  await Promise.all(Array.from({ length: TOGETHER }, send));
  return { requests, faults, grewMegabytes: (await residentMegabytes(app.serverPid())) - before };
}
