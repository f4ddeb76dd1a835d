/** A whole shop goes out in open formats and comes in elsewhere: the same bytes, or nothing at all. */
import { shopId } from '@tetrad/contracts';
import { createHash, randomUUID } from 'node:crypto';
import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import fc from 'fast-check';
import { verifyAuditLog } from '../src/audit-log/verify-audit-log';
import { archiveIn } from '../src/shop-archive/archive-in';
import { archiveOut } from '../src/shop-archive/archive-out';
import { exportShop } from '../src/shop-archive/export-shop';
import { importShop } from '../src/shop-archive/import-shop';
import { LEFT_OUT, tablesOf } from '../src/shop-archive/tables';
import { Pool } from '../src/platform/database/pool';
import { inShop } from '../src/platform/database/working-shop';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';
import { newDatabase } from './databases';

let app: Application;
/** As the owner of the tables, as the command works. */
let owner: Pool;
let folder: string;
beforeAll(async () => {
  const address = await newDatabase();
  app = await startApplication(address);
  owner = new Pool(address, pino({ level: 'silent' }), { isPatient: true });
  folder = await mkdtemp(join(tmpdir(), 'moving-'));
}, 30_000);
afterAll(async () => {
  await owner.end();
  await app.close();
  await rm(folder, { recursive: true });
});

const SHOP = '/api/shops/one';

/** What a shop may have done at a job. */
const worked = fc.record({
  note: fc.string({ unit: 'grapheme', maxLength: 60 }).map((text) => text.replace(/[\p{C}\p{Zl}\p{Zp}]/gu, '')),
  volts: fc.array(fc.record({ value: fc.double({ min: 9, max: 15, noNaN: true }), isVoid: fc.boolean() }), {
    maxLength: 5,
  }),
  extra: fc.jsonValue({ maxDepth: 2, stringUnit: 'grapheme-ascii' }),
  capture: fc.uint8Array({ minLength: 6, maxLength: 4000 }),
  isWhole: fc.boolean(),
});
type Worked = typeof worked extends fc.Arbitrary<infer T> ? T : never;

/** Does it: a job, readings and their voids, an observation, a wait, a capture that comes whole or not, a change. */
async function work({ note, volts, extra, capture: bytes, isWhole }: Worked): Promise<void> {
  const job = jobBody();
  const at = `${SHOP}/jobs/${job.id}`;
  await app.ask('POST', `${SHOP}/jobs`, { ...job, complaint: { symptoms: ['slow-crank'], note } });
  for (const { value, isVoid } of volts) {
    const body = readingBody('resting-voltage', value, { by: 'Bo', scratch: extra });
    await app.ask('POST', `${at}/readings`, body);
    if (isVoid) await app.ask('POST', `${at}/readings/${body.reading.id}/void`, { reason: 'lead fell off', by: 'Bo' });
  }
  await app.ask('POST', `${at}/observations`, {
    id: randomUUID(),
    observation: { about: 'terminals', finding: 'corroded' },
  });
  await app.ask('POST', `${at}/timers`, { id: randomUUID(), kind: 'lamps-on', seconds: 120 });
  const capture = { id: randomUUID(), name: 'start.csv', bytes: bytes.length };
  await app.ask('POST', `${at}/captures`, capture);
  if (isWhole)
    await fetch(`${app.url}${SHOP}/captures/${capture.id}/pieces/0`, {
      method: 'PUT',
      headers: { cookie: app.cookieFor(SHOP), 'content-type': 'application/octet-stream' },
      body: bytes as BodyInit,
    });
  await app.ask('PATCH', at, { version: 1, assignee: 'Ada', criteria: 'careful' });
}

async function takeOut(shop: string, name: string): Promise<string> {
  const to = join(folder, name);
  await exportShop(owner, shopId(shop), await archiveOut(to));
  return to;
}
async function takeIn(from: string, as: string) {
  const archive = await archiveIn(from);
  try {
    return await importShop(owner, archive, as === null ? null : shopId(as));
  } finally {
    archive.close();
  }
}
/** Every file of a folder, its name with its bytes. */
async function filesOf(at: string): Promise<ReadonlyMap<string, string>> {
  const entries = await readdir(at, { recursive: true, withFileTypes: true });
  const files = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name));
  return new Map(
    await Promise.all(
      files.sort().map(async (file) => [file.slice(at.length), (await readFile(file)).toString('latin1')] as const),
    ),
  );
}
const withoutShop = (files: ReadonlyMap<string, string>, shop: string): [string, string][] =>
  [...files].map(([name, content]) => [name, content.replace(`"shop": "${shop}"`, '"shop": ""')]);

describe('a shop', () => {
  it('that is exported, imported and exported again is the same, byte by byte, whatever was done in it', async () => {
    let copies = 0;
    await fc.assert(
      fc.asyncProperty(worked, async (done) => {
        await work(done);
        const copy = `copy-${copies++}`;
        const first = await takeOut('one', `${copy}-first`);
        await takeIn(first, copy);
        const second = await takeOut(copy, `${copy}-second`);
        expect(withoutShop(await filesOf(second), copy)).toEqual(withoutShop(await filesOf(first), 'one'));
      }),
      { numRuns: 8 },
    );
    const { rows } = await app.owner.query("SELECT count(*)::int AS n FROM reading WHERE shop_id = 'one'");
    expect(rows[0].n).toBeGreaterThan(0);
  }, 60_000);

  it('goes the same way as one zip file, its audit log unbroken and its work going on', async () => {
    await work(fc.sample(worked, { numRuns: 1 })[0]!);
    const zip = await takeOut('one', 'shop.zip');
    expect((await readFile(zip)).subarray(0, 2).toString()).toBe('PK');
    expect(await readFile(await takeOut('one', 'again.zip'))).toEqual(await readFile(zip));
    const moved = await takeIn(zip, 'zipped');
    expect(moved.rows).toBeGreaterThan(20);
    expect(await inShop(shopId('zipped'), () => verifyAuditLog(app.pool))).toMatchObject({ isWhole: true });
    const cookie = await app.signIn('zipped', 'Ada');
    const [job] = (await app.ask('GET', '/api/shops/zipped/jobs', undefined, cookie)).body;
    const answer = await app.ask(
      'POST',
      `/api/shops/zipped/jobs/${job.id}/readings`,
      readingBody('resting-voltage', 12.6),
      cookie,
    );
    expect(answer.status).toBe(201);
  }, 30_000);

  it('tells what was said of a job at any time, as before', async () => {
    const { rows } = await app.owner.query(
      `SELECT job_id AS job, max(seq) AS last, min(seq) AS first FROM judgement WHERE shop_id = 'one'
        GROUP BY job_id HAVING count(*) > 3 LIMIT 1`,
    );
    const { job, first } = rows[0];
    await takeIn(await takeOut('one', 'told'), 'told');
    const cookie = await app.signIn('told', 'Ada');
    const said = (shop: string, with_?: string) =>
      app.ask('GET', `/api/shops/${shop}/jobs/${job}/judgements/${first}`, undefined, with_);
    expect((await said('told', cookie)).body).toEqual((await said('one')).body);
  });

  it('is left as it is by an export, and never mixed with one that is there', async () => {
    const from = await takeOut('one', 'taken');
    await expect(takeIn(from, 'one')).rejects.toThrow('the shop one is there already');
    await expect(takeIn(from, 'Not An Id')).rejects.toThrow('allowed are 1 to 40');
    await expect(archiveOut(from)).rejects.toThrow('an export replaces nothing');
    await expect(exportShop(owner, shopId('nowhere'), await archiveOut(join(folder, 'none')))).rejects.toThrow(
      'there is no shop nowhere',
    );
  });
});

describe('a copy', () => {
  const webhooksOf = async (shop: string) =>
    (await app.owner.query('SELECT * FROM webhook WHERE shop_id = $1', [shop])).rows;

  it('speaks under no name of the original: no keys, no secrets, no messages, and its webhooks are off', async () => {
    const hook = { url: 'https://files.example/', events: ['job.decided'] };
    const [id, key] = [randomUUID(), randomUUID()];
    const { secret } = (await app.ask('PUT', `${SHOP}/webhooks/${id}`, hook)).body;
    await app.ask('POST', `${SHOP}/webhooks/${id}/test`, {});
    await app.ask('POST', `${SHOP}/api-keys`, { id: key, name: 'Fleet office', role: 'lead', days: 30 });
    const at = await takeOut('one', 'speaking');
    for (const name of await readdir(join(at, 'tables'))) {
      const text = await readFile(join(at, 'tables', name), 'utf8');
      expect([name, text.includes(secret), text.includes('token_hash')]).toEqual([name, false, false]);
    }
    await takeIn(at, 'speaking');
    const [copied] = await webhooksOf('speaking');
    expect(copied).toMatchObject({ is_off: true, url: hook.url, secret: expect.stringMatching(/^whsec_.{40,}$/) });
    expect(copied.secret).not.toBe(secret);
    for (const table of ['api_key', 'webhook_delivery'])
      expect((await app.owner.query(`SELECT 1 FROM ${table} WHERE shop_id = 'speaking'`)).rows).toEqual([]);
    // a test of it is refused, and setting it again switches it on
    const cookie = await app.signIn('speaking', 'Ada');
    const its = `/api/shops/speaking/webhooks/${id}`;
    expect((await app.ask('POST', `${its}/test`, {}, cookie)).status).toBe(409);
    expect((await app.ask('PUT', its, hook, cookie)).body).toMatchObject({ isOff: false });
    expect((await app.ask('POST', `${its}/test`, {}, cookie)).status).toBe(202);
  }, 30_000);

  it('comes in from an archive of an earlier version, which held them', async () => {
    const at = await takeOut('one', 'earlier');
    const file = 'tables/webhook.jsonl';
    const before = await readFile(join(at, file), 'utf8');
    const bytes = Buffer.from(before.replaceAll(/^\{/gm, '{"secret": "whsec_old", '));
    await writeFile(join(at, file), bytes);
    const row = `{"key_id": "${randomUUID()}", "name": "Old", "token_hash": "\\\\x00", "role": "lead"}\n`;
    await writeFile(join(at, 'tables/api_key.jsonl'), row);
    const manifest = JSON.parse(await readFile(join(at, 'manifest.json'), 'utf8'));
    const sumOf = (data: string | Buffer) => ({
      bytes: Buffer.byteLength(data),
      sha256: createHash('sha256').update(data).digest('hex'),
    });
    manifest.files[file] = sumOf(bytes);
    manifest.files['tables/api_key.jsonl'] = sumOf(row);
    manifest.tables.api_key = 1;
    await writeFile(join(at, 'manifest.json'), JSON.stringify(manifest));
    await takeIn(at, 'earlier');
    expect((await webhooksOf('earlier')).map(({ secret }) => secret)).not.toContain('whsec_old');
    expect((await app.owner.query("SELECT 1 FROM api_key WHERE shop_id = 'earlier'")).rows).toEqual([]);
  }, 30_000);
});

it('every table of a shop is moved, or left out for a reason', async () => {
  const moved = new Set((await tablesOf(owner)).map(({ name }) => name));
  const { rows } = await app.owner.query(
    "SELECT table_name AS name FROM information_schema.columns WHERE table_schema = 'public' AND column_name = 'shop_id'",
  );
  for (const { name } of rows) expect([name, moved.has(name) !== name in LEFT_OUT]).toEqual([name, true]);
});

describe('an archive that does not fit', () => {
  const sumsOf = async (at: string) => JSON.parse(await readFile(join(at, 'manifest.json'), 'utf8'));
  /** A copy of the shop with a file changed, its sums made right again. */
  async function spoilt(name: string, file: string, change: (text: string) => string): Promise<string> {
    const at = await takeOut('one', name);
    const before = await readFile(join(at, file), 'utf8');
    const bytes = Buffer.from(change(before));
    await writeFile(join(at, file), bytes);
    if (file === 'manifest.json') return at;
    const manifest = await sumsOf(at);
    manifest.files[file] = { bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') };
    await writeFile(join(at, 'manifest.json'), JSON.stringify(manifest));
    return at;
  }
  const refusal = (at: string): Promise<string> =>
    takeIn(at, 'spoilt').then(
      () => 'taken',
      ({ message }) => message,
    );
  const READINGS = 'tables/reading.jsonl';

  it('is refused by file, line and field, and nothing of it is stored', async () => {
    const cases: readonly [string, string, (text: string) => string, RegExp][] = [
      ['no-json', READINGS, (text) => text.replace('{', '{{'), /tables\/reading\.jsonl, line 1: it is no JSON/],
      ['no-object', READINGS, (text) => `3\n${text}`, /line 1: it is no object/],
      ['strange', READINGS, (text) => text.replace('{', '{"colour": 1, '), /line 1: colour is no field; allowed are /],
      ['orphan', READINGS, (text) => text.replace(/"job_id": "[^"]+"/, `"job_id": "${randomUUID()}"`), /reading.*job/s],
      ['twice', READINGS, (text) => text + text.split('\n')[0] + '\n', /duplicate key/],
      ['fewer', READINGS, (text) => text.slice(text.indexOf('\n') + 1), /has \d+ rows; its archive says \d+/],
      [
        'format',
        'manifest.json',
        (text) => text.replace('tetrad-shop/1', 'tetrad-shop/9'),
        /format is "tetrad-shop\/9"; allowed is tetrad-shop\/1/,
      ],
      ['newer', 'manifest.json', (text) => text.replace('"reading":', '"weather":'), /knows no table weather/],
      [
        'count',
        'manifest.json',
        (text) => text.replace(/"reading": \d+/, '"reading": -1'),
        /tables\.reading is -1; allowed is a count/,
      ],
    ];
    for (const [name, file, change, says] of cases)
      expect([name, await refusal(await spoilt(name, file, change))]).toEqual([name, expect.stringMatching(says)]);
    expect((await app.owner.query("SELECT 1 FROM shop WHERE shop_id = 'spoilt'")).rowCount).toBe(0);
  }, 30_000);

  it('is refused without telling the secrets of the row that does not fit, or an audit log that is broken', async () => {
    const people = await spoilt('king', 'tables/person.jsonl', (text) =>
      text.replace('"role": "administrator"', '"role": "king"'),
    );
    const message = await refusal(people);
    expect(message).toMatch(/tables\/person\.jsonl, line \d+: .*person_role_check/);
    expect(message).not.toMatch(/argon2|password/);
    const log = await spoilt('forged', 'tables/act.jsonl', (text) => text.replace('Ada', 'Eve'));
    expect(await refusal(log)).toMatch(/the audit log of this archive is broken at entry \d+ \((hash|previous)\)/);
    expect((await app.owner.query("SELECT 1 FROM shop WHERE shop_id = 'spoilt'")).rowCount).toBe(0);
  }, 30_000);

  it('is refused where a file is not the one that was exported, missing, or no archive at all', async () => {
    const at = await takeOut('one', 'touched');
    const capture = Object.keys((await sumsOf(at)).files).find((name) => name.startsWith('captures/'))!;
    const bytes = await readFile(join(at, capture));
    bytes[0]! ^= 1;
    await writeFile(join(at, capture), bytes);
    expect(await refusal(at)).toBe(`${capture} is not the file that was exported`);
    await writeFile(join(at, capture), 'short');
    expect(await refusal(at)).toMatch(/has 5 bytes; its archive says/);
    await rm(join(at, capture));
    expect(await refusal(at)).toBe(`${capture} is missing`);
    await writeFile(join(folder, 'no.zip'), 'PK not really');
    expect(await refusal(join(folder, 'no.zip'))).toMatch(/is no zip file/);
    expect(await refusal(join(folder, 'nothing-here'))).toMatch(/is not there/);
  });
});
