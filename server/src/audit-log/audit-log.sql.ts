/** The audit log: who did what, when, from where; each entry holds the hash of the one before. */
import type { ActView } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { workingShop } from '../platform/database/working-shop';

export type AuditAction =
  | 'signed-in'
  | 'sign-in-failed'
  | 'switched-user'
  | 'signed-out'
  | 'phone-paired'
  | 'secrets-changed'
  | 'sessions-ended'
  | 'session-ended'
  | 'shop-changed'
  | 'person-added'
  | 'person-changed'
  | 'password-reset'
  | 'job-opened'
  | 'job-changed'
  | 'vehicle-changed'
  | 'vehicles-merged'
  | 'jobs-moved'
  | 'move-undone'
  | 'vehicles-imported'
  | 'import-undone'
  | 'use-noted'
  | 'instrument-changed'
  | 'instrument-checked'
  | 'timer-started'
  | 'timer-stopped'
  | 'capture-analyzed'
  | 'webhook-tested'
  | 'round-planned'
  | 'round-ended'
  | 'round-checked'
  | 'api-key-created'
  | 'api-key-revoked'
  | 'webhook-changed'
  | 'webhook-removed'
  | 'criteria-saved'
  | 'figures-changed'
  | 'figures-removed'
  | 'figures-imported'
  | 'criteria-in-force'
  | 'criteria-chosen'
  | 'case-imported'
  | 'case-exported'
  | 'report-exported'
  | 'reading-added'
  | 'reading-voided'
  | 'observed'
  | 'observation-taken-back'
  | 'acknowledged'
  | 'acknowledgement-taken-back'
  | 'capture-added'
  | 'capture-exported'
  | 'signed-off'
  | 'outcome-recorded'
  | 'shop-exported'
  | 'shop-moved'
  | 'row-left-out';

export interface Act {
  readonly what: AuditAction;
  /** Who did it; null where nobody was signed in. */
  readonly person: { readonly id: string; readonly kind: 'person' | 'key'; readonly name: string } | null;
  /** The address it came from. */
  readonly from: string | null;
  /** What it was done to: a job, a person. */
  readonly about?: string | null;
  /** What else is worth knowing: a reading's id and value, never a secret. */
  readonly detail?: Readonly<Record<string, unknown>>;
}

/**
 * Adds an entry to the working shop's record: by itself, or last in a transaction, since other entries of the shop wait
 * until that has ended.
 */
export async function addAuditEntry(sql: Sql, { what, person, from, about = null, detail }: Act): Promise<void> {
  const by = { by: person?.id ?? null, kind: person?.kind ?? null, name: person?.name ?? null };
  const entry = { at: new Date().toISOString(), what, ...by, about, from };
  await sql.query('SELECT add_act($1)', [JSON.stringify({ ...entry, ...(detail && { detail }) })]);
}

/** Entries before one, the newest first. @param before Sequence number; the newest of all where it is null. */
export async function listActs(sql: Sql, before: number | null, limit: number): Promise<readonly ActView[]> {
  const { rows } = await sql.query<{ seq: string; entry: string; hash: Buffer }>(
    'SELECT seq, entry, hash FROM act WHERE shop_id = $1 AND seq < coalesce($2, 9223372036854775807) ORDER BY seq DESC LIMIT $3',
    [workingShop(), before, limit],
  );
  return rows.map(({ seq, entry, hash }) => {
    const { at, what, name, about, from } = JSON.parse(entry) as Record<string, string | null>;
    return {
      seq: Number(seq),
      at: at!,
      what: what!,
      person: name!,
      about: about!,
      from: from!,
      hash: hash.toString('hex'),
    };
  });
}
