/** API keys reach what the document says, for as long as they are good. */
import { randomUUID } from 'node:crypto';
import { addMember, jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
  await addMember(app.pool, 'one', 'Bo', 'technician');
});
afterAll(() => app.close());

const shop = '/api/shops/one';

const withKey = (key: string, method: string, path: string, body?: object) =>
  fetch(app.url + path, {
    method,
    headers: { authorization: `Bearer ${key}`, ...(body && { 'content-type': 'application/json' }) },
    ...(body && { body: JSON.stringify(body) }),
  });
async function newKey(role = 'technician'): Promise<{ id: string; key: string }> {
  const id = randomUUID();
  const { body } = await app.ask('POST', `${shop}/api-keys`, { id, name: 'Fleet office', role, days: 30 });
  return { id, key: body.key };
}

describe('a key', () => {
  it('opens a job and reads what was said of it; the audit log names it', async () => {
    const { key } = await newKey();
    const job = jobBody();
    expect((await withKey(key, 'POST', `${shop}/jobs`, job)).status).toBe(201);
    await withKey(key, 'POST', `${shop}/jobs/${job.id}/readings`, readingBody('resting-voltage', 11.2));
    const view = await (await withKey(key, 'GET', `${shop}/jobs/${job.id}`)).json();
    expect([view.case.readings[0].by, view.judgement.decision.action]).toEqual(['key: Fleet office', 'charge-first']);
    const { body: acts } = await app.ask('GET', `${shop}/acts`);
    expect(
      acts.some(
        ({ person, about }: { person: string; about: string }) => person === 'key: Fleet office' && about === job.id,
      ),
    ).toBe(true);
  });
  it('reaches no people, no keys, no sign-off, no session and no other shop', async () => {
    const { key } = await newKey('lead');
    const job = jobBody();
    await withKey(key, 'POST', `${shop}/jobs`, job);
    const tried: [string, string, object?][] = [
      ['GET', `${shop}/people`],
      ['GET', `${shop}/api-keys`],
      ['GET', `${shop}/acts`],
      ['POST', `${shop}/jobs/${job.id}/sign-offs`, {}],
      ['POST', `${shop}/jobs/${job.id}/pairings`, {}],
      ['POST', '/api/session', { shop: 'one', name: 'Ada', password: 'x' }],
      ['GET', `${shop}/live`],
    ];
    for (const [method, path, body] of tried)
      expect([path, (await withKey(key, method, path, body)).status]).toEqual([path, 403]);
    expect((await withKey(key, 'GET', '/api/shops/two/jobs')).status).toBe(404);
  });
  it('has the permissions of its role', async () => {
    const { key } = await newKey('apprentice');
    const answer = await withKey(key, 'GET', `${shop}/rounds`);
    expect([answer.status, (await answer.json()).detail]).toEqual([
      403,
      expect.stringContaining('Fleet office (apprentice)'),
    ]);
  });
  it('that is expired, revoked, unknown or none at all is refused, and says why', async () => {
    const why = async (key: string) => {
      const answer = await withKey(key, 'GET', `${shop}/jobs`);
      return [answer.status, (await answer.json()).detail as string];
    };
    const old = await newKey();
    await app.owner.query("UPDATE api_key SET expires_at = '2026-01-31' WHERE key_id = $1", [old.id]);
    expect(await why(old.key)).toEqual([401, 'The key “Fleet office” expired on 2026-01-31.']);
    const taken = await newKey();
    expect((await app.ask('DELETE', `${shop}/api-keys/${taken.id}`)).status).toBe(204);
    expect(await why(taken.key)).toEqual([401, 'The key “Fleet office” was revoked.']);
    expect((await why(`tetrad.one.${'x'.repeat(43)}`))[0]).toBe(401);
    expect((await why('nonsense'))[1]).toContain('Allowed');
    expect((await app.ask('DELETE', `${shop}/api-keys/${taken.id}`)).status).toBe(404);
  });
  it('is made by an administrator alone, once, and never with an administrator’s role', async () => {
    const body = { id: randomUUID(), name: 'Desk', role: 'technician', days: 30 };
    const bo = await app.signIn('one', 'Bo');
    expect((await app.ask('POST', `${shop}/api-keys`, body, bo)).status).toBe(403);
    const role = await app.ask('POST', `${shop}/api-keys`, { ...body, role: 'administrator' });
    const days = await app.ask('POST', `${shop}/api-keys`, { ...body, days: 0 });
    expect([role, days].map(({ status, body: told }) => [status, told.errors[0].field])).toEqual([
      [422, 'role'],
      [422, 'days'],
    ]);
    const { rows } = await app.owner.query('SELECT count(*)::int AS n FROM api_key WHERE key_id = $1', [body.id]);
    expect(rows[0].n).toBe(0);
  });

  it('never passes for a person: not by its name, and not where it is asked who signed', async () => {
    const taken = await app.ask('POST', `${shop}/api-keys`, { id: randomUUID(), name: 'bo', role: 'lead', days: 3 });
    expect([taken.status, taken.body.errors[0].field]).toEqual([422, 'name']);
    for (const name of ['key: Fleet office', 'Import:Bo']) {
      const key = await app.ask('POST', `${shop}/api-keys`, { id: randomUUID(), name, role: 'lead', days: 3 });
      const person = await app.ask('POST', `${shop}/people`, { id: randomUUID(), name, role: 'lead' });
      expect([key.status, person.status, person.body.errors[0].field]).toEqual([422, 422, 'name']);
    }
    // a key that was there before the person of its name
    const { key } = await newKey('technician');
    await addMember(app.pool, 'one', 'Fleet office', 'lead');
    const cookie = await app.signIn('one', 'Fleet office');
    const job = jobBody();
    await app.ask('POST', `${shop}/jobs`, job);
    const signOff = {
      id: randomUUID(),
      action: 'replace',
      part: 'battery',
      reason: 'x',
      conclusion: 'x',
      partsFitted: [],
    };
    const signed = await app.ask('POST', `${shop}/jobs/${job.id}/sign-offs`, signOff, cookie);
    expect(signed.status).toBe(201);
    const open = { version: signed.body.version, status: 'open' };
    expect((await withKey(key, 'PATCH', `${shop}/jobs/${job.id}`, open)).status).toBe(403);
    const { rows } = await app.owner.query("SELECT entry::jsonb->>'kind' AS kind FROM act ORDER BY seq DESC LIMIT 1");
    expect(rows[0].kind).toBe('person');
  });
});
