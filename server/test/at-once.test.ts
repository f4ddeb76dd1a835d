/** Two people do the same at the same moment: both are answered, and what is stored is what one of them meant. */
import { randomUUID } from 'node:crypto';
import type { Role } from '@tetrad/contracts';
import { addMember, jobBody, readingBody, startApplication } from './application';
import type { Answer, Application } from './application';

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

const SHOP = '/api/shops/one';
const TIMES = 6;
async function member(role: Role) {
  const name = `${role} ${randomUUID().slice(0, 8)}`;
  const id = await addMember(app.pool, 'one', name, role);
  return { id, name, cookie: await app.signIn('one', name) };
}
const statuses = (answers: readonly Answer[]): readonly number[] => answers.map(({ status }) => status).sort();
const change = (id: string, changes: object, cookie?: string): Promise<Answer> =>
  app.ask('PATCH', `${SHOP}/people/${id}`, changes, cookie);
const rows = async (text: string, values: readonly unknown[]): Promise<readonly Record<string, unknown>[]> =>
  (await app.owner.query(text, [...values])).rows;

describe('the people of a shop', () => {
  it('one e-mail address given to two of them is one’s; the other is told why not', async () => {
    for (let i = 0; i < TIMES; i++) {
      const [one, other] = [await member('technician'), await member('technician')];
      const email = `both-${i}@yard.example`;
      const answers = await Promise.all([change(one.id, { email }), change(other.id, { email })]);
      expect(statuses(answers)).toEqual([200, 422]);
      expect(answers.find(({ status }) => status === 422)!.body.errors[0]).toMatchObject({
        field: 'email',
        found: email,
      });
      expect(await rows('SELECT person_id FROM person WHERE email = $1', [email])).toHaveLength(1);
    }
  });

  it('two administrators who dismiss each other leave one', async () => {
    for (let i = 0; i < TIMES; i++) {
      const [one, other] = [await member('administrator'), await member('administrator')];
      await app.owner.query(
        `UPDATE person SET role = 'lead' WHERE shop_id = 'one' AND role = 'administrator' AND person_id NOT IN ($1, $2)`,
        [one.id, other.id],
      );
      const answers = await Promise.all([
        change(other.id, { role: 'lead' }, one.cookie),
        change(one.id, { active: false }, other.cookie),
      ]);
      // whoever was second is no administrator any more, or is told that nobody else would be one
      expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
      const left = await rows(
        `SELECT person_id FROM person WHERE shop_id = 'one' AND role = 'administrator' AND active`,
        [],
      );
      expect(left).toHaveLength(1);
      await app.owner.query(`UPDATE person SET role = 'administrator' WHERE shop_id = 'one' AND name = 'Ada'`);
    }
  });

  it('one name given to two new ones is one’s', async () => {
    const name = `Namesake ${randomUUID().slice(0, 8)}`;
    const answers = await Promise.all(
      [name, name.toUpperCase()].map((given) =>
        app.ask('POST', `${SHOP}/people`, { id: randomUUID(), name: given, role: 'apprentice' }),
      ),
    );
    expect(statuses(answers)).toEqual([201, 409]);
  });
});

describe('a job', () => {
  async function opened(): Promise<string> {
    const body = jobBody();
    await app.ask('POST', `${SHOP}/jobs`, body);
    return `${SHOP}/jobs/${body.id}`;
  }

  it('two changes of the same version: one counts, the other is a conflict that names the version', async () => {
    for (let i = 0; i < TIMES; i++) {
      const path = await opened();
      const answers = await Promise.all([
        app.ask('PATCH', path, { version: 1, criteria: 'careful' }),
        app.ask('PATCH', path, { version: 1, criteria: 'quick-check' }),
      ]);
      expect(statuses(answers)).toEqual([200, 409]);
      const winner = answers.find(({ status }) => status === 200)!.body.criteria;
      const stored = (await app.ask('GET', path)).body;
      expect([stored.criteria, stored.version]).toEqual([winner, 2]);
      const conflict = answers.find(({ status }) => status === 409)!.body;
      expect(conflict.errors).toContainEqual(expect.objectContaining({ field: 'version', allowed: '2' }));
    }
  });

  it('twelve readings of twelve devices are all there, and the last judgement knows each of them', async () => {
    const path = await opened();
    const bodies = Array.from({ length: 12 }, (_, i) => readingBody('resting-voltage', 12.5 + i / 100));
    const answers = await Promise.all(bodies.map((body) => app.ask('POST', `${path}/readings`, body)));
    expect(new Set(statuses(answers))).toEqual(new Set([201]));
    const { body } = await app.ask('GET', path);
    const ids = bodies.map(({ reading }) => reading.id).sort();
    const idsOf = (list: readonly { id: string }[]): readonly string[] => list.map(({ id }) => id).sort();
    expect(idsOf(body.case.readings)).toEqual(ids);
    expect(idsOf(body.judgement.readings)).toEqual(ids);
    expect(body.revision).toBeGreaterThanOrEqual(12);
  });

  it('a reading voided by two is voided once, with the reason of one of them', async () => {
    const path = await opened();
    const body = readingBody('resting-voltage', 12.6);
    await app.ask('POST', `${path}/readings`, body);
    const where = `${path}/readings/${body.reading.id}/void`;
    const answers = await Promise.all(['clip off', 'wrong car'].map((reason) => app.ask('POST', where, { reason })));
    for (const { status } of answers) expect([200, 409]).toContain(status);
    const [reading] = (await app.ask('GET', path)).body.case.readings;
    expect(['clip off', 'wrong car']).toContain(reading.void);
    const voids = await rows('SELECT 1 FROM reading_void WHERE job_id = $1', [path.split('/').at(-1)]);
    expect(voids).toHaveLength(1);
  });

  it('signed off by two at once both are kept, the job is closed, and one of them counts', async () => {
    const path = await opened();
    await app.ask('POST', `${path}/readings`, readingBody('resting-voltage', 12.6));
    const conclusions = ['The case leaks.', 'The case is cracked.'];
    const answers = await Promise.all(
      conclusions.map((conclusion) =>
        app.ask('POST', `${path}/sign-offs`, {
          id: randomUUID(),
          action: 'replace',
          part: 'battery',
          reason: conclusion,
          conclusion,
          partsFitted: [],
        }),
      ),
    );
    expect(new Set(statuses(answers)).size).toBe(1);
    const { body } = await app.ask('GET', path);
    expect(body.status).toBe('closed');
    expect(conclusions).toContain(body.signOff.conclusion);
    const signed = await rows('SELECT conclusion FROM sign_off WHERE job_id = $1 ORDER BY seq', [
      path.split('/').at(-1),
    ]);
    expect(signed.map(({ conclusion }) => conclusion).sort()).toEqual([...conclusions].sort());
    expect(signed.at(-1)!['conclusion']).toBe(body.signOff.conclusion);
  });
});
