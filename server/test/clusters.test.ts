/** Shops of several clusters: each is served from where it is, and one that moves loses nothing and signs nobody out. */
import { shopId } from '@tetrad/contracts';
import { randomUUID } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { migrate } from '../src/platform/database/migrate';
import { appAddress } from '../src/platform/database/app-role';
import { Pool } from '../src/platform/database/pool';
import { Primary } from '../src/platform/database/primary';
import { inShop } from '../src/platform/database/working-shop';
import { closeShop, reopenShop } from '../src/clusters/close-shop';
import { readClusters } from '../src/clusters/clusters-file';
import { moveShop } from '../src/clusters/move-shop';
import { PoolOfClusters } from '../src/clusters/pool-of-clusters';
import { jobBody, readingBody, startApplication } from './application';
import type { Application } from './application';
import { MIGRATIONS, newDatabase } from './databases';

const log = pino({ level: 'silent' });
const SHOP = shopId('one');
const PATH = '/api/shops/one';
let app: Application;
/** As the owner, by name. */
let clusters: Map<string, Pool>;
/** What the servers work with. */
let pool: PoolOfClusters;

beforeAll(async () => {
  const [first, east] = [await newDatabase(), await newDatabase()];
  clusters = new Map([
    ['first', new Pool(first, log, { isPatient: true })],
    ['east', new Pool(east, log, { isPatient: true })],
  ]);
  // the roles are there once the first application has begun
  const before = await startApplication(first);
  await before.close();
  await migrate(clusters.get('east')!, MIGRATIONS);
  pool = new PoolOfClusters(new Primary(appAddress(first)), log, new Map([['east', new Pool(appAddress(east), log)]]));
  app = await startApplication(first, { pool });
}, 30_000);
afterAll(async () => {
  await app.close();
  for (const owner of clusters.values()) await owner.end();
});

const move = (to: string) => moveShop({ shop: SHOP, to, clusters });
const readingsIn = (cluster: string, job: string): Promise<string[]> =>
  inShop(SHOP, async () => {
    const { rows } = await clusters
      .get(cluster)!
      .query<{ id: string }>('SELECT reading_id AS id FROM reading WHERE shop_id = $1 AND job_id = $2 ORDER BY seq', [
        'one',
        job,
      ]);
    return rows.map(({ id }) => id);
  });
async function openJob(): Promise<string> {
  const job = jobBody();
  expect((await app.ask('POST', `${PATH}/jobs`, job)).status).toBe(201);
  return job.id;
}
/** Sends the same again until it is stored, as a device does. */
async function save(job: string): Promise<string> {
  const body = readingBody('resting-voltage', 12.6);
  for (;;) {
    const { status } = await app.ask('POST', `${PATH}/jobs/${job}/readings`, body);
    if (status === 201) return body.reading.id;
    expect(status).toBe(503);
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

it('a shop goes there and back with what was read and who is signed in', async () => {
  const job = await openJob();
  const saved = [await save(job)];
  const cookie = app.cookieFor(PATH);
  for (const [to, from] of [
    ['east', 'first'],
    ['first', 'east'],
    ['east', 'first'],
  ] as const) {
    const moved = await move(to);
    expect(moved).toMatchObject({ shop: 'one', from });
    expect((await app.ask('GET', '/api/session', undefined, cookie)).body.kind).toBe('device');
    saved.push(await save(job));
    expect(await readingsIn(to, job)).toEqual(saved);
    const { body } = await app.ask('GET', `${PATH}/jobs/${job}`);
    expect(body.case.readings.map(({ id }: { id: string }) => id)).toEqual(saved);
    // another shop stays where it was
    expect((await app.ask('GET', '/api/shops/two/jobs')).status).toBe(200);
  }
  expect(
    (await app.ask('GET', `${PATH}/acts`)).body.filter(({ what }: { what: string }) => what === 'shop-moved'),
  ).toHaveLength(3);
  await move('first');
}, 60_000);

it('while it moves devices are told to try again, and what they send is stored once', async () => {
  const job = await openJob();
  let isOver = false;
  const saved: string[] = [];
  const device = async () => {
    while (!isOver) saved.push(await save(job));
  };
  const devices = [device(), device(), device()];
  for (const to of ['east', 'first', 'east', 'first']) {
    const before = saved.length;
    await move(to);
    while (saved.length < before + 6) await new Promise((resolve) => setTimeout(resolve, 10));
  }
  isOver = true;
  await Promise.all(devices);
  expect((await readingsIn('first', job)).sort()).toEqual([...saved].sort());
}, 60_000);

it('a closed shop takes nothing, not even over a connection that worked for it before', async () => {
  const job = await openJob();
  await save(job);
  const first = clusters.get('first')!;
  await inShop(SHOP, () => closeShop(first, SHOP));
  const body = readingBody('resting-voltage', 12.5);
  const { status, body: told } = await app.ask('POST', `${PATH}/jobs/${job}/readings`, body);
  expect([status, told.type]).toEqual([503, expect.stringContaining('database-away')]);
  expect(await readingsIn('first', job)).toHaveLength(1);
  await inShop(SHOP, () => reopenShop(first, SHOP));
  expect((await app.ask('POST', `${PATH}/jobs/${job}/readings`, body)).status).toBe(201);
});

it('a move that fails leaves the shop where it is, and the next one goes on from there', async () => {
  const job = await openJob();
  await save(job);
  const east = clusters.get('east')!;
  // what an interrupted move left: the copy is there, and nothing says that the shop is
  await move('east');
  await inShop(SHOP, () => clusters.get('first')!.query("DELETE FROM shop_home WHERE shop_id = 'one'"));
  await inShop(SHOP, () => reopenShop(clusters.get('first')!, SHOP));
  const refused = jest
    .spyOn(east, 'query')
    .mockImplementation((text: string, ...more: unknown[]) =>
      text.includes('FROM act ')
        ? Promise.resolve({ rows: [], rowCount: 0 } as never)
        : (Pool.prototype.query.call(east, text, ...(more as [unknown[]])) as never),
    );
  await expect(move('east')).rejects.toThrow('does not prove the same');
  refused.mockRestore();
  expect(await move('east')).toMatchObject({ from: 'first' });
  expect(await readingsIn('east', job)).toHaveLength(1);
}, 30_000);

it('what cannot be moved is said by name', async () => {
  await expect(move('west')).rejects.toThrow('there is no cluster west; known are first, east');
  await expect(move('east')).rejects.toThrow('the shop one is kept by east already');
  await expect(moveShop({ shop: shopId('nobody'), to: 'east', clusters })).rejects.toThrow('there is no shop nobody');
});

describe('the file of clusters', () => {
  let folder: string;
  beforeAll(async () => (folder = await mkdtemp(join(tmpdir(), 'clusters-'))));
  afterAll(() => rm(folder, { recursive: true }));
  const read = async (content: string) => {
    const file = join(folder, `${randomUUID()}.json`);
    await writeFile(file, content);
    return readClusters(file);
  };

  it('names each cluster by its addresses', async () => {
    const found = await read('{"east": {"database": "postgres://e:1@east/t", "standby": "postgres://e:1@east2/t"}}');
    expect(found.get('east')).toEqual({ database: 'postgres://e:1@east/t', standby: 'postgres://e:1@east2/t' });
  });

  it.each([
    ['{', /cannot be read/],
    ['[]', /must hold an object/],
    ['{"first": {"database": "postgres://x"}}', /first is no name of a further cluster/],
    ['{"East!": {"database": "postgres://x"}}', /East! is no name/],
    ['{"east": {"database": "http://secret@x"}}', /east\.database must be an address that begins with postgres:/],
    ['{"east": {"database": "postgres://x", "standby": 3}}', /east\.standby must be an address/],
    ['{"east": 3}', /east\.database must be/],
  ])('%s is refused by field, without telling an address', async (content, says) => {
    await expect(read(content)).rejects.toThrow(says);
    await expect(read(content)).rejects.not.toThrow('secret');
  });
});
