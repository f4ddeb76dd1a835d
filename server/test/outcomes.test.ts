/** What became of jobs: recorded after a sign-off alone, found in the sums of a period, comebacks, and cases to give away. */
import { randomUUID } from 'node:crypto';
import type { JobView, OutcomesView, VisitView } from '@tetrad/contracts';
import { simulateCase } from '@tetrad/core';
import { addMember, jobBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'technician');
});
afterAll(() => app.close());

const shop = '/api/shops/one';
const outcomes = async (query = '', cookie?: string): Promise<OutcomesView> =>
  (await app.ask('GET', `${shop}/outcomes${query}`, undefined, cookie)).body;
const outcome = (more: object = {}) => ({ id: randomUUID(), complaint: 'gone', ...more });
const record = (job: string, body: object, cookie?: string) =>
  app.ask('POST', `${shop}/jobs/${job}/outcomes`, body, cookie);

/** A job of a worn battery, with everything read. @param vehicle Of another visit. */
async function fullJob(vehicle?: object): Promise<JobView> {
  const { format: _format, title: _title, ...subject } = simulateCase({ faults: ['battery-worn'], seed: 11 });
  const body = { ...jobBody(), system: subject.system, complaint: subject.complaint, conditions: subject.conditions };
  await app.ask('POST', `${shop}/jobs`, vehicle ? { ...body, vehicle } : body);
  for (const { at: _at, by: _by, ...reading } of subject.readings)
    await app.ask('POST', `${shop}/jobs/${body.id}/readings`, { reading });
  for (const observation of subject.observations ?? [])
    await app.ask('POST', `${shop}/jobs/${body.id}/observations`, { id: randomUUID(), observation });
  return (await app.ask('GET', `${shop}/jobs/${body.id}`)).body;
}
const signOff = (job: string, more: object = {}) =>
  app.ask('POST', `${shop}/jobs/${job}/sign-offs`, {
    ...{ id: randomUUID(), action: 'replace', part: 'battery', conclusion: 'New battery.', partsFitted: ['battery'] },
    ...more,
  });

it('an outcome of a job that was never signed off is refused, and nothing is stored of it', async () => {
  const body = jobBody();
  await app.ask('POST', `${shop}/jobs`, body);
  const refused = await record(body.id, outcome());
  expect([refused.status, refused.body.errors]).toEqual([
    422,
    [{ field: 'job', found: 'never signed off', allowed: 'a job that was signed off here' }],
  ]);
  expect((await app.ask('GET', `${shop}/jobs/${body.id}`)).body.outcome).toBeNull();
});

it.each([
  ['complaint', { complaint: 'perhaps' }, 'one of gone, back'],
  ['cause', { cause: 'radio' }, 'nothing'],
  ['note', { note: 'x'.repeat(2001) }, '2000'],
  ['id', { id: '7' }, 'UUID'],
])('a wrong %s is refused by field', async (field, more, allowed) => {
  const answer = await record(randomUUID(), outcome(more));
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
  expect(answer.body.errors[0].allowed).toContain(allowed);
});

it.each([
  ['?from=2026-02-30', 'from'],
  ['?from=yesterday', 'from'],
  ['?from=2026-03-02&to=2026-03-01', 'to'],
  ['?from=1900-01-01&to=2026-03-01', 'to'],
])('a period %s is refused by field', async (query, field) => {
  const answer = await app.ask('GET', `${shop}/outcomes${query}`);
  expect([answer.status, answer.body.errors[0].field]).toEqual([422, field]);
});

describe('a job that is signed off', () => {
  let job: JobView;
  beforeAll(async () => {
    job = await fullJob();
    expect(job.judgement!.decision).toMatchObject({ action: 'replace', part: 'battery' });
    await signOff(job.id);
  });

  it('is counted as not known until somebody records what became of it, and asked for', async () => {
    const { all, open, verdicts } = await outcomes();
    expect(all).toEqual({ jobs: 1, gone: 0, back: 0, unknown: 1 });
    expect(open.map((one) => one.job)).toEqual([job.id]);
    expect(verdicts[0]).toMatchObject({ judged: { action: 'replace', part: 'battery' }, followed: { jobs: 1 } });
    expect(open[0]!.probability).toBeCloseTo(job.judgement!.faults[0]!.probability, 12);
  });

  it('the newest outcome counts, a repeat is stored once, and the visit shows it', async () => {
    const wrong = outcome({ complaint: 'back', cause: 'connections', note: 'corroded under the strap' });
    for (const _twice of [1, 2]) expect((await record(job.id, wrong)).status).toBe(201);
    const { all, wrong: told, wrongCount, open } = await outcomes();
    expect([all.back, wrongCount, open]).toEqual([1, 1, []]);
    expect(told[0]).toMatchObject({ job: job.id, cause: 'connections', note: 'corroded under the strap' });
    await record(job.id, outcome());
    expect((await outcomes()).wrongCount).toBe(0);
    const visits: VisitView[] = (await app.ask('GET', `${shop}/vehicles/${job.vehicle.id}/visits`)).body;
    expect(visits[0]!.outcome).toMatchObject({ complaint: 'gone', by: 'Ada' });
    const { rows } = await app.owner.query('SELECT complaint FROM outcome WHERE job_id = $1 ORDER BY seq', [job.id]);
    expect(rows.map(({ complaint }) => complaint)).toEqual(['back', 'gone']);
  });

  it('coming back with the same complaint makes it a comeback; after that the newer word counts', async () => {
    const { id, name } = job.vehicle;
    const later = await fullJob({ id, name });
    expect((await outcomes()).all).toEqual({ jobs: 1, gone: 0, back: 1, unknown: 0 });
    await record(job.id, outcome({ cause: 'battery' }));
    expect((await outcomes()).all.gone).toBe(1);
    expect(later.case.complaint!.symptoms!.length).toBeGreaterThan(0);
  });

  it('counts on its own day alone, and is not counted while it is open again', async () => {
    const today = new Date().toISOString().slice(0, 10);
    expect((await outcomes(`?from=${today}&to=${today}`)).all.jobs).toBe(1);
    expect((await outcomes('?from=2020-01-01&to=2020-12-31')).all.jobs).toBe(0);
    const { version } = (await app.ask('GET', `${shop}/jobs/${job.id}`)).body;
    await app.ask('PATCH', `${shop}/jobs/${job.id}`, { version, status: 'open' });
    expect((await outcomes()).all.jobs).toBe(0);
    expect((await record(job.id, outcome())).body.errors[0].found).toBe('open again');
  });
});

it('a part that the complaint pointed at and a test found good is saved, with its minutes', async () => {
  const job = await fullJob();
  const { starter } = job.judgement!.parts;
  expect([starter.verdict, job.case.complaint!.symptoms]).toEqual(['keep', expect.arrayContaining(['slow-crank'])]);
  await signOff(job.id);
  const saved = (await outcomes()).saved.find(({ part }) => part === 'starter')!;
  expect([saved.jobs, saved.minutes]).toEqual([1, 360]);
  expect(saved.tests).toContain('starter-draw');
});

it('a case to give away holds no name, and another shop finds none of it', async () => {
  const job = await fullJob();
  const { status, body } = await app.ask('GET', `${shop}/jobs/${job.id}/anonymous-case`);
  expect([status, body.readings.length]).toEqual([200, job.case.readings.length]);
  expect(JSON.stringify(body)).not.toContain(job.vehicle.name);
  expect((await app.ask('GET', `/api/shops/two/jobs/${job.id}/anonymous-case`)).status).toBe(404);
});

it('who sees only their own jobs counts those of nobody else', async () => {
  const job = await fullJob();
  await signOff(job.id);
  await app.owner.query("UPDATE job SET assignee = 'Ada' WHERE job_id = $1", [job.id]);
  const bo = await app.signIn('one', 'Bo');
  await app.owner.query("UPDATE person SET role = 'apprentice' WHERE name = 'Bo'");
  const listed = async (cookie?: string) => (await outcomes('', cookie)).open.some((one) => one.job === job.id);
  expect([await listed(), await listed(bo)]).toEqual([true, false]);
});
