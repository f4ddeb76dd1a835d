import pg from 'pg';
import type { Logger } from 'pino';
import { isUnavailable } from './unavailable';
import { Primary } from './primary';
import { pipelineQueries } from './pipeline-queries';
import { assertConfirmed, hearUnconfirmed } from './unconfirmed';
import { noteEnd } from './what-is-stored';
import { workingShop } from './working-shop';

/** What statements are sent to: a connection in a transaction, or the pool. */
export interface Sql {
  query<Row extends pg.QueryResultRow = pg.QueryResultRow>(
    text: string,
    values?: unknown[],
  ): Promise<pg.QueryResult<Row>>;
}

export interface PoolOptions {
  /** For work that nobody waits for in a request: migrations and the demo have no time limits. */
  readonly isPatient?: boolean;
}

/** The longest a statement, a wait for a lock, and a transaction that does nothing may take, ms. */
const STATEMENT_MS = 10_000;
const LOCK_MS = 3000;
const IDLE_IN_TRANSACTION_MS = 5000;
/** A database that is away is answered with 503 soon instead of queueing, ms. */
const CONNECT_MS = 3000;
const UNUSED_MS = 30_000;
/** A host that says nothing for so long is taken for lost, ms: longer than any statement may take. */
const SILENT_MS = STATEMENT_MS + 2000;
const CONNECTIONS = 10;
/** Compiling a plan takes longer than any statement of a request: 335 of 380 ms for what is due in a large shop. */
const SETTINGS = '-c jit=off';

/** Connections that each work for one shop at a time: the one that the work at hand is for. */
export class Pool implements Sql {
  readonly #pool: pg.Pool;
  readonly #primary: Primary;
  /** Administrators work for a shop also while it is moved. */
  readonly #opening: string;
  readonly #shopOf = new WeakMap<pg.PoolClient, string>();

  /** @param where An address, or the hosts of which one takes writes. */
  constructor(where: string | Primary, log: Logger, { isPatient = false }: PoolOptions = {}) {
    this.#primary = typeof where === 'string' ? new Primary(where) : where;
    this.#opening = isPatient ? "SELECT set_config('tetrad.shop', $1, false)" : 'SELECT open_shop($1)';
    this.#pool = new pg.Pool({
      Client: this.#primary.client,
      pipeline: true,
      max: CONNECTIONS,
      connectionTimeoutMillis: CONNECT_MS,
      idleTimeoutMillis: UNUSED_MS,
      ...(!isPatient && {
        statement_timeout: STATEMENT_MS,
        query_timeout: SILENT_MS,
        lock_timeout: LOCK_MS,
        idle_in_transaction_session_timeout: IDLE_IN_TRANSACTION_MS,
      }),
      application_name: 'tetrad',
      options: SETTINGS,
    });
    const lost = (error: Error): void =>
      log.warn({ code: (error as { code?: string }).code }, 'a database connection was lost');
    // The pool hears only of idle connections; one that is cut while it is lent out would end the process unheard.
    this.#pool.on('connect', (client) => {
      client.on('error', lost);
      hearUnconfirmed(client);
      pipelineQueries(client);
    });
    this.#pool.on('error', () => undefined); // the connection's own listener has said it
  }

  /** Lends a connection of no shop in particular: it may work for any that it worked for before. */
  protected connectAnywhere(): Promise<pg.PoolClient> {
    return this.#pool.connect().catch(async (error: unknown) => {
      if (!isUnavailable(error)) throw error;
      await this.#primary.find(); // another may have taken its place
      return this.#pool.connect();
    });
  }

  /** Lends a connection that works for the shop at hand; give it back with `release`. */
  async connect(): Promise<pg.PoolClient> {
    const client = await this.connectAnywhere();
    const shop = workingShop();
    if ((this.#shopOf.get(client) ?? '') === shop) return client;
    try {
      await client.query(this.#opening, [shop]);
      this.#shopOf.set(client, shop);
      return client;
    } catch (error) {
      client.release(true);
      if (isUnavailable(error)) await this.#primary.find();
      throw error;
    }
  }

  /** After a failure: whether the connection is of no more use. Another host may have taken the place of this one. */
  async isBroken(error: unknown): Promise<boolean> {
    if (!isUnavailable(error)) return false;
    await this.#primary.find();
    return true;
  }

  /** One statement by itself. */
  async query<Row extends pg.QueryResultRow = pg.QueryResultRow>(
    text: string,
    values: unknown[] = [],
  ): Promise<pg.QueryResult<Row>> {
    const client = await this.connect();
    let broken = false;
    try {
      const found = await client.query<Row>(text, values);
      assertConfirmed(client);
      return found;
    } catch (error) {
      broken = await this.isBroken(error);
      throw error;
    } finally {
      client.release(broken);
    }
  }

  /** Whether the first of several clusters keeps the shop at hand. */
  isFirst(): Promise<boolean> {
    return Promise.resolve(true);
  }

  /** How many connections there are, and how much work waits for one. */
  counts(): { readonly all: number; readonly waiting: number } {
    return { all: this.#pool.totalCount, waiting: this.#pool.waitingCount };
  }

  end(): Promise<void> {
    return this.#pool.end();
  }
}

/** A transaction in three parts, so that its beginning and its end cost no way to the database of their own. */
export interface Parts<First, Done, Last> {
  /** Sent together with the beginning: it reads and locks, and changes nothing. */
  readonly first: (sql: Sql) => Promise<First>;
  readonly work: (sql: Sql, first: First) => Promise<Done>;
  /** Sends its statements at once; the end follows in the same packet. */
  readonly last: (sql: Sql, done: Done) => Promise<Last>;
}

/** Runs the parts in one transaction: all of it is stored, or none. */
export async function inParts<First, Done, Last>(pool: Pool, parts: Parts<First, Done, Last>): Promise<Last> {
  const client = await pool.connect();
  const statements = new Statements(client);
  let broken = false;
  try {
    const [, first] = await both(client.query('BEGIN'), parts.first(statements));
    const done = await parts.work(statements, first);
    const end = async () => {
      const ended = await both(parts.last(statements, done), client.query('COMMIT'));
      assertConfirmed(client);
      return ended;
    };
    const [last, ended] = await noteEnd(end, (error) => !isUnavailable(statements.causeOf(error)));
    if (ended.command !== 'COMMIT') throw new Error(`the transaction ended with ${ended.command}`);
    return last;
  } catch (error) {
    const cause = statements.causeOf(error);
    broken = await pool.isBroken(cause);
    if (!broken) await client.query('ROLLBACK').catch(() => (broken = true));
    throw cause;
  } finally {
    client.release(broken);
  }
}

/** SQLSTATE of whatever is asked of a transaction that has failed already. */
const ABORTED = '25P02';

/** The statements of one transaction: of those that leave together the first that fails is the cause of the others' failure. */
class Statements implements Sql {
  #first: unknown = null;

  constructor(private readonly client: pg.PoolClient) {}

  async query<Row extends pg.QueryResultRow = pg.QueryResultRow>(
    text: string,
    values?: unknown[],
  ): Promise<pg.QueryResult<Row>> {
    try {
      return await this.client.query<Row>(text, values);
    } catch (error) {
      this.#first ??= error;
      throw error;
    }
  }

  /** What a failure came from, whichever was heard of first. */
  causeOf(error: unknown): unknown {
    return (error as { code?: string } | null)?.code === ABORTED ? (this.#first ?? error) : error;
  }
}

/** Waits for both, and tells the failure of the one that was sent first. */
async function both<A, B>(one: Promise<A>, other: Promise<B>): Promise<[A, B]> {
  const [a, b] = await Promise.allSettled([one, other]);
  if (a.status === 'rejected') throw a.reason;
  if (b.status === 'rejected') throw b.reason;
  return [a.value, b.value];
}

/** Runs `work` in one transaction: all of it is stored, or none. */
export const inTransaction = <T>(pool: Pool, work: (sql: Sql) => Promise<T>): Promise<T> =>
  inParts(pool, { first: () => Promise.resolve(), work, last: (_sql, done: T) => Promise.resolve(done) });
