/**
 * Every statement of the application keeps to one shop by what it says itself, without row-level security: that is what
 * lets the tables be distributed by shop. The planner tells it: no row of a shop's table is looked at but by its shop.
 */
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

const statements = new Set<string>();
const query = pg.Client.prototype.query as (...given: unknown[]) => unknown;
let app: Application;
beforeAll(async () => {
  jest.spyOn(pg.Client.prototype, 'query').mockImplementation(function (this: pg.Client, ...given: unknown[]) {
    const text = typeof given[0] === 'string' ? given[0] : (given[0] as { text?: string } | null)?.text;
    if (text) statements.add(text);
    return query.apply(this, given);
  } as never);
  app = await startApplication();
  statements.clear(); // migrations look at every shop
  await work();
}, 30_000);
afterAll(async () => {
  jest.restoreAllMocks();
  await app.close();
});

const PRACTICED = {
  ...{ exercise: 'belt', title: 'It squeals', at: '2026-11-29T10:00:00.000Z', points: 80, minutes: 20, hints: 0 },
  ...{ isRight: true, isProven: true, help: 'alone', steps: ['belt'], voids: [], safety: [] },
};
/** A day's work over every kind of address. */
async function work(): Promise<void> {
  const body = jobBody();
  const shop = '/api/shops/one';
  const job = `${shop}/jobs/${body.id}`;
  const reading = readingBody('resting-voltage', 12.6);
  const [observation, timer, capture, instrument, person] = Array.from({ length: 5 }, () => randomUUID());
  const engine = { cylinders: 4, fuel: 'petrol', displacementLitres: 1.8 };
  const signOff = { id: randomUUID(), action: 'none-found', part: null, conclusion: 'as-judged', partsFitted: [] };
  const steps: [string, string, object?][] = [
    ['POST', `${shop}/jobs`, { ...body, system: { ...body.system, engine } }],
    ['PATCH', job, { version: 1, vehicle: { plate: 'X 1' } }],
    ['POST', `${job}/readings`, reading],
    ['POST', `${job}/readings/${reading.reading.id}/void`, { reason: 'slip' }],
    ['POST', `${job}/observations`, { id: observation, observation: { about: 'belt', finding: 'good' } }],
    ['POST', `${job}/observations/${observation}/take-back`, {}],
    ['POST', `${job}/timers`, { id: timer, kind: 'cool-down' }],
    ['POST', `${job}/timers/${timer}/stop`, {}],
    ['POST', `${job}/acknowledgements`, { caution: 'acid' }],
    ['POST', `${job}/acknowledgements/acid/take-back`, {}],
    ['POST', `${job}/sign-offs`, signOff],
    ['POST', `${job}/captures`, { id: capture, name: 'start.csv', bytes: 10 }],
    ['GET', `${job}/captures?after=1.${randomUUID()}`],
    ['GET', `${job}/captures-alike`],
    ['GET', `${shop}/captures/${capture}/file`],
    ['POST', `${job}/pairings`, {}],
    ['GET', `${shop}/jobs?find=van&after=1.${randomUUID()}`],
    ['GET', `${shop}/jobs?ids=${body.id}&sort=opened`],
    ['PUT', `${shop}/practice/results/${randomUUID()}`, { result: PRACTICED }],
    ['GET', `${shop}/practice/results`],
    ['GET', `${shop}/vehicles/${body.vehicle.id}`],
    ['GET', `${shop}/vehicles/${body.vehicle.id}/history`],
    ['PATCH', `${shop}/vehicles/${body.vehicle.id}`, { group: 'Vans' }],
    ['POST', `${shop}/vehicles/${body.vehicle.id}/moves`, { id: randomUUID(), to: randomUUID() }],
    ['POST', `${shop}/vehicle-moves/${randomUUID()}/undo`, {}],
    ['PUT', `${shop}/rounds/${instrument}`, { group: 'Vans', everyDays: 60 }],
    ['GET', `${shop}/rounds`],
    ['DELETE', `${shop}/rounds/${instrument}`],
    ['POST', `${shop}/vehicle-imports`, { id: instrument, rows: [{ name: 'A van' }], isApplied: true }],
    ['POST', `${shop}/vehicle-imports/${instrument}/undo`, {}],
    ['GET', `${shop}/practice/class`],
    ['GET', `${shop}/vehicles`],
    ['GET', `${shop}/vehicles/${body.vehicle.id}/visits`],
    ['GET', job],
    ['GET', `${job}/case`],
    ['GET', `${job}/report.pdf`],
    ['GET', `${job}/judgements`],
    ['GET', `${job}/judgements/1`],
    ['PUT', `${shop}/instruments/${instrument}`, { name: 'Meter', kind: 'meter', uncertainty: {} }],
    ['POST', `${shop}/instruments/${instrument}/checks`, { id: randomUUID(), findings: {} }],
    ['GET', `${shop}/instruments`],
    ['POST', `${shop}/people`, { id: person, name: 'Ida', role: 'lead' }],
    ['PATCH', `${shop}/people/${person}`, { role: 'technician', email: 'ida@yard.example' }],
    ['PATCH', `${shop}/people/${person}`, { role: 'administrator' }],
    ['POST', `${shop}/people/${person}/one-time-password`, {}],
    ['POST', `${shop}/people/${person}/end-sessions`, {}],
    ['GET', `${shop}/people/${person}/sessions`],
    ['DELETE', `${shop}/people/${person}/sessions/${randomUUID()}`],
    ['PUT', `${shop}/settings`, { forgetsAtSignOut: false }],
    ['GET', `${shop}/settings`],
    ['GET', `${shop}/instruments/live?read=${randomUUID()}:volts-dc`],
    ['POST', `${shop}/instruments/${instrument}/recordings`, RECORDING],
    ['POST', `${shop}/instruments/${instrument}/zero`, {}],
    ['GET', `${shop}/people`],
    ['GET', `${shop}/acts`],
    ['POST', '/api/session', { shop: 'one', name: 'Ada', password: 'wrong' }],
  ];
  for (const [method, path, given] of steps) {
    const { status } = await app.ask(method, path, given);
    expect([method, path, status < 500]).toEqual([method, path, true]);
  }
}

const RECORDING = { seconds: 5, samplesPerSecond: 1000, triggerAmps: 50, waitSeconds: 5 };

interface Node {
  readonly 'Node Type': string;
  readonly 'Relation Name'?: string;
  readonly Plans?: readonly Node[];
  readonly [figure: string]: unknown;
}
const CONDITIONS = ['Index Cond', 'Recheck Cond', 'Filter', 'Hash Cond', 'Merge Cond', 'Join Filter'];

/** Tables that a plan looks at otherwise than by their shop. */
function strays(node: Node, tables: ReadonlySet<string>): string[] {
  const own = CONDITIONS.map((name) => String(node[name] ?? '')).join(' ');
  const relation = node['Relation Name'];
  const isScan = relation !== undefined && / Scan$/.test(node['Node Type']) && tables.has(relation);
  // a bitmap's index condition stands one node below
  const below = (node.Plans ?? []).map((plan) => String(plan['Index Cond'] ?? '')).join(' ');
  const isBound = /shop_id/.test(own + below);
  return [...(isScan && !isBound ? [relation] : []), ...(node.Plans ?? []).flatMap((plan) => strays(plan, tables))];
}

it('every statement of a day’s work looks at the rows of one shop alone', async () => {
  const texts = [...statements];
  const client = new pg.Client({ connectionString: app.ownerUrl });
  await client.connect();
  try {
    const { rows } = await client.query(
      "SELECT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'shop_id'",
    );
    const tables = new Set<string>(rows.map(({ name }) => name));
    await client.query("SET plan_cache_mode = force_generic_plan; SET enable_seqscan = off; SET tetrad.shop = 'one'");
    let looked = 0;
    const found: [string, string[]][] = [];
    for (const [at, text] of texts.entries()) {
      if (!/^\s*(SELECT|INSERT|UPDATE|DELETE|WITH)\b/i.test(text)) continue;
      const values = Math.max(0, ...[...text.matchAll(/\$(\d+)/g)].map(([, n]) => Number(n)));
      await client.query(`PREPARE s${at} AS ${text}`);
      const given = values > 0 ? `(${Array.from({ length: values }, () => 'NULL').join(', ')})` : '';
      const answer = await client.query(`EXPLAIN (FORMAT JSON) EXECUTE s${at}${given}`);
      const plan = answer.rows[0]['QUERY PLAN'][0].Plan as Node;
      looked++;
      const stray = strays(plan, tables);
      if (stray.length > 0) found.push([text, stray]);
    }
    expect(found).toEqual([]);
    expect(looked).toBeGreaterThan(50);
  } finally {
    await client.end();
  }
});

it('a statement that joins two shops would be seen', async () => {
  const client = new pg.Client({ connectionString: app.ownerUrl });
  await client.connect();
  const { rows } = await client.query(
    'EXPLAIN (FORMAT JSON) SELECT FROM job j JOIN reading r USING (job_id) WHERE j.shop_id = $$one$$',
  );
  await client.end();
  expect(strays(rows[0]['QUERY PLAN'][0].Plan, new Set(['job', 'reading']))).toContain('reading');
});
