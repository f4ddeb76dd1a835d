/** Two hosts of the database: the one that takes writes is found, and no list is older than what was just stored. */
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import pg from 'pg';
import pino from 'pino';
import { isUnavailable } from '../src/platform/database/unavailable';
import { ReadReplica } from '../src/platform/database/read-replica';
import { Pool, inTransaction } from '../src/platform/database/pool';
import { Primary } from '../src/platform/database/primary';
import { newDatabase } from './databases';

const log = pino({ level: 'silent' });
let here: string;
let nowhere: string;
const failureOf = (work: Promise<unknown>): Promise<unknown> =>
  work.then(
    () => null,
    (error: unknown) => error,
  );
/** A port where nobody listens. */
const emptyPort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });
const pools: Pool[] = [];
const poolOf = (where: string | Primary): Pool => {
  const pool = new Pool(where, log);
  pools.push(pool);
  return pool;
};
beforeAll(async () => {
  here = await newDatabase();
  const dead = new URL(here);
  dead.port = String(await emptyPort());
  nowhere = dead.toString();
});
afterEach(() => Promise.all(pools.splice(0).map((pool) => pool.end())));

describe('of two hosts', () => {
  it('the one that answers is used, though the other is named first', async () => {
    const pool = poolOf(new Primary(nowhere, here));
    expect((await pool.query('SELECT 1 AS n')).rows).toEqual([{ n: 1 }]);
    expect((await inTransaction(pool, (sql) => sql.query('SELECT 2 AS n'))).rows).toEqual([{ n: 2 }]);
  });

  it('the usual one is kept where both answer, and where none does', async () => {
    const other = await newDatabase();
    const both = new Primary(here, other);
    await both.find();
    expect(both.address).toBe(here);
    const none = new Primary(nowhere, nowhere.replace(/\/t_/, '/u_'));
    await none.find();
    expect(none.address).toBe(nowhere);
    expect(isUnavailable(await failureOf(poolOf(none).query('SELECT 1')))).toBe(true);
  });

  it('a connection that is lost ends what was at work as “away”, and the next goes to the other', async () => {
    const primary = new Primary(here, nowhere);
    const pool = poolOf(primary);
    const cut = pool.query('SELECT pg_terminate_backend(pg_backend_pid()), pg_sleep(5)');
    expect(isUnavailable(await failureOf(cut))).toBe(true);
    expect((await pool.query('SELECT 1 AS n')).rows).toEqual([{ n: 1 }]);
  });

  it('a write that met a standby counts as away, to be asked again', async () => {
    const client = new pg.Client({ connectionString: here });
    await client.connect();
    await client.query('BEGIN READ ONLY'); // a standby answers a write with the same code
    const refused = await client.query('CREATE TABLE t (n int)').catch((error: unknown) => error);
    await client.end();
    expect(isUnavailable(refused)).toBe(true);
  });
});

describe('a list', () => {
  const LIST = 'SELECT 1 AS n';
  it('comes from the primary where the other host is no standby any more, which then is left alone', async () => {
    const promoted = poolOf(here);
    const asked = jest.spyOn(promoted, 'query');
    const reads = new ReadReplica(poolOf(here), promoted);
    for (let i = 0; i < 3; i++) expect((await reads.query(LIST)).rows).toEqual([{ n: 1 }]);
    expect(reads.counts).toEqual({ standby: 0, behind: 0 });
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('comes from the primary while the standby is away, which then is left alone for a while', async () => {
    const away = poolOf(nowhere);
    const asked = jest.spyOn(away, 'query');
    const reads = new ReadReplica(poolOf(here), away);
    for (let i = 0; i < 3; i++) expect((await reads.query(LIST)).rows).toEqual([{ n: 1 }]);
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('that is wrong is told as wrong, not as away', async () => {
    await expect(new ReadReplica(poolOf(here), poolOf(here)).query('SELECT nothing')).rejects.toThrow('nothing');
  });
});
