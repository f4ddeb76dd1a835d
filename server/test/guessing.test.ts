/** Guessing a PIN or a password: counted by the account that is meant, before anything is compared, for all at once. */
import { randomUUID } from 'node:crypto';
import type { Role } from '@tetrad/contracts';
import { PASSWORD, addMember, startApplication } from './application';
import type { Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());
beforeEach(() => app.owner.query('DELETE FROM attempt'));

async function member(role: Role, pin: string | null = null) {
  const name = `${role} ${randomUUID().slice(0, 8)}`;
  const id = await addMember(app.pool, 'one', name, role);
  const cookie = await app.signIn('one', name);
  if (pin !== null) await app.ask('PUT', '/api/session/secrets', { password: PASSWORD, pin }, cookie);
  return { id, name, cookie };
}
const takeOver = async (cookie: string, body: object) => {
  const response = await fetch(`${app.url}/api/session/change-over`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return {
    status: response.status,
    body: await response.json(),
    cookie: response.headers.getSetCookie()[0]?.split(';')[0],
  };
};
const statuses = (answers: readonly { status: number }[]): Record<string, number> =>
  answers.reduce<Record<string, number>>((sum, { status }) => ({ ...sum, [status]: (sum[status] ?? 0) + 1 }), {});

describe('a PIN', () => {
  it('is tried five times at most, however many are sent at once', async () => {
    const { cookie } = await member('technician');
    const { id } = await member('technician', '0077');
    const answers = await Promise.all(
      Array.from({ length: 60 }, (_, i) => takeOver(cookie, { person: id, pin: String(i).padStart(4, '0') })),
    );
    expect(statuses(answers)).toEqual({ 403: 5, 429: 55 });
  }, 30_000);

  it('is tried five times at most, however the person’s id is written', async () => {
    const { cookie } = await member('technician');
    const { id } = await member('technician', '4711');
    // every way to write three of its letters large or small
    const letters = [...id.matchAll(/[a-f]/g)].slice(0, 3).map(({ index }) => index);
    const spellings = Array.from({ length: 2 ** letters.length }, (_, mask) =>
      [...id]
        .map((digit, at) => ((mask >> letters.indexOf(at)) & 1 && letters.includes(at) ? digit.toUpperCase() : digit))
        .join(''),
    );
    const answers = [];
    for (const person of spellings) answers.push(await takeOver(cookie, { person, pin: '0000' }));
    expect(new Set(spellings).size).toBe(8);
    expect(statuses(answers)[403]).toBe(5);
    expect(statuses(answers)[429]).toBe(answers.length - 5);
  }, 60_000);

  it('that is right forgets the wrong ones before it, and not those of others', async () => {
    const { cookie } = await member('technician', '1111');
    const other = await member('technician', '2222');
    for (let i = 0; i < 3; i++) await takeOver(cookie, { person: other.id, pin: '0000' });
    expect((await takeOver(cookie, { person: other.id, pin: '2222' })).status).toBe(200);
    const { rows } = await app.owner.query('SELECT key, failures FROM attempt ORDER BY key');
    expect(rows.find(({ key }) => key === `pin ${other.id}`)).toBeUndefined();
    expect(rows.find(({ key }) => key === 'shop').failures).toBe(3);
  }, 30_000);

  it('of many people is guessed on one device so often at most', async () => {
    const { cookie } = await member('technician');
    const ids = await Promise.all(Array.from({ length: 6 }, async () => (await member('technician', '9876')).id));
    const answers = await Promise.all(
      ids.flatMap((person) => Array.from({ length: 4 }, () => takeOver(cookie, { person, pin: '0000' }))),
    );
    expect(statuses(answers)).toEqual({ 403: 15, 429: 9 });
  }, 60_000);

  it.each([
    ['apprentice', 'technician', 403],
    ['technician', 'lead', 403],
    ['lead', 'administrator', 403],
    ['technician', 'apprentice', 200],
    ['technician', 'technician', 200],
    ['administrator', 'lead', 200],
  ] as const)('on a device that a(n) %s signed in opens the role %s: %d', async (opener, role, status) => {
    const { cookie } = await member(opener);
    const { id } = await member(role, '5555');
    const answer = await takeOver(cookie, { person: id, pin: '5555' });
    expect(answer.status).toBe(status);
    if (status === 403) {
      expect(answer.body.type).toContain('password-needed');
      const byPassword = await takeOver(cookie, { person: id, password: PASSWORD });
      expect([byPassword.status, byPassword.body.person.role]).toEqual([200, role]);
    }
  });

  it('opens no more after somebody took over than before: the device is still the one who signed it in', async () => {
    const apprentice = await member('apprentice');
    const second = await member('apprentice', '1234');
    const technician = await member('technician', '4321');
    const then = await takeOver(apprentice.cookie, { person: second.id, pin: '1234' });
    expect((await takeOver(then.cookie!, { person: technician.id, pin: '4321' })).status).toBe(403);
    const session = await app.ask('GET', '/api/session', undefined, then.cookie);
    expect(session.body.rolesByPin).toEqual(['apprentice']);
  });
});

describe('a password', () => {
  const signIn = (body: object) => app.ask('POST', '/api/session', body, '');

  it('is tried ten times at most, however many are sent at once', async () => {
    const { name } = await member('technician');
    const answers = await Promise.all(
      Array.from({ length: 40 }, (_, i) => signIn({ shop: 'one', name, password: `guess ${i}` })),
    );
    expect(statuses(answers)).toEqual({ 401: 10, 429: 30 });
  }, 60_000);

  it('that an administrator has made anew may be tried at once', async () => {
    const { id, name } = await member('technician');
    await Promise.all(Array.from({ length: 11 }, () => signIn({ shop: 'one', name, password: 'guess' })));
    expect((await signIn({ shop: 'one', name, password: PASSWORD })).status).toBe(429);
    const { oneTimePassword } = (await app.ask('POST', `/api/shops/one/people/${id}/one-time-password`, {})).body;
    expect((await signIn({ shop: 'one', name, password: oneTimePassword })).status).toBe(201);
  }, 60_000);

  it('of a name that nobody has, or a shop that is not there, is counted and slowed like any other', async () => {
    for (const body of [
      { shop: 'one', name: 'Nobody İlker' },
      { shop: 'nowhere', name: 'Ada' },
    ]) {
      const answers = await Promise.all(Array.from({ length: 14 }, () => signIn({ ...body, password: 'guess' })));
      expect(statuses(answers)).toEqual({ 401: 10, 429: 4 });
    }
  }, 60_000);

  it('is counted for the account, however its name is written', async () => {
    const id = await addMember(app.pool, 'one', 'İpek Öz', 'technician');
    const names = ['İpek Öz', 'İPEK ÖZ', ' İpek öz', 'İpek Öz '.normalize('NFD')];
    const answers = [];
    for (let i = 0; i < 12; i++)
      answers.push(await signIn({ shop: 'one', name: names[i % names.length]!, password: 'x' }));
    const { rows } = await app.owner.query('SELECT failures FROM attempt WHERE key = $1', [`password ${id}`]);
    expect(rows[0].failures).toBeGreaterThanOrEqual(8);
    expect(answers.every(({ status }) => status === 401 || status === 429)).toBe(true);
  }, 60_000);
});

it('a key for a phone is good once, also for whoever repeats the request that made it, and ends with the sessions', async () => {
  const { id, cookie } = await member('technician');
  const job = {
    id: randomUUID(),
    vehicle: { id: randomUUID(), name: 'Van' },
    system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
  };
  await app.ask('POST', '/api/shops/one/jobs', job, cookie);
  const pair = async (writeId: string): Promise<string> => {
    const response = await fetch(`${app.url}/api/shops/one/jobs/${job.id}/pairings`, {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json', 'idempotency-key': writeId },
      body: '{}',
    });
    return ((await response.json()) as { key: string }).key;
  };
  const use = async (key: string) => (await app.ask('POST', '/api/session/phone', { key }, '')).status;
  const key = await pair('pairing-0001');
  expect(await use(key)).toBe(201);
  expect(await pair('pairing-0001')).toBe(key);
  expect(await use(key)).toBe(403);
  const unused = await pair('pairing-0002');
  await app.ask('POST', `/api/shops/one/people/${id}/end-sessions`, {}, cookie);
  expect(await use(unused)).toBe(403);
});
