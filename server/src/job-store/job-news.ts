/**
 * News of jobs: one listening connection for each server process, so that several processes on one
 * database all hear of every change, whoever made it.
 */
import type { JobId, ShopId } from '@tetrad/contracts';
import pg from 'pg';
import type { Logger } from 'pino';
import { Primary } from '../platform/database/primary';

export interface JobNews {
  readonly shop: ShopId;
  readonly job: JobId;
  /** Somebody came or went; the job itself is as it was. */
  readonly isPresence?: true;
}
/** `null` says that news may have been missed: whoever listens must look for itself. */
type Listener = (news: JobNews | null) => void;

const CHANNEL = 'tetrad_job';
const RETRY_MS = 500;
/** How often the connection is asked whether it still lives, and how long it has to answer, ms. */
const ASK_MS = 5000;
const ANSWER_MS = 3000;

/** Where news of jobs are heard. */
export interface JobNewsSource {
  /** @returns the call that ends listening. */
  listen(listener: Listener): () => void;
}

/** The news of several clusters as one. */
export const together = (sources: readonly JobNewsSource[]): JobNewsSource => ({
  listen(listener) {
    const deafen = sources.map((source) => source.listen(listener));
    return () => deafen.forEach((one) => one());
  },
});

export class JobNewsFeed implements JobNewsSource {
  readonly #primary: Primary;
  readonly #log: Logger;
  readonly #listeners = new Set<Listener>();
  #client: pg.Client | null = null;
  #closed = false;
  #retry: NodeJS.Timeout | undefined;
  #asking: NodeJS.Timeout | undefined;

  /** @param where An address, or the hosts of which one takes writes. */
  constructor(where: string | Primary, log: Logger) {
    this.#primary = typeof where === 'string' ? new Primary(where) : where;
    this.#log = log;
  }

  /** Begins to listen; a lost connection is made again until the feed is closed. */
  async open(): Promise<void> {
    if (this.#closed) return;
    const client = new pg.Client({
      connectionString: this.#primary.address,
      application_name: 'tetrad news',
      keepAlive: true,
      connectionTimeoutMillis: ANSWER_MS,
      query_timeout: ANSWER_MS,
    });
    this.#client = client;
    client.on('notification', ({ payload }) => {
      if (payload !== undefined) this.#tell(JSON.parse(payload) as JobNews);
    });
    client.on('error', (error) => this.#lost(client, error));
    client.on('end', () => this.#lost(client, null));
    try {
      await client.connect();
      await client.query(`LISTEN ${CHANNEL}`);
      this.#tell(null);
      this.#watch(client);
    } catch (error) {
      this.#lost(client, error);
    }
  }

  /** @returns the call that ends listening. */
  listen(listener: Listener): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  async close(): Promise<void> {
    this.#closed = true;
    clearTimeout(this.#retry);
    clearTimeout(this.#asking);
    const client = this.#client;
    this.#client = null;
    await client?.end().catch(() => undefined);
  }

  /** A host that hangs closes no connection: it is asked. */
  #watch(client: pg.Client): void {
    this.#asking = setTimeout(() => {
      if (client !== this.#client) return;
      client.query('SELECT 1').then(
        () => this.#watch(client),
        (error: unknown) => this.#lost(client, error),
      );
    }, ASK_MS);
  }

  #tell(news: JobNews | null): void {
    for (const listener of [...this.#listeners]) listener(news);
  }

  #lost(client: pg.Client, error: unknown): void {
    if (this.#closed || client !== this.#client) return;
    this.#client = null;
    this.#log.warn({ err: error }, 'the listening database connection was lost; trying again');
    void client.end().catch(() => undefined);
    this.#retry = setTimeout(() => void this.#primary.find().then(() => this.open()), RETRY_MS);
  }
}
