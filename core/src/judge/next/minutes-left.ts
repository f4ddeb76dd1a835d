import { stepOf } from '../../trade/tables';
import type { StepName } from '../../format/names';
import type { LeadingFault, Step } from '../propose/propose-steps';

/** Minutes of a step that is no step of the route, like a charge. */
const OTHER_MINUTES = 5;
/** Half of the vehicles that are found at all are found in this share of what is still to be read. */
const MEDIAN_SHARE = 0.6;

const minutesOf = (steps: readonly StepName[]): number =>
  steps.reduce((sum, step) => sum + (stepOf(step)?.minutes ?? OTHER_MINUTES), 0);

/**
 * Minutes of work until a decision, at the median: the leading fault's proof where one leads, and its share of
 * what must be read besides where none does.
 */
export function minutesLeft({
  leading,
  uncovered,
  next,
}: {
  readonly leading: LeadingFault | null;
  readonly uncovered: readonly StepName[];
  readonly next: readonly Step[];
}): number {
  const p = leading?.probability ?? 0;
  const proof = leading ? minutesOf(leading.proof.missing) : 0;
  const rest = minutesOf(uncovered) * MEDIAN_SHARE;
  return Math.round(Math.max(next[0]?.minutes ?? 0, p * proof + (1 - p) * rest));
}
