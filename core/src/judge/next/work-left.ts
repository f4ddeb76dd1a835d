import { changeMinutes } from '../../evidence/engine-state';
import type { GradedCase } from '../../evidence/case-context';
import { stepOf } from '../../trade/tables';
import type { StepName } from '../../format/names';
import type { LeadingFault, Step } from '../propose/propose-steps';
import { engineNow, visitsOf } from '../propose/visits';
import type { Visit } from '../propose/visits';
import { SETTING_UP_MINUTES } from '../propose/step-rows';
import { EVEN_ODDS } from '../rank/even-odds';

/** Minutes of a step that is no step of the route, like a charge. */
export const OTHER_MINUTES = 5;
/**
 * A fault that nobody suspects yet shows itself after about this share of what must be read: the minutes told at the
 * first reading are then those it takes, at the median (docs/benchmarks.md, minutes told).
 */
const FOUND_AFTER = 0.5;

export interface Left {
  /** What is still to be read until a decision, by visit. */
  readonly plan: readonly Visit[];
  /** Minutes of work for it. */
  readonly minutes: number;
}

/**
 * What is left until a decision: what comes next, and the leading fault's proof where one leads, else what must be read
 * before nothing may be found. A fault that is found on the way makes it shorter.
 *
 * @param leading The most probable fault, where one is suspected.
 */
export function workLeft(
  gradedCase: GradedCase,
  {
    leading,
    none,
    uncovered,
    next,
  }: {
    readonly leading: LeadingFault | null;
    /** Probability that nothing is wrong. */
    readonly none: number;
    readonly uncovered: readonly StepName[];
    readonly next: readonly Step[];
  },
): Left {
  const [first] = next;
  const p = leading?.probability ?? 0;
  const proof = leading?.proof.missing ?? [];
  const other = Math.max(0, 1 - p - none);
  const begun = first ? [first.test] : [];
  const ifLeading = minutesOf([...new Set([...begun, ...proof])], gradedCase);
  const ifNothing = minutesOf([...new Set([...begun, ...uncovered])], gradedCase);
  const steps = [...new Set([...begun, ...(p >= EVEN_ODDS ? proof : [...proof, ...uncovered])])];
  return {
    plan: visitsOf(steps, gradedCase),
    // what comes next comes whatever is found
    minutes: Math.round(
      Math.max(minutesOf(begun, gradedCase), p * ifLeading + (none + FOUND_AFTER * other) * ifNothing),
    ),
  };
}

/** The steps with what lies between them. */
function minutesOf(steps: readonly StepName[], gradedCase: GradedCase): number {
  let minutes = 0;
  let engine = engineNow(gradedCase);
  for (const visit of visitsOf(steps, gradedCase)) {
    minutes += changeMinutes(engine, visit.engine);
    engine = visit.engine;
    for (const step of visit.steps) minutes += (stepOf(step)?.minutes ?? OTHER_MINUTES) + SETTING_UP_MINUTES;
  }
  return minutes;
}
