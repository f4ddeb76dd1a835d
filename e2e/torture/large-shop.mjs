/**
 * A shop of ten thousand vehicles and fifty thousand jobs, of which every operation of the interface is asked at its widest:
 * how long each takes, and how long it holds the server's event loop.
 */
import { randomUUID } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { heldMs } from './largest-bodies.mjs';

/** Streams stay open; what people do before they are in a shop does not depend on it. */
const LEFT_OUT = /\/live$|^\/api\/(session|openapi)/;
/** Rows of one import, versions of one set, vehicles and jobs of the shop. */
const IMPORTED = 2000;
const VERSIONS = 207;

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

/**
 * @param {{ vehicles: number, jobs: number }} size
 * @returns {Promise<{ rows: { name: string, status: number, ms: number, heldMs: number, bytes: number, isPaged: boolean }[], peakMegabytes: number }>}
 */
export async function largeShop(app, { vehicles, jobs }) {
  const listed = await (await app.ask('GET', '/jobs?status=closed')).json();
  const one = listed.sort((a, b) => b.readings - a.readings)[0];
  const ids = { shop: 'yard', job: one.id, vehicle: one.vehicle.id };
  const { fillLimits, plan } = await rounds(app);
  ids.plan = plan;
  await fillLimits();
  await app.admin(
    [`SET torture.one = '${one.id}'`, "SET session_replication_role = 'replica'", ...filling(vehicles, jobs)].join(
      ';\n',
    ),
  );
  await app.admin("UPDATE person SET role = 'administrator' WHERE shop_id = 'yard'");
  const description = await (await fetch(`${app.url}/api/openapi.json`)).json();
  const rows = [];
  for (const [path, methods] of Object.entries(description.paths)) {
    if (!methods.get || LEFT_OUT.test(path)) continue;
    const address = path.replace(/\{(\w+)\}/g, (_, name) => ids[name] ?? randomUUID());
    const query = widest(methods.get.parameters);
    rows.push(await asked(app, `GET ${path}`, 'GET', `${address}?${query}`));
  }
  const imported = Array.from({ length: IMPORTED }, (_, i) => ({
    name: `Large fleet ${i} again`,
    plate: `lf ${i + 1}`,
  }));
  for (const isApplied of [false, true]) {
    const body = { id: randomUUID(), rows: imported, isApplied };
    rows.push(
      await asked(app, `POST vehicle-imports, applied ${isApplied}`, 'POST', '/api/shops/yard/vehicle-imports', body),
    );
    if (isApplied)
      rows.push(
        await asked(app, 'POST vehicle-imports/ID/undo', 'POST', `/api/shops/yard/vehicle-imports/${body.id}/undo`, {}),
      );
  }
  const merge = { id: randomUUID(), to: (await (await app.ask('GET', '/vehicles?find=Large')).json())[0].id };
  rows.push(await asked(app, 'POST vehicles/ID/moves', 'POST', `/api/shops/yard/vehicles/${ids.vehicle}/moves`, merge));
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

/** Turns of each question that changes nothing; the quickest counts, since the machine has other work too. */
const TURNS = 3;

async function asked(app, name, method, address, body) {
  let best = null;
  for (let turn = 0; turn < (method === 'GET' ? TURNS : 1); turn++) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    await heldMs(app);
    const begun = performance.now();
    const answer = await fetch(app.url + address, {
      method,
      headers: { cookie: app.cookie, 'content-type': 'application/json' },
      ...(body && { body: JSON.stringify(body) }),
    });
    const bytes = (await answer.arrayBuffer()).byteLength;
    const ms = performance.now() - begun;
    const held = await heldMs(app);
    best = {
      name,
      status: answer.status,
      ms: Math.min(best?.ms ?? Infinity, ms),
      heldMs: Math.min(best?.heldMs ?? Infinity, held),
      bytes,
      isPaged: answer.headers.has('link'),
    };
  }
  return best;
}
