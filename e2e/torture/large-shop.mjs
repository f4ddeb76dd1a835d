/**
 * A shop of ten thousand vehicles and fifty thousand jobs, of which every operation of the interface is asked at its widest:
 * how long each takes, and how long it holds the server's event loop.
 */
import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildDescription } from '../../tools/setup/build.mjs';
import { ROOT } from '../../tools/setup/root.mjs';
import { heldMs } from './largest-bodies.mjs';

/** Operations that are not asked, and why. */
const LEFT_OUT = [
  [/^\/api\/session/, 'comes before any shop'],
  [/^\/api\/openapi/, 'is a file'],
  [/\/live$/, 'is a stream that stays open; the torture has its own for them'],
  [/\/(zero|recordings|simulated-vehicle)$/, 'asks an instrument that is read live, of which no list is made'],
];
/** Rows of one import, versions of one set, messages of one webhook, vehicles and jobs of the shop. */
const IMPORTED = 2000;
const VERSIONS = 207;
const MESSAGES = 20_000;
/** What comes line by line is left after so long, ms: its first line and what it holds up are what is asked. */
const LISTENED_MS = 1500;

const KEEP = "current_setting('torture.one')::uuid";

/** Statements that multiply one job of the demo, as the owner of the tables. @param {number} vehicles @param {number} jobs */
const filling = (vehicles, jobs) => [
  `INSERT INTO vehicle (shop_id, vehicle_id, name, plate, group_name, battery_fitted_on)
   SELECT 'yard', gen_random_uuid(), 'Large fleet ' || i, 'LF-' || i, 'Large fleet', date '2021-01-01' + i % 1700
     FROM generate_series(1, ${vehicles}) i`,
  `CREATE TABLE torture_vehicle AS
   SELECT vehicle_id, row_number() OVER (ORDER BY vehicle_id) AS place FROM vehicle WHERE plate LIKE 'LF-%'`,
  `INSERT INTO vehicle_use (shop_id, use_id, vehicle_id, used_on, km, hours)
   SELECT 'yard', gen_random_uuid(), vehicle_id, current_date - 300 * n, 90000 - 9000 * n, 4000 - 400 * n
     FROM torture_vehicle, generate_series(1, 3) n`,
  `CREATE TABLE torture_job AS
   SELECT gen_random_uuid() AS job_id, v.vehicle_id, i, now() - i * interval '30 minutes' AS at
     FROM generate_series(1, ${jobs}) i JOIN torture_vehicle v ON v.place = 1 + i % ${vehicles}`,
  `INSERT INTO job (shop_id, job_id, vehicle_id, status, assignee, system, complaint, conditions, opened_at, changed_at)
   SELECT 'yard', n.job_id, n.vehicle_id, CASE WHEN i % 5 = 0 THEN 'open' ELSE 'closed' END, NULL,
          j.system, j.complaint, j.conditions, at, at
     FROM torture_job n, job j WHERE j.job_id = ${KEEP}`,
  `INSERT INTO reading (shop_id, job_id, reading_id, test, document)
   SELECT 'yard', n.job_id, r.reading_id, r.test, r.document FROM torture_job n, reading r WHERE r.job_id = ${KEEP}`,
  `INSERT INTO judgement_newest SELECT 'yard', n.job_id, seq, criteria_id, criteria_version, core_version, document, profile
     FROM torture_job n, judgement_newest g WHERE g.job_id = ${KEEP}`,
  `INSERT INTO sign_off (shop_id, job_id, sign_off_id, signed_by, action, part, conclusion, judged, signed_at, probability)
   SELECT 'yard', n.job_id, gen_random_uuid(), 'Tomas Aldery', 'replace', 'battery', 'A new battery.',
          (SELECT document::jsonb->'decision' FROM judgement_newest g WHERE g.job_id = ${KEEP}), at, 0.9
     FROM torture_job n WHERE i % 5 > 0`,
  `INSERT INTO outcome (shop_id, job_id, outcome_id, complaint, recorded_by)
   SELECT 'yard', n.job_id, gen_random_uuid(), CASE WHEN i % 7 = 0 THEN 'back' ELSE 'gone' END, 'Tomas Aldery'
     FROM torture_job n WHERE i % 5 > 1`,
  `INSERT INTO criteria_set (shop_id, set_id, version, document, made_by)
   SELECT 'yard', set_id, 1000 + n, jsonb_set(document, '{version}', to_jsonb(1000 + n)), 'Tomas Aldery'
     FROM generate_series(1, ${VERSIONS}) n,
          (SELECT set_id, document FROM criteria_set WHERE shop_id = 'yard' ORDER BY set_id, version DESC LIMIT 1) one`,
  `INSERT INTO maker_figures (shop_id, figures_id, name, source, system, changed_by)
   SELECT 'yard', gen_random_uuid(), 'Engine ' || n, 'handbook', '{"specified":{"starterDrawAmps":{"min":90,"max":180}}}', 'Tomas Aldery'
     FROM generate_series(1, 5000) n`,
  `INSERT INTO webhook_delivery (shop_id, delivery_id, webhook_id, event, body, delivered_at, answer)
   SELECT shop_id, gen_random_uuid(), webhook_id, 'round.due', '{}', now(), '200'
     FROM webhook, generate_series(1, ${MESSAGES}) WHERE shop_id = 'yard'`,
  'DROP TABLE torture_job; DROP TABLE torture_vehicle',
  'ANALYZE',
];

/** @returns {number} the most memory that a process had, MB, as the kernel keeps it */
const peakMegabytes = (pid) => {
  const file = `/proc/${pid}/status`;
  if (!existsSync(file)) return 0;
  return Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(file, 'utf8'))?.[1] ?? 0) / 1024;
};

/** The widest that each parameter of a query allows. */
const widest = (parameters = []) =>
  new URLSearchParams(
    parameters.flatMap(({ in: where, name, schema }) => {
      if (where !== 'query') return [];
      if (schema.maximum !== undefined) return [[name, String(schema.maximum)]];
      if (name === 'from') return [[name, `${new Date().getFullYear() - 9}-01-01`]];
      return [];
    }),
  );

/** Every question of the published document that is not left out, asked of things that are there. */
const questionsOf = (description, ids) =>
  Object.entries(description.paths)
    .filter(([path, methods]) => methods.get && !LEFT_OUT.some(([pattern]) => pattern.test(path)))
    .map(([path, { get }]) => {
      const address = path.replace(/\{(\w+)\}/g, (whole, name) => {
        if (!(name in ids)) throw new Error(`the large shop has nothing for ${whole} of ${path}`);
        return ids[name];
      });
      return [`GET ${path}`, 'GET', `${address}?${widest(get.parameters)}`];
    });

/** One of each write, and those that grow with the shop at their largest. */
async function writesOf(ids) {
  await buildDescription();
  const { everyWrite } = await import(pathToFileURL(join(ROOT, 'dist/torture/every-write.mjs')));
  const at = '/api/shops/yard';
  const named = everyWrite('yard');
  const document = named.find(([name]) => name === 'saveCriteria')[3].document;
  const capture = named.find(([name]) => name === 'announceCapture')[3].id;
  const rows = Array.from({ length: IMPORTED }, (_, i) => ({ name: `Large fleet ${i} again`, plate: `lf ${i + 1}` }));
  const list = randomUUID();
  const system = {
    ...{ nominalVolts: 12, battery: { chemistry: 'flooded' } },
    specified: { starterDrawAmps: { min: 90, max: 180 } },
  };
  const figures = Array.from({ length: 500 }, (_, i) => ({ name: `Listed engine ${i}`, source: 'book', system }));
  const result = {
    ...{
      exercise: 'x',
      title: 'x',
      at: new Date().toISOString(),
      points: 50,
      minutes: 3,
      isRight: true,
      isProven: true,
    },
    ...{ help: 'alone', hints: 0, steps: [], voids: [], safety: [] },
  };
  return [
    ...named.flatMap(([name, method, path, body]) => [
      ...(name === 'storeFound'
        ? [['storePiece', 'PUT', `${at}/captures/${capture}/pieces/0`, new Uint8Array([1, 2, 3, 4])]]
        : []),
      [name, method, path, body],
    ]),
    ['importVehicles, applied false', 'POST', `${at}/vehicle-imports`, { id: list, rows, isApplied: false }],
    ['importVehicles, applied true', 'POST', `${at}/vehicle-imports`, { id: list, rows, isApplied: true }],
    ['undoImport, all of it', 'POST', `${at}/vehicle-imports/${list}/undo`, {}],
    ['importMakerFigures, many', 'POST', `${at}/maker-figure-imports`, { rows: figures }],
    ['planRound, the whole fleet', 'PUT', `${at}/rounds/${ids.plan}`, { group: 'Large fleet', everyDays: 90 }],
    ['moveJobs, all of a vehicle', 'POST', `${at}/vehicles/${ids.vehicle}/moves`, { id: randomUUID(), to: ids.other }],
    ['pairPhone', 'POST', `${at}/jobs/${ids.job}/pairings`, {}],
    ['checkCriteria', 'POST', `${at}/criteria/check`, { document }],
    ['rejudge', 'POST', `${at}/criteria/${document.id}/versions/1/rejudge`, {}],
    ['putPracticeResult', 'PUT', `${at}/practice/results/${randomUUID()}`, { result }],
    // the torture's own session may be the one: the last of all
    ['endSession', 'DELETE', `${at}/people/${ids.person}/sessions/${ids.session}`],
  ];
}

/** Ids of what the questions are asked of: the demo's own things, and a webhook. */
async function thingsOf(app) {
  const list = async (path) => (await app.ask('GET', path)).json();
  const one = (await list('/jobs?status=closed')).sort((a, b) => b.readings - a.readings)[0];
  const recorded = await Promise.all(
    (await list('/jobs?status=open')).map(async ({ id }) => (await list(`/jobs/${id}/captures`))[0]),
  );
  const capture = recorded.find((found) => found !== undefined);
  const people = await Promise.all(
    (await list('/people')).map(async ({ id }) => ({ id, sessions: await list(`/people/${id}/sessions`) })),
  );
  const person = people.find(({ sessions }) => sessions.length > 0);
  const webhook = randomUUID();
  await app.ask('PUT', `/webhooks/${webhook}`, { url: 'https://files.example/', events: ['round.due'] });
  const [judgement] = await list(`/jobs/${one.id}/judgements`);
  return {
    shop: 'yard',
    job: one.id,
    vehicle: one.vehicle.id,
    capture: capture.id,
    person: person.id,
    webhook,
    seq: judgement.seq,
    session: person.sessions[0].id,
  };
}

/**
 * @param {{ vehicles: number, jobs: number }} size
 * @returns {Promise<{ rows: { name: string, status: number, ms: number, heldMs: number, bytes: number, isPaged: boolean }[], peakMegabytes: number }>}
 */
export async function largeShop(app, { vehicles, jobs }) {
  await app.admin("UPDATE person SET role = 'administrator' WHERE shop_id = 'yard'");
  const ids = await thingsOf(app);
  const { fillLimits, plan } = await rounds(app);
  ids.plan = plan;
  await fillLimits();
  await app.admin(
    [`SET torture.one = '${ids.job}'`, "SET session_replication_role = 'replica'", ...filling(vehicles, jobs)].join(
      ';\n',
    ),
  );
  ids.other = (await (await app.ask('GET', '/vehicles?find=Large')).json())[0].id;
  const description = await (await fetch(`${app.url}/api/openapi.json`)).json();
  const rows = [];
  for (const question of [...questionsOf(description, ids), ...(await writesOf(ids))])
    rows.push(await asked(app, ...question));
  return { rows, peakMegabytes: peakMegabytes(app.serverPid()) };
}

/** Rounds of the whole fleet, and a set of the shop's own. */
async function rounds(app) {
  const plan = randomUUID();
  for (const [id, more] of [
    [plan, { everyDays: 180 }],
    [randomUUID(), { everyKm: 10_000, everyHours: 400, beforeWinter: '10-15' }],
  ])
    await app.ask('PUT', `/rounds/${id}`, { group: 'Large fleet', ...more });
  const fillLimits = async () => {
    const { sets } = await (await app.ask('GET', '/criteria')).json();
    if (sets.some(({ isShipped }) => !isShipped)) return;
    const document = { ...sets[0].document, id: 'large', name: 'Large', version: 1 };
    await app.ask('POST', '/criteria', { document, follows: 0, isMeant: true });
  };
  return { plan, fillLimits };
}

/** Turns of what changes nothing; the quickest counts, since the machine has other work too. */
const TURNS = 3;

async function asked(app, name, method, address, body) {
  const changesNothing = method === 'GET' || body?.isApplied === false || /\/check$/.test(address);
  let best = null;
  for (let turn = 0; turn < (changesNothing ? TURNS : 1); turn++) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    await heldMs(app);
    const begun = performance.now();
    const isPiece = body instanceof Uint8Array;
    const answer = await fetch(app.url + address, {
      method,
      headers: { cookie: app.cookie, 'content-type': isPiece ? 'application/octet-stream' : 'application/json' },
      ...(body && { body: isPiece ? body : JSON.stringify(body) }),
    });
    const { bytes, ms } = await read(answer, begun);
    const held = await heldMs(app);
    best = {
      name,
      status: answer.status,
      ms: Math.min(best?.ms ?? Infinity, ms),
      heldMs: Math.min(best?.heldMs ?? Infinity, held),
      bytes,
      isPaged: answer.headers.has('link') || isByLine(answer),
    };
  }
  return best;
}

const isByLine = (answer) => /ndjson/.test(answer.headers.get('content-type') ?? '');

/** An answer whole; of one that comes line by line its first seconds. */
async function read(answer, begun) {
  if (!isByLine(answer)) return { bytes: (await answer.arrayBuffer()).byteLength, ms: performance.now() - begun };
  const reader = answer.body.getReader();
  const { value } = await reader.read();
  const ms = performance.now() - begun;
  await new Promise((resolve) => setTimeout(resolve, LISTENED_MS));
  await reader.cancel();
  return { bytes: value?.byteLength ?? 0, ms };
}
