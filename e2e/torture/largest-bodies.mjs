/**
 * The largest bodies that routes take, and the most that is put together from small ones: how long each holds the
 * server's event loop, as the server itself measures it.
 */
import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import { openJob } from './kills.mjs';

const SYSTEM = { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } };
const VALUES = {
  'resting-voltage': 12.6,
  'cranking-voltage': 10.2,
  'starter-draw': 150,
  'charging-voltage': 14.2,
  'ripple-ac': 0.04,
  'drop-starter-ground': 0.1,
};

/** Readings as a visit has them, as many as are wanted. */
const readings = (count, id = (i) => `r${i}`) =>
  Array.from({ length: count }, (_, i) => {
    const [test, value] = Object.entries(VALUES)[i % Object.keys(VALUES).length];
    return { id: id(i), test, value: value + (i % 7) / 1000 };
  });
const caseOf = (more) => ({ format: 'tetrad-case/1', system: SYSTEM, readings: [], ...more });
const fields = (count) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`f${i}`, 1]));
/** Objects of many fields, in one another's lists: the most values in the fewest bytes. */
const dense = (bytes) => ({ unknown: Array.from({ length: Math.floor(bytes / 1200) }, () => fields(150)) });
const MARKS = '\u0301\u0323';

/** Bodies that fit, and bodies that do not, each close to what its route takes. */
function bodies(job, fullJob) {
  const sessionText = (text) => ({ shop: 'yard', name: text, password: 'x' });
  return [
    ['sign in, combining marks', '/api/session', JSON.stringify(sessionText(`a${MARKS.repeat(1900)}`))],
    ['sign in, unpacked', '/api/session', gzipSync(JSON.stringify(sessionText(`a${MARKS.repeat(450_000)}`))), 'gzip'],
    ['sign in, unknown fields', '/api/session', JSON.stringify(fields(700))],
    ['case, 300 readings', '/cases', JSON.stringify(caseOf({ readings: readings(300) }))],
    ['case, 2000 readings', '/cases', JSON.stringify(caseOf({ readings: readings(2000) }))],
    ['case, as many readings as fit', '/cases', JSON.stringify(caseOf({ readings: readings(3900) }))],
    ['case, readings that do not fit', '/cases', JSON.stringify(caseOf({ readings: readings(3900, () => 5) }))],
    ['case, unknown values', '/cases', JSON.stringify(caseOf(dense(600_000)))],
    ['case, unknown fields', '/cases', JSON.stringify(caseOf(fields(50_000)))],
    ['case, long note', '/cases', JSON.stringify(caseOf({ other: `ä${'é'.repeat(55_000)}` }))],
    ['case, marks', '/cases', JSON.stringify(caseOf({ other: `a${(MARKS.repeat(15) + 'a').repeat(1900)}` }))],
    [
      'job, unknown values',
      '/jobs',
      JSON.stringify({
        id: randomUUID(),
        vehicle: { id: randomUUID(), name: 'x' },
        system: { ...SYSTEM, ...dense(30_000) },
      }),
    ],
    [
      'job, unknown text',
      '/jobs',
      JSON.stringify({
        id: randomUUID(),
        vehicle: { id: randomUUID(), name: 'x' },
        system: { ...SYSTEM, x: 'y'.repeat(120_000) },
      }),
    ],
    [
      'reading, the last of 2000',
      `/jobs/${fullJob}/readings`,
      JSON.stringify({ reading: readings(1, () => randomUUID())[0] }),
    ],
    [
      'observation, beside 2000 readings',
      `/jobs/${fullJob}/observations`,
      JSON.stringify({ id: randomUUID(), observation: { about: 'terminals', finding: 'clean' } }),
    ],
    [
      'reading, unknown values',
      `/jobs/${job}/readings`,
      JSON.stringify({ reading: { id: randomUUID(), test: 'resting-voltage', value: 12.6, ...dense(30_000) } }),
    ],
    ['findings, values that do not fit', `/captures/${randomUUID()}/found`, JSON.stringify({ found: dense(130_000) })],
    ['broken JSON', '/cases', `${JSON.stringify(caseOf(dense(600_000)))}}`],
    ['deep lists', '/cases', '['.repeat(600_000)],
  ];
}

/** Every other address that takes a body, with the most values and the longest text that the usual bound lets through. */
function usual(job) {
  const id = randomUUID();
  const addresses = [
    ['POST', '/api/session/demo'],
    ['POST', '/api/session/change-over'],
    ['POST', '/api/session/phone'],
    ['PUT', '/api/session/secrets'],
    ['PATCH', `/jobs/${job}`],
    ['PATCH', `/people/${id}`],
    ['PUT', `/instruments/${id}`],
    ...[
      '/people',
      `/people/${id}/end-sessions`,
      `/people/${id}/one-time-password`,
      `/instruments/${id}/checks`,
      `/captures/${id}/found`,
      ...['readings', 'observations', 'timers', 'acknowledgements', 'sign-offs', 'captures', 'pairings'].map(
        (name) => `/jobs/${job}/${name}`,
      ),
      `/jobs/${job}/readings/r1/void`,
      `/jobs/${job}/observations/${id}/take-back`,
      `/jobs/${job}/timers/${id}/stop`,
      `/jobs/${job}/acknowledgements/acid/take-back`,
    ].map((path) => ['POST', path]),
  ];
  const many = JSON.stringify({ ...fields(90), reading: dense(30_000), system: dense(30_000), list: dense(20_000) });
  const long = JSON.stringify({ ...fields(90), name: 'y'.repeat(120_000), reason: 'é'.repeat(3000) });
  return addresses.flatMap(([method, path]) => [
    [`${method} ${path.replace(id, 'ID').replace(job, 'JOB')}, many values`, path, many, undefined, method],
    [`${method} ${path.replace(id, 'ID').replace(job, 'JOB')}, long text`, path, long, undefined, method],
  ]);
}

/** The longest that the event loop was held since it was asked for the last time, ms. */
export async function heldMs(app) {
  const figures = await (await fetch(`${app.url}/metrics`)).text();
  return 1000 * Number(/^nodejs_eventloop_lag_max_seconds (\S+)/m.exec(figures)[1]);
}

/**
 * @param {number} turns How often each is sent; of several the quickest counts, since the machine has other work too.
 * @returns {Promise<{ worst: { name: string, ms: number }, rows: { name: string, ms: number, status: number }[] }>}
 */
export async function largestBodies(app, turns) {
  const job = await openJob(app);
  const full = await app.ask('POST', '/cases', caseOf({ readings: readings(1990) }));
  const { id: fullJob } = await full.json();
  const rows = [];
  for (const [name, path, body, encoding, method = 'POST'] of [...bodies(job, fullJob), ...usual(job)]) {
    let [status, ms] = [0, Infinity];
    for (let turn = 0; turn < turns; turn++) {
      await new Promise((resolve) => setTimeout(resolve, 20));
      await heldMs(app);
      const answer = await fetch(app.url + (path.startsWith('/api') ? path : `/api/shops/yard${path}`), {
        method,
        headers: {
          'content-type': 'application/json',
          ...(path !== '/api/session' && { cookie: app.cookie }),
          ...(encoding && { 'content-encoding': encoding }),
        },
        body,
      });
      await answer.arrayBuffer();
      status = answer.status;
      ms = Math.min(ms, await heldMs(app));
    }
    rows.push({ name, status, ms });
  }
  if (process.env.TETRAD_TORTURE_ROWS) console.table(rows);
  return { rows, worst: rows.reduce((a, b) => (b.ms > a.ms ? b : a)) };
}
