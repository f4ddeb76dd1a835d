/** What became of a job that was signed off: whether the complaint is gone, and whether the judge was right. */
import type { System } from '../format/case-shape';
import { isSameDecision } from '../format/same-decision';
import { PARTS } from '../format/words';
import type { Action, JudgedPart, Part, SymptomName } from '../format/words';
import type { FaultName, TestName } from '../format/names';

/** What turned out to be at fault: a part, something that Tetrad does not judge, or nothing at all. */
export type Cause = Part | 'other' | 'nothing';
export const CAUSES: readonly Cause[] = [...PARTS, 'other', 'nothing'];

/** What is told of a complaint later on. */
export const COMPLAINT_STATES = ['gone', 'back'] as const;
export type ComplaintState = (typeof COMPLAINT_STATES)[number];

/** What somebody recorded of a job after it was signed off. */
export interface RecordedOutcome {
  readonly complaint: ComplaintState;
  /** What was at fault after all; null where it is not known. */
  readonly cause: Cause | null;
  /** ISO 8601. */
  readonly at: string;
}

/** A decision by action and part. */
export interface ShortDecision {
  readonly action: Action;
  readonly part: Part | null;
}

/** A job of the past that was signed off, as far as its outcome goes. */
export interface SignedJob {
  readonly job: string;
  readonly system: System;
  readonly symptoms: readonly SymptomName[];
  /** What the technician decided and did. */
  readonly signed: ShortDecision & { readonly partsFitted: readonly string[]; readonly solved: boolean | null };
  /** What the judge said at that time; null where nothing was. */
  readonly judged: (ShortDecision & { readonly fault: FaultName | null }) | null;
  /** How probable the judge called it, 0 to 1; null where it named no cause. */
  readonly probability: number | null;
  /** Parts that tests found good, with the tests that say so. */
  readonly kept: readonly { readonly part: JudgedPart; readonly tests: readonly TestName[] }[];
  readonly recorded: RecordedOutcome | null;
  /** When it came back with the same complaint within 90 days, ISO 8601; null where it did not. */
  readonly backAt: string | null;
  /** The limit set that it was judged by. */
  readonly criteria: string;
}

/** True where the technician decided otherwise than the judge. */
export const hasDiffered = ({ signed, judged }: Pick<SignedJob, 'signed' | 'judged'>): boolean =>
  !isSameDecision(signed, judged);

/**
 * Whether the complaint is gone. What was recorded counts, unless the vehicle came back after that; then a comeback; then what
 * was tried at the sign-off. Null where nobody looked: silence is not counted as success.
 */
export function complaintAfter({
  recorded,
  backAt,
  signed,
}: Pick<SignedJob, 'recorded' | 'backAt' | 'signed'>): ComplaintState | null {
  if (recorded && (backAt === null || Date.parse(backAt) <= Date.parse(recorded.at))) return recorded.complaint;
  if (backAt !== null) return 'back';
  if (signed.solved === null) return null;
  return signed.solved ? 'gone' : 'back';
}

/**
 * Whether the judge was right; null where that is not known. Where the cause was found it decides. Otherwise the complaint
 * does: gone after the judge was followed proves it, gone after something else was done disproves it, and still there after it
 * was followed disproves it too. Still there after something else was done says nothing of the judge.
 */
export function wasRight(job: Pick<SignedJob, 'recorded' | 'backAt' | 'signed' | 'judged'>): boolean | null {
  const { judged, recorded } = job;
  const claimed = judged && claimedCause(judged);
  if (claimed === null) return null;
  if (recorded?.cause) return recorded.cause === claimed;
  const complaint = complaintAfter(job);
  if (complaint === null) return null;
  if (!hasDiffered(job)) return complaint === 'gone';
  return complaint === 'gone' ? false : null;
}

/** What a decision says is at fault; null where it says nothing yet. */
function claimedCause({ action, part }: ShortDecision): Cause | null {
  if (action === 'none-found') return 'nothing';
  return action === 'test-next' || action === 'stop' ? null : part;
}
