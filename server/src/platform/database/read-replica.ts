/**
 * Lists are read from the standby where it has all that the primary has stored at that moment, else from the primary: a
 * list never lacks what somebody has just been told is stored.
 */
import type { QueryResult, QueryResultRow } from 'pg';
import { isUnavailable } from './unavailable';
import type { Pool, Sql } from './pool';

/** Where the standby did not answer, or is none any more, it is not asked again for so long, ms. */
const LEFT_ALONE_MS = 5000;

export class ReadReplica implements Sql {
  #notBefore = 0;
  /** Lists that the standby gave, and that it could have given but for what it lacked. */
  readonly counts = { standby: 0, behind: 0 };

  constructor(
    private readonly primary: Pool,
    private readonly standby: Pool,
  ) {}

  async query<Row extends QueryResultRow = QueryResultRow>(
    text: string,
    values: unknown[] = [],
  ): Promise<QueryResult<Row>> {
    if (Date.now() < this.#notBefore || !(await this.primary.isFirst())) return this.primary.query<Row>(text, values);
    const { rows } = await this.primary.query<{ lsn: string }>('SELECT pg_current_wal_flush_lsn()::text AS lsn');
    try {
      const { rows: state } = await this.standby.query<{ follows: boolean; fresh: boolean | null }>(
        'SELECT pg_is_in_recovery() AS follows, pg_last_wal_replay_lsn() >= $1::pg_lsn AS fresh',
        [rows[0]!.lsn],
      );
      const { follows, fresh } = state[0]!;
      if (follows && fresh) {
        const found = await this.standby.query<Row>(text, values); // it only goes forward: still as fresh
        this.counts.standby++;
        return found;
      }
      if (follows) this.counts.behind++;
      else this.#notBefore = Date.now() + LEFT_ALONE_MS;
    } catch (error) {
      if (!isUnavailable(error)) throw error;
      this.#notBefore = Date.now() + LEFT_ALONE_MS;
    }
    return this.primary.query<Row>(text, values);
  }
}
