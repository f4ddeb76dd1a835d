/** A transaction in three parts: all of it is stored, or none, whichever part fails and however. */
import pino from 'pino';
import { isUnavailable } from '../src/platform/database/unavailable';
import { Pool, inParts, inTransaction } from '../src/platform/database/pool';
import type { Sql } from '../src/platform/database/pool';
import { newDatabase } from './databases';

let pool: Pool;
beforeAll(async () => {
  pool = new Pool(await newDatabase(), pino({ level: 'silent' }));
  await pool.query('CREATE TABLE note (n int PRIMARY KEY)');
});
afterAll(() => pool.end());
beforeEach(() => pool.query('TRUNCATE note'));

const add = (sql: Sql, n: number) => sql.query('INSERT INTO note VALUES ($1)', [n]);
const stored = async (): Promise<number[]> =>
  (await pool.query<{ n: number }>('SELECT n FROM note ORDER BY n')).rows.map(({ n }) => n);
const nothing = () => Promise.resolve();
const failureOf = (work: Promise<unknown>): Promise<Error> =>
  work.then(
    () => Promise.reject(new Error('it did not fail')),
    (error: Error) => error,
  );

it('gives what the last part gives, and hands on what the ones before found', async () => {
  const told = await inParts(pool, {
    first: async (sql) => (await sql.query<{ n: number }>('SELECT 7 AS n')).rows[0]!.n,
    work: async (sql, n) => {
      await add(sql, n);
      return n + 1;
    },
    last: async (sql, n) => {
      await add(sql, n);
      return `${n} stored`;
    },
  });
  expect(told).toBe('8 stored');
  expect(await stored()).toEqual([7, 8]);
});

it('what fails in the first part is told, and no work is begun', async () => {
  const work = jest.fn(nothing);
  const failed = failureOf(inParts(pool, { first: (sql) => sql.query('SELECT nothing'), work, last: nothing }));
  expect((await failed).message).toContain('nothing');
  expect(work).not.toHaveBeenCalled();
});

it('what fails in the work undoes the work', async () => {
  await failureOf(
    inParts(pool, {
      first: nothing,
      work: async (sql) => {
        await add(sql, 1);
        throw new Error('no');
      },
      last: nothing,
    }),
  );
  expect(await stored()).toEqual([]);
});

it('what fails together with the end undoes all, though the end was sent already', async () => {
  const failed = await failureOf(
    inParts(pool, {
      first: nothing,
      work: (sql) => add(sql, 1),
      last: (sql) => Promise.all([add(sql, 2), add(sql, 1), add(sql, 3)]),
    }),
  );
  expect(failed.message).toContain('duplicate key');
  expect(await stored()).toEqual([]);
});

it('of statements that fail together the cause is told, however late it is heard of', async () => {
  const late = async (sql: Sql): Promise<void> => {
    const asked = add(sql, 1).then((answer) => answer);
    await Promise.all([asked.then((answer) => answer)]);
  };
  const failed = await failureOf(
    inParts(pool, { first: nothing, work: (sql) => add(sql, 1), last: (sql) => Promise.all([late(sql), add(sql, 2)]) }),
  );
  expect(failed.message).toContain('duplicate key');
});

it('a failure that was swallowed does not end as stored', async () => {
  const failed = await failureOf(
    inParts(pool, {
      first: nothing,
      work: async (sql) => {
        await add(sql, 1);
        await sql.query('SELECT nothing').catch(() => undefined);
      },
      last: nothing,
    }),
  );
  expect(failed.message).toBe('the transaction ended with ROLLBACK');
  expect(await stored()).toEqual([]);
});

it('a connection that is lost in the middle is told as away, and the next work has another', async () => {
  const failed = await failureOf(
    inTransaction(pool, async (sql) => {
      await add(sql, 1);
      await sql.query('SELECT pg_terminate_backend(pg_backend_pid())');
    }),
  );
  expect(isUnavailable(failed)).toBe(true);
  expect(await stored()).toEqual([]);
  await inTransaction(pool, (sql) => add(sql, 2));
  expect(await stored()).toEqual([2]);
});

it('statements that leave together are answered each by its own', async () => {
  const answers = await inTransaction(pool, (sql) =>
    Promise.all(Array.from({ length: 50 }, (_, n) => sql.query<{ n: number }>('SELECT $1::int AS n', [n]))),
  );
  expect(answers.map(({ rows }) => rows[0]!.n)).toEqual(Array.from({ length: 50 }, (_, n) => n));
});

it('of two that lock the same row the second sees what the first stored', async () => {
  await pool.query('INSERT INTO note VALUES (1)');
  const raise = () =>
    inParts(pool, {
      first: (sql) => sql.query<{ n: number }>('SELECT n FROM note FOR UPDATE'),
      work: (_sql, { rows }) => Promise.resolve(rows[0]!.n),
      last: (sql, n) => sql.query('UPDATE note SET n = $1', [n + 1]),
    });
  await Promise.all(Array.from({ length: 8 }, raise));
  expect(await stored()).toEqual([9]);
});
