/** Judgements are moved whole, however they are stored: out of what changed, and into it again. */
import { jobId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import { unpacked, written } from '../judgements/pack-judgement';
import type { Said } from '../judgements/pack-judgement';
import { canonical } from '../platform/canonical';
import type { Sql } from '../platform/database/pool';
import { storeJudgement } from '../judgements/judgements.sql';
import type { Follows } from '../judgements/judgements.sql';

/** A judgement as it stands in its table; bytes as PostgreSQL writes them, hexadecimal after `\x`. */
interface StoredRow extends Readonly<Record<string, unknown>> {
  readonly job_id: string;
  readonly base: number | null;
  readonly packed: string | null;
  readonly digest: string | null;
}

export interface WholeRow extends Said {
  readonly job_id: string;
  readonly seq: number;
  readonly judged_at: string;
  readonly criteria_id: string;
  readonly criteria_version: number;
  readonly core_version: string;
}

/** How it is stored, not what was said. */
const STORED_ONLY = new Set(['base', 'packed', 'digest']);
const bytesOf = (hex: string): Buffer => Buffer.from(hex.slice(2), 'hex');

/** Puts each judgement together from the ones before it; rows come job by job, oldest first. */
export class JudgementsOut {
  #job = '';
  #before: Said | null = null;

  whole(text: string): string {
    const row = JSON.parse(text) as StoredRow & Said;
    if (row.job_id !== this.#job) this.#before = null;
    this.#job = row.job_id;
    this.#before =
      row.packed === null
        ? { document: row.document, profile: row.profile }
        : unpacked(this.#before, {
            packed: bytesOf(row.packed),
            isChange: row.base !== null,
            digest: bytesOf(row.digest!),
          });
    const told = Object.entries(row).filter(([name]) => !STORED_ONLY.has(name));
    return canonical({ ...Object.fromEntries(told), ...this.#before });
  }
}

/** Stores judgements as what changed; rows come job by job, oldest first. */
export class JudgementsIn {
  #job = '';
  #follows: Follows | null = null;

  async add(sql: Sql, shop: ShopId, row: WholeRow): Promise<void> {
    if (row.job_id !== this.#job) this.#follows = null;
    this.#job = row.job_id;
    const { document, profile, seq } = row;
    this.#follows = await storeJudgement(sql, shop, jobId(row.job_id), {
      now: written({ document, profile }),
      follows: this.#follows,
      criteria: { id: row.criteria_id, version: row.criteria_version },
      coreVersion: row.core_version,
      as: { seq, at: row.judged_at },
    });
  }
}
