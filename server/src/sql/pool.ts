import pg from 'pg';
import type { Logger } from 'pino';

export type Sql = Pick<pg.PoolClient, 'query'>;
export type Pool = pg.Pool;

/** A pool that gives up soon instead of queueing: a database that is away is answered with 503. */
export function openPool(connectionString: string, log: Logger): Pool {
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 3000,
    idleTimeoutMillis: 30_000,
    statement_timeout: 10_000,
    application_name: 'tetrad',
  });
  const lost = (error: Error): void =>
    log.warn({ code: (error as { code?: string }).code }, 'a database connection was lost');
  // The pool hears only of idle connections; one that is cut while it is lent out would end the process unheard.
  pool.on('connect', (client) => client.on('error', lost));
  pool.on('error', () => undefined); // the connection's own listener has said it
  return pool;
}

/** Runs `work` in one transaction: all of it is stored, or none. */
export async function inTransaction<T>(pool: Pool, work: (sql: Sql) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let broken: Error | undefined;
  try {
    await client.query('BEGIN');
    const result = await work(client);
    await client.query('COMMIT');
    return result;
  } catch (error) {
    await client.query('ROLLBACK').catch((failure: unknown) => {
      broken = failure instanceof Error ? failure : new Error(String(failure));
    });
    throw error;
  } finally {
    client.release(broken);
  }
}

/** SQLSTATE classes and socket codes that mean "the database is away", not "the query is wrong". */
const AWAY = /^(08|57P|53|55000|ECONN|EPIPE|ENOTFOUND|ETIMEDOUT|ENOENT)/;

/** True where the failure is the database's absence. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = (error as { code?: string }).code ?? '';
  return (
    AWAY.test(code) ||
    /connection terminated|timeout exceeded when trying to connect|not queryable/i.test(error.message)
  );
}
