/** The shop's own criteria sets: checked, saved as versions, put in force, and past jobs judged again by them. */
import { randomUUID } from 'node:crypto';
import { BALANCED, CRITERIA_FORMAT } from '@tetrad/core';
import type { CriteriaDocument } from '@tetrad/core';
import type { RejudgeProgress } from '@tetrad/contracts';
import { addMember, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'technician');
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const own = (id: string, more: Partial<CriteriaDocument> = {}): CriteriaDocument => ({
  ...BALANCED,
  format: CRITERIA_FORMAT,
  id,
  version: 1,
  name: 'Own',
  ...more,
});
/** The same set with another conductance limit. */
const withHealth = (id: string, minShare: number, version = 1): CriteriaDocument =>
  own(id, {
    version,
    limits: BALANCED.limits.map((limit) =>
      limit.test === 'conductance' ? { ...limit, rule: { kind: 'rated-share', minShare } } : limit,
    ),
  });
const save = (document: CriteriaDocument, follows = 0, more: object = {}) =>
  app.ask('POST', `${shop}/criteria`, { document, follows, ...more });
const inForce = (id: string, version = 1) => app.ask('POST', `${shop}/criteria/${id}/versions/${version}/in-force`, {});
async function jobWith(test: string, value: number, criteria?: string): Promise<string> {
  const body = jobBody();
  await app.ask('POST', `${shop}/jobs`, body);
  const at = `${shop}/jobs/${body.id}`;
  if (criteria) expect((await app.ask('PATCH', at, { version: 1, criteria })).status).toBe(200);
  await app.ask('POST', `${at}/readings`, readingBody(test, value));
  return body.id;
}
const gradeOf = async (job: string): Promise<string> =>
  (await app.ask('GET', `${shop}/jobs/${job}`)).body.judgement.readings[0].grade;

it('lists the sets that ship, whole, and which new jobs begin with', async () => {
  const { body } = await app.ask('GET', `${shop}/criteria`);
  expect([body.usual, body.sets.map(({ document }: { document: CriteriaDocument }) => document.id)]).toEqual([
    'balanced',
    ['balanced', 'quick-check', 'careful', 'heavy-duty'],
  ]);
});

it('an unknown set is an error at every way in, never another set in silence', async () => {
  const body = jobBody();
  await app.ask('POST', `${shop}/jobs`, body);
  const changed = await app.ask('PATCH', `${shop}/jobs/${body.id}`, { version: 1, criteria: 'strict-one' });
  expect([changed.status, changed.body.errors[0]]).toEqual([
    422,
    { field: 'criteria', found: 'strict-one', allowed: expect.stringContaining('one of balanced, quick-check') },
  ]);
  const document = (await app.ask('GET', `${shop}/jobs/${body.id}/case`)).body;
  const brought = await app.ask('POST', `${shop}/cases`, {
    ...document,
    job: { ...document.job, criteria: 'elsewhere' },
  });
  expect([brought.status, brought.body.errors[0].field]).toEqual([422, 'job.criteria']);
  expect((await app.ask('PUT', `${shop}/criteria/usual`, { id: 'elsewhere' })).body.errors[0].field).toBe('id');
});

it('a version that is in force judges its jobs; a new one changes nothing until it is put in force', async () => {
  expect((await save(withHealth('own', 0.9))).status).toBe(201);
  // not in force yet: no job can have it
  const early = jobBody();
  await app.ask('POST', `${shop}/jobs`, early);
  expect((await app.ask('PATCH', `${shop}/jobs/${early.id}`, { version: 1, criteria: 'own' })).status).toBe(422);
  expect((await inForce('own')).body).toMatchObject({ isInForce: true, inForceBy: 'Ada' });
  const health = 0.82 * 560;
  expect(await gradeOf(await jobWith('conductance', health))).toBe('within');
  const job = await jobWith('conductance', health, 'own');
  expect(await gradeOf(job)).toBe('outside');
  const { body } = await app.ask('GET', `${shop}/jobs/${job}`);
  expect([body.criteriaSet.id, body.criteriaSet.version, body.judgement.criteria]).toEqual([
    'own',
    1,
    { id: 'own', version: 1 },
  ]);
  expect((await save(withHealth('own', 0.5, 2), 1)).status).toBe(201);
  expect(await gradeOf(await jobWith('conductance', health, 'own'))).toBe('outside');
  await inForce('own', 2);
  expect(await gradeOf(await jobWith('conductance', health, 'own'))).toBe('within');
  // what was said before stays, with its version
  const said = (await app.ask('GET', `${shop}/jobs/${job}/judgements`)).body.map(
    ({ criteria }: { criteria: object }) => criteria,
  );
  expect(said).toContainEqual({ id: 'own', version: 1 });
  const acts = (await app.ask('GET', `${shop}/acts`)).body.map(({ what }: { what: string }) => what);
  expect(acts).toEqual(expect.arrayContaining(['criteria-saved', 'criteria-in-force']));
});

it('versions follow one another, are saved once, and are never changed', async () => {
  await save(withHealth('steps', 0.75));
  expect((await save(withHealth('steps', 0.6))).status).toBe(409);
  expect((await save(withHealth('steps', 0.6, 3), 1)).status).toBe(409);
  await expect(
    app.owner.query(`SET ROLE tetrad_app; UPDATE criteria_set SET document = '{}' WHERE set_id = 'steps'`),
  ).rejects.toThrow(/permission denied/);
});

it('new jobs begin with the set that was chosen', async () => {
  expect((await app.ask('PUT', `${shop}/criteria/usual`, { id: 'careful' })).status).toBe(204);
  const body = jobBody();
  expect((await app.ask('POST', `${shop}/jobs`, body)).body.criteria).toBe('careful');
  await app.ask('PUT', `${shop}/criteria/usual`, { id: 'balanced' });
});

it('past jobs are judged again line by line: those whose decision would change are told', async () => {
  const flat = await jobWith('resting-voltage', 12.5);
  // charge first under 90 %: that job is to be charged now
  const strict = own('full', {
    limits: BALANCED.limits.map((limit) =>
      limit.test === 'resting-voltage' ? { ...limit, rule: { kind: 'charge', minShare: 0.95 } } : limit,
    ),
    minimumCharge: 0.95,
  });
  await save(strict);
  const answer = await fetch(`${app.url}${shop}/criteria/full/versions/1/rejudge`, {
    method: 'POST',
    headers: { cookie: app.cookieFor(shop), 'content-type': 'application/json' },
    body: '{}',
  });
  const lines = (await answer.text())
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as RejudgeProgress);
  const last = lines.at(-1)!;
  expect([last.isEnd, last.done]).toEqual([true, last.total]);
  const changed = lines.flatMap(({ verdicts }) => verdicts).find(({ job }) => job === flat)!;
  expect([changed.before.action, changed.after.action, changed.vehicle.name]).toEqual([
    'test-next',
    'charge-first',
    'Test van 1.8 petrol',
  ]);
  expect((await app.ask('POST', `${shop}/criteria/full/versions/9/rejudge`, {})).status).toBe(404);
});

it('a set that condemns nearly everything says so before it is saved, with the share', async () => {
  for (let at = 0; at < 25; at++) {
    const body = {
      ...jobBody(),
      system: {
        nominalVolts: 12,
        battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE', confirmed: true } },
      },
    };
    await app.ask('POST', `${shop}/jobs`, body);
    for (const [test, value] of [
      ['resting-voltage', 12.66],
      ['conductance', 500],
    ] as const)
      await app.ask(
        'POST',
        `${shop}/jobs/${body.id}/readings`,
        readingBody(test, value, test === 'resting-voltage' ? { conditions: { surfaceChargeRemoved: true } } : {}),
      );
  }
  await app.owner.query(
    "DELETE FROM judgement_newest WHERE shop_id = 'one' AND job_id NOT IN (SELECT job_id FROM reading WHERE shop_id = 'one' AND test = 'conductance' AND document->>'value' = '500')",
  );
  const all = withHealth('all', 1.2);
  const checked = (await app.ask('POST', `${shop}/criteria/check`, { document: all })).body;
  expect(checked).toEqual({ faults: [], condemns: { jobs: 25, now: 0, then: 25 } });
  const refused = await save(all);
  expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'isMeant']);
  expect((await save(all, 0, { isMeant: true })).status).toBe(201);
  const usual = (await app.ask('POST', `${shop}/criteria/check`, { document: withHealth('all', 0.7, 2) })).body;
  expect(usual.condemns).toEqual({ jobs: 25, now: 0, then: 0 });
});

it.each([
  [
    'document.limits[0].rule.minShare',
    own('bad', { limits: [{ ...BALANCED.limits[0]!, rule: { kind: 'charge', minShare: 75 } }] }),
  ],
  [
    'document.limits[0].rule.kind',
    own('bad', { limits: [{ ...BALANCED.limits[0]!, rule: { kind: 'guess' } as never }] }),
  ],
  [
    'document.limits[0].rule.max',
    own('bad', {
      limits: [
        { test: 'charging-voltage', rule: { kind: 'band', min: 15, max: 13 }, source: 'own', note: { text: 'x' } },
      ],
    }),
  ],
  ['document.costs.comeback', own('bad', { costs: { ...BALANCED.costs, comeback: -1 } })],
  ['document.id', own('balanced')],
])('bad input is named by its field: %s', async (field, document) => {
  const answer = await save(document);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
});

it('is for leads and administrators alone', async () => {
  const bo = await app.signIn('one', 'Bo');
  expect((await app.ask('POST', `${shop}/criteria`, { document: own('bo'), follows: 0 }, bo)).status).toBe(403);
  expect((await app.ask('POST', `${shop}/criteria/${randomUUID()}/versions/1/in-force`, {}, bo)).status).toBe(403);
});
