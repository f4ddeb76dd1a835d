/** Files that were cut off or changed on their way are refused with the place, and nothing of them is stored. */
import { shopId } from '@tetrad/contracts';
import { randomUUID } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { Pool } from '../src/platform/database/pool';
import { ArchiveError } from '../src/shop-archive/archive-error';
import { archiveIn } from '../src/shop-archive/archive-in';
import { archiveOut } from '../src/shop-archive/archive-out';
import { exportShop } from '../src/shop-archive/export-shop';
import { importShop } from '../src/shop-archive/import-shop';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';
import { newDatabase } from './databases';
import { positionsOf } from './byte-positions';

const SHOP = '/api/shops/one';
let app: Application;
let owner: Pool;
let folder: string;
beforeAll(async () => {
  const address = await newDatabase();
  app = await startApplication(address);
  owner = new Pool(address, pino({ level: 'silent' }), { isPatient: true });
  folder = await mkdtemp(join(tmpdir(), 'cut-'));
  const job = jobBody();
  await app.ask('POST', `${SHOP}/jobs`, { ...job, complaint: { symptoms: ['slow-crank'], note: 'in the “cold”' } });
  for (const value of [12.61, 12.4])
    await app.ask('POST', `${SHOP}/jobs/${job.id}/readings`, readingBody('resting-voltage', value));
}, 30_000);
afterAll(async () => {
  await owner.end();
  await app.close();
  await rm(folder, { recursive: true });
});
const rowsOf = async (table: string): Promise<number> =>
  Number((await app.owner.query(`SELECT count(*) AS n FROM ${table}`)).rows[0].n);

describe('a case file', () => {
  const CASE = JSON.stringify({
    format: 'tetrad-case/1',
    title: 'Van with a “slow” crank',
    system: {
      nominalVolts: 12,
      engine: { cylinders: 4, fuel: 'petrol' },
      battery: { chemistry: 'flooded', serviceable: true, rating: { value: 560, standard: 'SAE' } },
    },
    complaint: { symptoms: ['slow-crank'], note: '' },
    observations: [{ about: 'terminals', finding: 'corroded', note: '' }],
    readings: [
      { id: 'r1', test: 'resting-voltage', value: 12.61, at: '2026-03-02T09:14:00Z' },
      { id: 'r2', test: 'crank' + 'ing-voltage', value: 9.1, conditions: { method: 'watched', seconds: 4 } },
    ],
  });
  const send = async (body: string): Promise<{ status: number; detail: string; errors: { field: string }[] }> => {
    const answer = await fetch(`${app.url}${SHOP}/cases`, {
      method: 'POST',
      headers: { cookie: app.cookieFor(SHOP), 'content-type': 'application/json', 'idempotency-key': randomUUID() },
      body,
    });
    const { detail, errors } = (await answer.json()) as { detail: string; errors: { field: string }[] };
    return { status: answer.status, detail, errors };
  };

  it('that was cut off anywhere is refused with where it ends', async () => {
    const before = await rowsOf('job');
    const cuts = positionsOf(CASE, 12);
    expect(new Set(cuts.map(([kind]) => kind)).size).toBeGreaterThanOrEqual(5);
    for (const [kind, at] of cuts) {
      const { status, detail } = await send(CASE.slice(0, at));
      // an empty body is none
      if (at === 0) expect(status).toBe(422);
      else expect([kind, at, status, detail]).toEqual([kind, at, 400, expect.stringMatching(/line 1, column \d+/)]);
    }
    expect(await rowsOf('job')).toBe(before);
  });

  it('that was altered anywhere is refused with the place, or is another case that fits', async () => {
    const [jobs, readings] = [await rowsOf('job'), await rowsOf('reading')];
    const seen = { refused: 0, taken: 0 };
    for (const [kind, at] of positionsOf(CASE, 10))
      for (const put of ['\u0000', '"', '}', '7', 'é']) {
        const altered = CASE.slice(0, at) + put + CASE.slice(at + 1);
        const { status, detail, errors } = await send(altered);
        if (status === 201) {
          seen.taken++;
          continue;
        }
        seen.refused++;
        expect([kind, at, put, status, detail, status < 500]).toEqual([kind, at, put, status, detail, true]);
        const place = errors?.[0]?.field ?? /line 1, column \d+/.exec(detail)?.[0] ?? '';
        expect([kind, at, put, place]).toEqual([kind, at, put, expect.stringMatching(/^\$|line 1/)]);
      }
    expect(seen.refused).toBeGreaterThan(100);
    // of those that fit each is stored whole
    expect((await rowsOf('job')) - jobs).toBe(seen.taken);
    expect((await rowsOf('reading')) - readings).toBe(2 * seen.taken);
  });
});

describe('the archive of a shop', () => {
  const takeOut = async (name: string): Promise<string> => {
    const at = join(folder, name);
    await exportShop(owner, shopId('one'), await archiveOut(at));
    return at;
  };
  /** What became of it: why it was refused, or null where it was taken. */
  const takeIn = async (from: string, as: string): Promise<unknown> => {
    try {
      const archive = await archiveIn(from);
      try {
        await importShop(owner, archive, shopId(as));
      } finally {
        archive.close();
      }
      return null;
    } catch (error) {
      return error;
    }
  };
  const known = async (shop: string): Promise<boolean> =>
    ((await app.owner.query('SELECT 1 FROM shop WHERE shop_id = $1', [shop])).rowCount ?? 0) > 0;

  it('with a file that was cut off or altered anywhere is refused with the name of the file', async () => {
    const at = await takeOut('folder');
    for (const file of ['tables/reading.jsonl', 'tables/act.jsonl', 'tables/person.jsonl']) {
      const whole = await readFile(join(at, file), 'utf8');
      for (const [kind, place] of positionsOf(whole, 3))
        for (const [how, text] of [
          ['cut', whole.slice(0, place)],
          ['altered', `${whole.slice(0, place)}${whole[place] === '7' ? '8' : '7'}${whole.slice(place + 1)}`],
        ] as const) {
          await writeFile(join(at, file), text);
          const refusal = await takeIn(at, 'spoilt');
          expect([file, kind, how, refusal instanceof ArchiveError]).toEqual([file, kind, how, true]);
          expect((refusal as Error).message).toContain(file);
        }
      await writeFile(join(at, file), whole);
    }
    expect(await known('spoilt')).toBe(false);
    expect(await takeIn(at, 'whole')).toBeNull();
  }, 60_000);

  it('whose manifest was cut off or altered is refused with the place, or means the same', async () => {
    const at = await takeOut('manifest');
    const whole = await readFile(join(at, 'manifest.json'), 'utf8');
    let taken = 0;
    for (const [kind, place] of positionsOf(whole, 6))
      for (const text of [whole.slice(0, place), `${whole.slice(0, place)}7${whole.slice(place + 1)}`]) {
        await writeFile(join(at, 'manifest.json'), text);
        const refusal = await takeIn(at, `copy-${taken}`);
        if (refusal === null) taken++;
        else expect([kind, place, refusal]).toEqual([kind, place, expect.any(ArchiveError)]);
      }
    for (let copy = 0; copy < taken; copy++) {
      const { rows } = await app.owner.query('SELECT count(*)::int AS n FROM reading WHERE shop_id = $1', [
        `copy-${copy}`,
      ]);
      expect(rows[0].n).toBe((await app.owner.query("SELECT 1 FROM reading WHERE shop_id = 'one'")).rowCount);
    }
    expect(await known(`copy-${taken}`)).toBe(false);
  }, 60_000);

  it('as one zip file that was cut off or altered anywhere is refused, or has lost nothing', async () => {
    const at = await takeOut('shop.zip');
    const whole = await readFile(at);
    // heads of files, what is packed between them, the list at the end, and its own end
    const list = whole.lastIndexOf(Buffer.from('PK\x01\x02', 'latin1'));
    const end = whole.lastIndexOf(Buffer.from('PK\x05\x06', 'latin1'));
    const places = [...Array.from({ length: 30 }, (_, i) => i), ...spread(30, list, 40), ...spread(list, end, 20)];
    places.push(...spread(end, whole.length, 12));
    let taken = 0;
    for (const place of places)
      for (const bytes of [whole.subarray(0, place), flipped(whole, place)]) {
        await writeFile(at, bytes);
        const refusal = await takeIn(at, `zip-${taken}`);
        if (refusal === null) taken++;
        else expect([place, refusal]).toEqual([place, expect.any(ArchiveError)]);
      }
    // what a zip file says of times, versions and rights is nobody's data
    for (let copy = 0; copy < taken; copy++) {
      const { rows } = await app.owner.query('SELECT count(*)::int AS n FROM reading WHERE shop_id = $1', [
        `zip-${copy}`,
      ]);
      expect(rows[0].n).toBe((await app.owner.query("SELECT 1 FROM reading WHERE shop_id = 'one'")).rowCount);
    }
    expect(taken).toBeLessThan(places.length);
    expect(await known(`zip-${taken}`)).toBe(false);
  }, 120_000);
});

const spread = (from: number, to: number, count: number): number[] =>
  Array.from({ length: count }, (_, i) => from + Math.floor(((to - from) * i) / count));
function flipped(bytes: Buffer, at: number): Buffer {
  const copy = Buffer.from(bytes);
  copy[at]! ^= 0x55;
  return copy;
}
