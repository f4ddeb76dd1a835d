/**
 * Which of the database's hosts takes writes. A standby that has been promoted is found by itself: whatever connection is
 * made next goes there.
 */
import pg from 'pg';
import type { ClientConfig } from 'pg';

/** A host is asked for at most so long, ms. */
const PATIENCE_MS = 3000;

interface State {
  readonly address: string;
  readonly isStandby: boolean;
  /** Raised by every promotion: of two that take writes, the one promoted last is right. */
  readonly timeline: number;
}

export class Primary {
  readonly #addresses: readonly string[];
  #address: string;
  #looking: Promise<void> | null = null;

  /**
   * @param usual The address of the usual primary.
   * @param standby Of the host that may take its place; null where there is none.
   */
  constructor(usual: string, standby: string | null = null) {
    this.#addresses = standby === null ? [usual] : [usual, standby];
    this.#address = usual;
  }

  get address(): string {
    return this.#address;
  }

  /** Asks every host what it is; who asks while that is being done hears the same answer. */
  find(): Promise<void> {
    if (this.#addresses.length === 1) return Promise.resolve();
    this.#looking ??= this.#look().finally(() => (this.#looking = null));
    return this.#looking;
  }

  async #look(): Promise<void> {
    const states = (await Promise.all(this.#addresses.map(stateOf))).filter((state) => state !== null);
    const [best] = states.filter(({ isStandby }) => !isStandby).sort((a, b) => b.timeline - a.timeline);
    if (best) this.#address = best.address;
  }

  /** A kind of connection that goes to whichever host is the primary when it is made. */
  get client(): new (config?: ClientConfig) => pg.Client {
    const addressOf = (): string => this.#address;
    return class extends pg.Client {
      constructor(config: ClientConfig = {}) {
        super({ ...config, connectionString: addressOf() });
      }
    };
  }
}

async function stateOf(address: string): Promise<State | null> {
  const client = new pg.Client({
    connectionString: address,
    connectionTimeoutMillis: PATIENCE_MS,
    query_timeout: PATIENCE_MS,
  });
  client.on('error', () => undefined);
  try {
    await client.connect();
    const { rows } = await client.query<{ standby: boolean }>('SELECT pg_is_in_recovery() AS standby');
    if (rows[0]!.standby) return { address, isStandby: true, timeline: 0 };
    const wal = await client.query<{ name: string }>('SELECT pg_walfile_name(pg_current_wal_lsn()) AS name');
    // the first eight figures of a segment's name are its timeline
    return { address, isStandby: false, timeline: parseInt(wal.rows[0]!.name.slice(0, 8), 16) };
  } catch {
    return null;
  } finally {
    await client.end().catch(() => undefined);
  }
}
