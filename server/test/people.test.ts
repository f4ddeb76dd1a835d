/** Who may do what: signing in, changing over, roles, phones, and the doors in front of it all. */
import { randomUUID } from 'node:crypto';
import { PERMISSIONS, ROLES } from '@tetrad/contracts';
import type { Role } from '@tetrad/contracts';
import { DEMO_PEOPLE, DEMO_SHOPS } from '../src/people/demo';
import { addPerson } from '../src/people/people.sql';
import { inShop } from '../src/platform/database/working-shop';
import { PASSWORD, addMember, jobBody, readingBody, startApplication } from './application';
import type { Answer, Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const SHOP = '/api/shops/one';
const signIn = (body: object): Promise<Answer> => app.ask('POST', '/api/session', body, '');
/** A person of shop one who is signed in. */
async function member(role: Role, name = `${role} ${randomUUID().slice(0, 8)}`) {
  const id = await addMember(app.pool, 'one', name, role);
  return { id, name, cookie: await app.signIn('one', name) };
}
async function openJob(more: object = {}): Promise<string> {
  const body = { ...jobBody(), ...more };
  await app.ask('POST', `${SHOP}/jobs`, body);
  return `${SHOP}/jobs/${body.id}`;
}

describe('signing in', () => {
  it('is asked of everybody but for health and clock', async () => {
    for (const path of ['/jobs', '/vehicles', '/people', '/instruments', '/acts', '/live'])
      expect([path, (await app.ask('GET', SHOP + path, undefined, '')).status]).toEqual([path, 401]);
    expect((await app.ask('POST', `${SHOP}/jobs`, jobBody(), '')).status).toBe(401);
    expect((await app.ask('GET', '/api/health', undefined, '')).status).toBe(200);
  });

  it('answers a wrong shop, name and password alike', async () => {
    const answers = [
      await signIn({ shop: 'one', name: 'Ada', password: 'not this' }),
      await signIn({ shop: 'one', name: 'Nobody', password: PASSWORD }),
      await signIn({ shop: 'nowhere', name: 'Ada', password: PASSWORD }),
    ];
    expect(new Set(answers.map(({ status, body }) => `${status} ${body.detail}`)).size).toBe(1);
    expect(answers[0]!.status).toBe(401);
  });

  it('gives a cookie that scripts and other sites cannot have, under an id that was not there before', async () => {
    const response = await fetch(`${app.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: 'tetrad.session=s%3Aone.planted' },
      body: JSON.stringify({ shop: 'one', name: 'ada ', password: PASSWORD }),
    });
    const cookie = response.headers.get('set-cookie')!;
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
    expect(cookie).not.toContain('planted');
  });

  it('is slowed and then refused for an account after too many wrong passwords, the right one too', async () => {
    const { id, name } = await member('technician');
    const key = `password ${id}`;
    await app.owner.query("INSERT INTO attempt (shop_id, key, failures, failed_at) VALUES ('one', $1, 10, now())", [
      key,
    ]);
    const refused = await signIn({ shop: 'one', name, password: PASSWORD });
    expect([refused.status, refused.body.detail]).toEqual([429, expect.stringContaining('15 minutes')]);
    await app.owner.query("UPDATE attempt SET failed_at = now() - interval '16 minutes' WHERE key = $1", [key]);
    expect((await signIn({ shop: 'one', name, password: PASSWORD })).status).toBe(201);
  });

  it('with a one-time password opens nothing but the choice of one’s own', async () => {
    const added = await app.ask('POST', `${SHOP}/people`, { id: randomUUID(), name: 'New one', role: 'technician' });
    expect(added.status).toBe(201);
    const cookie = await app.signIn('one', 'New one', added.body.oneTimePassword);
    expect((await app.ask('GET', `${SHOP}/jobs`, undefined, cookie)).body.type).toContain('password-first');
    const short = await app.ask(
      'PUT',
      '/api/session/secrets',
      { password: added.body.oneTimePassword, newPassword: 'short' },
      cookie,
    );
    expect([short.status, short.body.errors[0].field]).toEqual([422, 'newPassword']);
    await app.ask(
      'PUT',
      '/api/session/secrets',
      { password: added.body.oneTimePassword, newPassword: PASSWORD, pin: '1234' },
      cookie,
    );
    const own = await app.signIn('one', 'New one');
    expect((await app.ask('GET', `${SHOP}/jobs`, undefined, own)).status).toBe(200);
    expect(await app.signIn('one', 'New one', added.body.oneTimePassword)).toBe('');
  });

  it('with a one-time password is over after three days, and a new one opens again', async () => {
    const name = `Late ${randomUUID().slice(0, 8)}`;
    const id = randomUUID();
    const { body: added } = await app.ask('POST', `${SHOP}/people`, { id, name, role: 'technician' });
    const hours = (Date.parse(added.oneTimeUntil) - Date.now()) / 3_600_000;
    expect(hours).toBeGreaterThan(71);
    expect(hours).toBeLessThan(73);
    await app.owner.query("UPDATE person SET password_until = now() - interval '1 second' WHERE person_id = $1", [id]);
    expect(await app.signIn('one', name, added.oneTimePassword)).toBe('');
    const { body: again } = await app.ask('POST', `${SHOP}/people/${id}/one-time-password`, {});
    const cookie = await app.signIn('one', name, again.oneTimePassword);
    const own = { password: again.oneTimePassword, newPassword: PASSWORD };
    const { body: session } = await app.ask('PUT', '/api/session/secrets', own, cookie);
    expect(session.kind).toBe('device');
    // one's own password has no end
    const { body: people } = await app.ask('GET', `${SHOP}/people`);
    expect(people.find((person: { id: string }) => person.id === id).oneTimeUntil).toBeNull();
  });

  it('keeps neither password, PIN nor session id as they are', async () => {
    const { rows } = await app.owner.query("SELECT password_hash FROM person WHERE name = 'Ada'");
    expect(rows[0].password_hash).toMatch(/^\$argon2id\$/);
    const stored = await app.owner.query('SELECT row_to_json(session)::text AS row FROM session');
    const token = decodeURIComponent(app.cookieFor('/')).split('.')[2]!;
    expect(stored.rows.some(({ row }) => row.includes(token))).toBe(false);
  });

  it('ends everywhere by one button, and at once for who has left', async () => {
    const { id, name, cookie } = await member('technician');
    const second = await app.signIn('one', name);
    expect((await app.ask('POST', `${SHOP}/people/${id}/end-sessions`, {}, cookie)).body).toEqual({ ended: 2 });
    expect((await app.ask('GET', '/api/session', undefined, second)).body.kind).toBe('nobody');
    const third = await app.signIn('one', name);
    await app.ask('PATCH', `${SHOP}/people/${id}`, { active: false });
    expect((await app.ask('GET', '/api/session', undefined, third)).body.kind).toBe('nobody');
    expect(await app.signIn('one', name)).toBe('');
  });
});

describe('the sessions of a person', () => {
  it('are listed with where and since when, and ended one by one', async () => {
    const { id, name, cookie } = await member('technician');
    const elsewhere = await app.signIn('one', name);
    const path = `${SHOP}/people/${id}/sessions`;
    const { body: open } = await app.ask('GET', path, undefined, cookie);
    expect(open).toHaveLength(2);
    expect(open.map(({ isThis }: { isThis: boolean }) => isThis).sort()).toEqual([false, true]);
    for (const { kind, begunAt, endsAt, address } of open) {
      expect([kind, address]).toEqual(['device', '127.0.0.1']);
      expect(Date.parse(endsAt) - Date.parse(begunAt)).toBeGreaterThan(11 * 3_600_000);
    }
    const other = open.find(({ isThis }: { isThis: boolean }) => !isThis);
    expect((await app.ask('DELETE', `${path}/${other.id}`, undefined, cookie)).status).toBe(204);
    expect((await app.ask('GET', '/api/session', undefined, elsewhere)).body.kind).toBe('nobody');
    expect((await app.ask('GET', '/api/session', undefined, cookie)).body.kind).toBe('device');
    expect((await app.ask('DELETE', `${path}/${other.id}`, undefined, cookie)).status).toBe(404);
  });

  it('are told to themselves and to those who manage people, and to nobody else', async () => {
    const { id, cookie } = await member('lead');
    const other = await member('lead');
    const path = `${SHOP}/people/${id}/sessions`;
    expect((await app.ask('GET', path, undefined, other.cookie)).status).toBe(403);
    const { body: open } = await app.ask('GET', path); // as the administrator
    expect((await app.ask('DELETE', `${path}/${open[0].id}`, undefined, other.cookie)).status).toBe(403);
    expect((await app.ask('DELETE', `${path}/${open[0].id}`)).status).toBe(204);
    expect((await app.ask('GET', '/api/session', undefined, cookie)).body.kind).toBe('nobody');
  });
});

it('what holds for all devices of the shop is chosen by an administrator, and told with the session', async () => {
  const { cookie } = await member('lead');
  const choice = { forgetsAtSignOut: true };
  expect((await app.ask('PUT', `${SHOP}/settings`, choice, cookie)).status).toBe(403);
  expect((await app.ask('PUT', `${SHOP}/settings`, choice)).body).toMatchObject(choice);
  expect((await app.ask('GET', '/api/session', undefined, cookie)).body.shop).toMatchObject(choice);
  const wrong = await app.ask('PUT', `${SHOP}/settings`, { forgetsAtSignOut: 'yes' });
  expect([wrong.status, wrong.body.errors[0].field]).toEqual([422, 'forgetsAtSignOut']);
  await app.ask('PUT', `${SHOP}/settings`, { forgetsAtSignOut: false });
});

describe('a shared bench', () => {
  it('is taken over by PIN, within the same shift; what follows is by who took over', async () => {
    const { cookie } = await member('technician');
    const other = await member('technician');
    await app.ask('PUT', '/api/session/secrets', { password: PASSWORD, pin: '4711' }, other.cookie);
    const before = (await app.ask('GET', '/api/session', undefined, cookie)).body;
    const response = await fetch(`${app.url}/api/session/change-over`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json' },
      body: JSON.stringify({ person: other.id, pin: '4711' }),
    });
    expect(response.status).toBe(200);
    const now = response.headers.getSetCookie()[0]!.split(';')[0]!;
    const after = (await app.ask('GET', '/api/session', undefined, now)).body;
    expect(after.person.name).toBe(other.name);
    expect(after.endsAt).toBe(before.endsAt);
    expect((await app.ask('GET', '/api/session', undefined, cookie)).body.kind).toBe('nobody'); // rotated
    const job = await openJob();
    const { body } = await app.ask(
      'POST',
      `${job}/readings`,
      readingBody('resting-voltage', 12.6, { by: 'Boss' }),
      now,
    );
    expect(body.case.readings[0].by).toBe(other.name);
  });

  it('lets no PIN be tried more than five times', async () => {
    const { cookie } = await member('technician');
    const { id } = await member('technician');
    const tries = [];
    for (let i = 0; i < 6; i++)
      tries.push((await app.ask('POST', '/api/session/change-over', { person: id, pin: '0000' }, cookie)).status);
    expect(tries).toEqual([403, 403, 403, 403, 403, 429]);
  }, 15_000);
});

describe('roles', () => {
  const signOff = (action: string) => ({
    id: randomUUID(),
    action,
    ...(action === 'replace' && { part: 'battery', reason: 'The case leaks.' }),
    conclusion: 'Done.',
    partsFitted: [],
  });
  it.each(ROLES)('%s may do what the table of permissions says', async (role) => {
    const { cookie } = await member(role);
    const person = { id: randomUUID(), name: `by ${role}`, role: 'apprentice' };
    const job = await openJob();
    const others = await openJob({ assignee: 'Somebody else' });
    const asked = {
      work: await app.ask('POST', `${job}/readings`, readingBody('resting-voltage', 12.6), cookie),
      differ: await app.ask('POST', `${job}/sign-offs`, signOff('replace'), cookie),
      'see-all-jobs': await app.ask('GET', others, undefined, cookie),
      'read-acts': await app.ask('GET', `${SHOP}/acts`, undefined, cookie),
      'manage-people': await app.ask('POST', `${SHOP}/people`, person, cookie),
    };
    for (const [permission, { status }] of Object.entries(asked)) {
      const { roles } = PERMISSIONS[permission as keyof typeof asked] as { roles: readonly Role[] };
      expect([permission, status < 300]).toEqual([permission, roles.includes(role)]);
    }
    const listed = (await app.ask('GET', `${SHOP}/jobs`, undefined, cookie)).body as { assignee: string | null }[];
    expect(listed.some(({ assignee }) => assignee === 'Somebody else')).toBe(role !== 'apprentice');
  });

  it('an apprentice signs nothing off, and is told who may', async () => {
    const { cookie } = await member('apprentice');
    const { status, body } = await app.ask('POST', `${await openJob()}/sign-offs`, signOff('none-found'), cookie);
    expect([status, body.detail]).toEqual([403, expect.stringMatching(/may not sign a job off.*technician, lead/)]);
  });

  it('the last administrator can neither leave nor become something else', async () => {
    const people = (await app.ask('GET', '/api/shops/two/people')).body as { id: string; role: Role }[];
    const last = people.find(({ role }) => role === 'administrator')!;
    for (const change of [{ active: false }, { role: 'lead' }])
      expect((await app.ask('PATCH', `/api/shops/two/people/${last.id}`, change)).status).toBe(422);
  });

  it('a name stands for one person in a shop, however it is written', async () => {
    const { name } = await member('lead');
    const again = await app.ask('POST', `${SHOP}/people`, { id: randomUUID(), name: name.toUpperCase(), role: 'lead' });
    expect([again.status, again.body.errors[0].field]).toEqual([409, 'name']);
  });
});

describe('a phone beside a job', () => {
  it('is let in by a key that is good once, sees that job and nothing beside it', async () => {
    const [job, other] = [await openJob(), await openJob()];
    const { key } = (await app.ask('POST', `${job}/pairings`, {})).body;
    const response = await fetch(`${app.url}/api/session/phone`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ key }),
    });
    const phone = response.headers.getSetCookie()[0]!.split(';')[0]!;
    expect(await response.json()).toMatchObject({ kind: 'phone', job: job.split('/').at(-1), person: { name: 'Ada' } });
    expect((await app.ask('GET', job, undefined, phone)).status).toBe(200);
    expect((await app.ask('POST', `${job}/readings`, readingBody('cranking-voltage', 10.2), phone)).status).toBe(201);
    for (const path of [other, `${SHOP}/jobs`, `${SHOP}/people`, `${SHOP}/vehicles`, `${SHOP}/live`])
      expect([path, (await app.ask('GET', path, undefined, phone)).status]).toEqual([path, 403]);
    expect(
      (await app.ask('POST', '/api/session/change-over', { person: randomUUID(), pin: '0000' }, phone)).status,
    ).toBe(403);
    expect((await app.ask('POST', '/api/session/phone', { key }, '')).status).toBe(403);
  });

  it('is not let in by a key that is too old or no key at all', async () => {
    const { key } = (await app.ask('POST', `${await openJob()}/pairings`, {})).body;
    await app.owner.query("UPDATE pairing SET expires_at = now() - interval '1 second'");
    expect((await app.ask('POST', '/api/session/phone', { key }, '')).body.type).toContain('no-pairing');
    expect((await app.ask('POST', '/api/session/phone', { key: 'one.short' }, '')).status).toBe(422);
  });
});

describe('the doors', () => {
  const ask = (headers: Record<string, string>, method = 'POST') =>
    fetch(`${app.url}/api/session/demo`, {
      method,
      headers: { 'content-type': 'application/json', ...headers },
      ...(method === 'POST' && { body: '{}' }),
    });

  it('are shut to pages of other sites', async () => {
    const others: Record<string, string>[] = [
      { origin: 'http://elsewhere.example' },
      { origin: 'null' },
      { 'sec-fetch-site': 'cross-site' },
    ];
    for (const headers of others)
      expect(await (await ask(headers)).json()).toMatchObject({
        status: 403,
        type: expect.stringContaining('other-site'),
      });
    expect(await (await ask({ origin: app.url })).json()).toMatchObject({ type: expect.stringContaining('no-demo') });
  });

  it('do not open the demo where there is none', async () => {
    expect((await app.ask('GET', '/api/session', undefined, '')).body).toEqual({
      kind: 'nobody',
      isDemo: false,
      singleSignOn: null,
    });
  });

  it('open the demo on this machine alone, unless it was opened to all', async () => {
    const demo = await startApplication(undefined, { demoDoor: 'loopback' });
    try {
      const [first] = DEMO_PEOPLE;
      await demo.owner.query('INSERT INTO shop VALUES ($1, $2)', [DEMO_SHOPS[0]!.id, DEMO_SHOPS[0]!.name]);
      await inShop(DEMO_SHOPS[0]!.id, () => addPerson(demo.pool, { ...first!, passwordHash: null, mustChange: false }));
      expect((await demo.ask('GET', '/api/session', undefined, '')).body).toMatchObject({
        kind: 'nobody',
        isDemo: true,
      });
      expect((await demo.ask('POST', '/api/session/demo', {}, '')).body).toMatchObject({
        person: { name: first!.name },
      });
      const behindProxy = await fetch(`${demo.url}/api/session/demo`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'x-forwarded-for': '192.0.2.7' },
        body: '{}',
      });
      expect(behindProxy.status).toBe(403);
    } finally {
      await demo.close();
    }
  });
});
