import type { JobChanges } from '@tetrad/contracts';
import type { OutboxItem } from './outbox-item';

const FIELD_WORDS: Readonly<Record<Exclude<keyof JobChanges, 'version'>, string>> = {
  system: 'the label',
  complaint: 'the complaint',
  conditions: 'the temperature',
  criteria: 'the limit set',
  status: 'open or closed',
  assignee: 'who has the job',
  pass: 'before or after the repair',
  vehicle: 'the vehicle',
};

/** A change that came second: what it changes, and the version that is stored now. */
export interface Conflict {
  readonly fields: readonly string[];
  readonly version: number;
}

/** @returns the conflict of a refused change, or null where it was refused for another reason. */
export function conflictOf(item: OutboxItem): Conflict | null {
  if (item.kind !== 'changes' || item.problem?.status !== 409) return null;
  const stored = item.problem.errors?.find(({ field }) => field === 'version')?.allowed;
  if (stored === undefined) return null;
  const fields = Object.keys(item.body).flatMap((field) =>
    field in FIELD_WORDS ? [FIELD_WORDS[field as keyof typeof FIELD_WORDS]] : [],
  );
  return { fields, version: Number(stored) };
}
