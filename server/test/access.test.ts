/** Who may see and change which jobs and vehicles: one rule for lists, single rows, streams and what is brought in. */
import { randomUUID } from 'node:crypto';
import type { JobView, Role, VehicleView } from '@tetrad/contracts';
import { addMember, jobBody, pageOf, pagesOf, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const SHOP = '/api/shops/one';
async function member(role: Role) {
  const name = `${role} ${randomUUID().slice(0, 8)}`;
  const id = await addMember(app.pool, 'one', name, role);
  return { id, name, cookie: await app.signIn('one', name) };
}
/** A job that an administrator opens for somebody else. */
async function othersJob(more: object = {}) {
  const body = { ...jobBody(), assignee: 'Somebody else', ...more };
  await app.ask('POST', `${SHOP}/jobs`, body);
  return body;
}
const signOff = (more: object = {}) => ({
  id: randomUUID(),
  action: 'none-found',
  reason: 'Looked at.',
  conclusion: 'Done.',
  partsFitted: [],
  ...more,
});

describe('a job of somebody else', () => {
  it('is not told to who opens one under its id', async () => {
    const { cookie } = await member('apprentice');
    const hidden = await othersJob();
    const again = await app.ask('POST', `${SHOP}/jobs`, { ...jobBody(), id: hidden.id }, cookie);
    expect([again.status, again.body.type]).toEqual([409, expect.stringContaining('id-taken')]);
    expect(JSON.stringify(again.body)).not.toContain('Somebody else');
    const own = jobBody();
    expect((await app.ask('POST', `${SHOP}/jobs`, own, cookie)).status).toBe(201);
    expect((await app.ask('POST', `${SHOP}/jobs`, own, cookie)).status).toBe(200);
  });

  it('is told by its stream no longer than it may be seen', async () => {
    const { name, cookie } = await member('apprentice');
    const job = await othersJob({ assignee: name });
    const at = `${SHOP}/jobs/${job.id}`;
    const response = await fetch(`${app.url}${at}/live`, { headers: { cookie } });
    const parts = (response.body as unknown as AsyncIterable<Uint8Array>)[Symbol.asyncIterator]();
    let text = '';
    const read = async (): Promise<boolean> => {
      const { done, value } = await parts.next();
      if (!done) text += Buffer.from(value).toString();
      return !done;
    };
    while (!text.includes('event: job')) if (!(await read())) break; // what it may be told it is told first
    expect(text).toContain('event: job');
    await app.ask('PATCH', at, { version: 1, assignee: 'Somebody else' });
    await app.ask('POST', `${at}/readings`, readingBody('resting-voltage', 11.11));
    while (await read()); // it ends by itself
    expect(text).not.toContain('11.11');
    expect((await app.ask('GET', at, undefined, cookie)).status).toBe(404);
  }, 20_000);
});

describe('vehicles', () => {
  it('are told page by page, and only those of jobs that one may see', async () => {
    const { name, cookie } = await member('apprentice');
    const own = Array.from({ length: 5 }, () => jobBody());
    for (const [at, job] of own.entries())
      await app.ask('POST', `${SHOP}/jobs`, { ...job, vehicle: { ...job.vehicle, name: `Own ${at}` }, assignee: name });
    const hidden = await othersJob();
    const seen = (await pagesOf<VehicleView>(app, `${SHOP}/vehicles?limit=2`)).flat();
    expect(seen.some(({ id }) => id === hidden.vehicle.id)).toBe(true);
    const first = await pageOf<VehicleView>(app, `${SHOP}/vehicles?limit=2`, cookie);
    expect(first.rows).toHaveLength(2);
    expect(first.next).not.toBeNull();
    const all = await pageOf<VehicleView>(app, `${SHOP}/vehicles?limit=500`, cookie);
    expect(all.rows.some(({ id }) => id === hidden.vehicle.id)).toBe(false);
    for (const { vehicle } of own) expect(all.rows.some(({ id }) => id === vehicle.id)).toBe(true);
    const found = await pageOf<VehicleView>(app, `${SHOP}/vehicles?find=own+3`, cookie);
    expect(found.rows.map((vehicle) => vehicle.name)).toEqual(['Own 3']);
  });

  it('of hidden jobs are neither used for a new job nor renamed through one', async () => {
    const { name, cookie } = await member('apprentice');
    const hidden = await othersJob();
    const stolen = await app.ask('POST', `${SHOP}/jobs`, { ...jobBody(), vehicle: hidden.vehicle }, cookie);
    expect([stolen.status, stolen.body.errors[0].field]).toEqual([422, 'vehicle.id']);
    // one that has a job of theirs and a hidden one
    const own = await othersJob({ vehicle: hidden.vehicle, assignee: name });
    const renamed = await app.ask(
      'PATCH',
      `${SHOP}/jobs/${own.id}`,
      { version: 1, vehicle: { name: 'Mine now' } },
      cookie,
    );
    expect(renamed.status).toBe(403);
    expect((await app.ask('GET', `${SHOP}/jobs/${own.id}`)).body).toMatchObject({
      version: 1,
      vehicle: { name: hidden.vehicle.name },
    });
    const alone = await othersJob({ assignee: name });
    const fine = await app.ask('PATCH', `${SHOP}/jobs/${alone.id}`, { version: 1, vehicle: { name: 'Mine' } }, cookie);
    expect([fine.status, fine.body.vehicle.name]).toEqual([200, 'Mine']);
  });
});

describe('the status of a job', () => {
  it('becomes closed by a sign-off alone', async () => {
    const { id } = await othersJob();
    const { status, body } = await app.ask('PATCH', `${SHOP}/jobs/${id}`, { version: 1, status: 'closed' });
    expect([status, body.errors[0].field]).toEqual([422, 'status']);
  });

  it('becomes open again by those who may sign off; of what a lead signed by leads and who signed it', async () => {
    const [apprentice, technician, lead] = [
      await member('apprentice'),
      await member('technician'),
      await member('lead'),
    ];
    const reopen = async (signer: { cookie: string }, opener: { cookie: string }): Promise<number> => {
      const { id } = await othersJob({ assignee: apprentice.name });
      const judged = (await app.ask('GET', `${SHOP}/jobs/${id}`)).body as JobView;
      const { action, part } = judged.judgement!.decision;
      const taken = action === 'test-next' ? signOff() : signOff({ action, part: part ?? undefined });
      const signed = await app.ask('POST', `${SHOP}/jobs/${id}/sign-offs`, taken, signer.cookie);
      if (signed.status !== 201) return signed.status;
      const { version } = signed.body as JobView;
      return (await app.ask('PATCH', `${SHOP}/jobs/${id}`, { version, status: 'open' }, opener.cookie)).status;
    };
    expect(await reopen(lead, apprentice)).toBe(403);
    expect(await reopen(lead, technician)).toBe(403);
    expect(await reopen(lead, lead)).toBe(200);
    expect(await reopen({ cookie: app.cookieFor(SHOP) }, lead)).toBe(200);
  });
});

describe('what is brought in from a file', () => {
  const document = (job: object) => ({
    format: 'tetrad-case/1',
    system: jobBody().system,
    readings: [{ id: 'r1', test: 'resting-voltage', value: 12.6 }],
    job: { vehicle: { name: 'Brought van' }, pass: 'before', openedAt: '2026-03-02T09:00:00Z', ...job },
  });
  const signed = { ...signOff({ partsFitted: ['battery'] }), by: 'Ada', at: '2026-03-02T12:00:00Z' };

  it('is closed or signed off only by those who may sign off', async () => {
    const { cookie } = await member('apprentice');
    for (const job of [
      { status: 'closed' },
      { status: 'closed', signOff: signed },
      { status: 'open', signOff: signed },
    ])
      expect((await app.ask('POST', `${SHOP}/cases`, document(job), cookie)).status).toBe(403);
    expect((await app.ask('POST', `${SHOP}/cases`, document({ status: 'open' }), cookie)).status).toBe(201);
  });

  it('says so, and its sign-off is none of this shop', async () => {
    const { name, cookie } = await member('technician');
    const answer = await app.ask('POST', `${SHOP}/cases`, document({ status: 'closed', signOff: signed }), cookie);
    const job = answer.body as JobView;
    expect(answer.status).toBe(201);
    expect(job.signOff).toBeNull();
    expect(job.imported).toMatchObject({ by: name, at: expect.stringMatching(/^\d{4}-/) });
    expect(job.importedSignOff).toMatchObject({ by: 'Ada', at: '2026-03-02T12:00:00.000Z', imported: { by: name } });
    const visits = await app.ask('GET', `${SHOP}/vehicles/${job.vehicle.id}/visits`, undefined, cookie);
    expect(visits.body[0].signOff).toBeNull();
    // an export carries on what the file said, and it is brought in as such again
    const file = (await app.ask('GET', `${SHOP}/jobs/${job.id}/case`, undefined, cookie)).body;
    expect(file.job.signOff).toMatchObject({ by: 'Ada', partsFitted: ['battery'] });
    const again = (await app.ask('POST', `${SHOP}/cases`, file, cookie)).body as JobView;
    expect([again.signOff, again.importedSignOff?.by]).toEqual([null, 'Ada']);
  });

  it('was not opened in the future', async () => {
    const { body } = await app.ask(
      'POST',
      `${SHOP}/cases`,
      document({ status: 'open', openedAt: '2199-01-01T00:00:00Z' }),
    );
    expect(Date.parse(body.openedAt)).toBeLessThanOrEqual(Date.now() + 1000);
  });
});

it('a phone beside one job is told no captures of other vehicles', async () => {
  const job = await othersJob();
  const { key } = (await app.ask('POST', `${SHOP}/jobs/${job.id}/pairings`, {})).body;
  const response = await fetch(`${app.url}/api/session/phone`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ key }),
  });
  const phone = response.headers.getSetCookie()[0]!.split(';')[0]!;
  expect((await app.ask('GET', `${SHOP}/jobs/${job.id}`, undefined, phone)).status).toBe(200);
  expect((await app.ask('GET', `${SHOP}/jobs/${job.id}/captures-alike`, undefined, phone)).status).toBe(403);
});

it('an observation under an id that is taken by another is refused, and nothing is noted of it', async () => {
  const job = await othersJob();
  const at = `${SHOP}/jobs/${job.id}/observations`;
  const observed = (finding: string) => ({ id: job.id, observation: { about: 'terminals', finding } });
  expect((await app.ask('POST', at, observed('clean'))).status).toBe(201);
  expect((await app.ask('POST', at, observed('clean'))).status).toBe(201);
  expect((await app.ask('POST', at, observed('loose'))).status).toBe(409);
});
