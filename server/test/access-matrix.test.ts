/**
 * Who may ask what, asked of a running application: every operation by every role, by a key, and from another shop. The
 * table in docs/security.md is this one; with WRITE_ACCESS_MATRIX=1 it is written anew.
 */
import { randomUUID } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import { ROLES, may as mayDo } from '@tetrad/contracts';
import { OPERATIONS, isOpenToKeys, pathOf } from '@tetrad/contracts/operations';
import { addMember, jobBody, startApplication } from './application';
import type { Application } from './application';
import { everyWrite } from './every-write';
import { operationAsked } from './operation-asked';

const FILE = 'docs/security.md';
const [BEGIN, END] = ['<!-- access matrix -->', '<!-- end of the access matrix -->'];
/** Streams stay open, and what is before any shop has no role. */
const NOT_ASKED = /\/live$|^\/api\/(session|health|ready|clock|openapi)/;

let app: Application;
beforeAll(async () => {
  app = await startApplication();
});
afterAll(() => app.close());

type Ask = (method: string, path: string, body?: object) => Promise<number>;

/** Everybody who may ask, by what they are called in the table. */
async function everybody(): Promise<ReadonlyMap<string, Ask>> {
  const by = new Map<string, Ask>();
  for (const role of ROLES) {
    await addMember(app.pool, 'one', `A ${role}`, role);
    const cookie = await app.signIn('one', `A ${role}`);
    by.set(role, async (method, path, body) => (await app.ask(method, path, body, cookie)).status);
  }
  const made = { id: randomUUID(), name: 'Office', role: 'lead', days: 3 };
  const { key } = (await app.ask('POST', '/api/shops/one/api-keys', made)).body;
  by.set('key of a lead', async (method, path, body) => {
    const headers = { authorization: `Bearer ${key}`, ...(body && { 'content-type': 'application/json' }) };
    return (await fetch(app.url + path, { method, headers, ...(body && { body: JSON.stringify(body) }) })).status;
  });
  return by;
}

/** Every question, with a job and a vehicle that are there and that nobody has. */
async function everyRead(): Promise<readonly (readonly [string, string])[]> {
  const body = jobBody();
  await app.ask('POST', '/api/shops/one/jobs', body);
  const known: Readonly<Record<string, string>> = { shop: 'one', job: body.id, vehicle: body.vehicle.id };
  return OPERATIONS.filter((one) => one.method === 'GET' && !NOT_ASKED.test(pathOf(one))).map((one) => [
    'GET',
    pathOf(one).replace(/\{(\w+)\}/g, (_, name: string) => known[name] ?? randomUUID()),
  ]);
}

it('is what docs/security.md says, and nothing is there from another shop', async () => {
  const may = new Map<string, Map<string, boolean>>();
  const note = (who: string, method: string, path: string, status: number): void => {
    const { id } = operationAsked(method, path);
    const row = may.get(id) ?? new Map<string, boolean>();
    may.set(id, row.set(who, (row.get(who) ?? true) && status !== 403 && status !== 401));
  };
  const people = await everybody();
  for (const [who, ask] of people) {
    for (const [, method, path, body] of everyWrite()) note(who, method, path, await ask(method, path, body));
    for (const [method, path] of await everyRead()) note(who, method, path, await ask(method, path));
  }
  const cookie = app.cookieFor('/api/shops/two');
  for (const [method, path, body] of [...everyWrite().map(([, ...asked]) => asked), ...(await everyRead())] as [
    string,
    string,
    object?,
  ][])
    expect([path, (await app.ask(method, path, body, cookie)).status]).toEqual([path, 404]);

  // what the published document says of an operation is what the server does
  const conditional = new Set(['changePerson']);
  for (const [id, row] of may) {
    const operation = OPERATIONS.find((one) => one.id === id)!;
    const { permission, ofOthers } = operation;
    const asked = permission ?? ofOthers; // asked here about somebody else
    const told = ROLES.filter((role) => asked === undefined || mayDo(role, asked));
    if (!conditional.has(id)) expect([id, ROLES.filter((role) => row.get(role))]).toEqual([id, told]);
    expect([id, row.get('key of a lead')]).toEqual([id, isOpenToKeys(operation) && told.includes('lead')]);
  }

  const head = ['operation', ...people.keys()];
  const rows = [...may].map(([id, row]) => [
    `\`${id}\``,
    ...[...people.keys()].map((who) => (row.get(who) ? 'yes' : '')),
  ]);
  const table = [head, head.map(() => '---'), ...rows.sort()].map((cells) => `| ${cells.join(' | ')} |`).join('\n');
  const plain = (text: string): string => text.replace(/ +/g, ' ').replace(/-+/g, '-').trim();
  const text = await readFile(FILE, 'utf8');
  const [before, after] = [text.split(BEGIN)[0]!, text.split(END)[1]!];
  if (process.env['WRITE_ACCESS_MATRIX']) await writeFile(FILE, `${before}${BEGIN}\n\n${table}\n\n${END}${after}`);
  const told = (await readFile(FILE, 'utf8')).split(BEGIN)[1]!.split(END)[0]!;
  expect(plain(told)).toBe(plain(table));
}, 120_000);
