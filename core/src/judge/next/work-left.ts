import { changeMinutes } from '../../evidence/engine-state';
import type { GradedCase } from '../../evidence/case-context';
import { FAULT_NAMES, stepOf } from '../../trade/tables';
import { usualSeconds } from '../../trade/waits';
import type { FaultName, StepName } from '../../format/names';
import type { ProvenCase } from '../prove/prove';
import { mayDecide } from '../rank/part-of';
import type { LeadingFault, Step } from '../propose/propose-steps';
import { engineNow, visitsOf } from '../propose/visits';
import type { Visit } from '../propose/visits';
import { SETTING_UP_MINUTES } from '../propose/step-rows';
import { threshold } from '../../criteria/weights';
import { EVEN_ODDS } from '../rank/even-odds';

/** Minutes of a step that is no step of the route, like a charge. */
export const OTHER_MINUTES = 5;
/**
 * A fault that nobody suspects yet shows itself after about this share of what must be read: the minutes told at the
 * first reading are then those it takes, at the median (docs/benchmarks.md, minutes told).
 */
const FOUND_AFTER = 0.75;

/** The starter cools between one crank and the next, min. */
const COOLING_MINUTES = usualSeconds('cool-down') / 60;

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
    provenCase,
    uncovered,
    next,
  }: {
    readonly leading: LeadingFault | null;
    readonly provenCase: ProvenCase;
    readonly uncovered: readonly StepName[];
    readonly next: readonly Step[];
  },
): Left {
  const [first] = next;
  const p = leading?.probability ?? 0;
  const proof = leading?.proof.missing ?? [];
  const begun = first ? [first.test] : [];
  const sure = minutesOf([...new Set([...begun, ...(p >= threshold('suspected') ? proof : [])])], gradedCase);
  const steps = [...new Set([...begun, ...(p >= EVEN_ODDS ? proof : [...proof, ...uncovered])])];
  return {
    plan: visitsOf(steps, gradedCase),
    // what comes next comes whatever is found, and no step of a proof is shorter for being likely only
    minutes: Math.round(
      Math.max(
        ...suspectedIn(provenCase).flatMap((fault) => provenCase.proofOf(fault).missing.map(minutesAlone)),
        sure + FOUND_AFTER * (minutesOf(steps, gradedCase) - sure),
      ),
    ),
  };
}

/** Faults that the work is planned for: each may turn out to be the one. */
const suspectedIn = ({ probability, gradedCase }: ProvenCase): readonly FaultName[] =>
  FAULT_NAMES.filter((fault) => probability[fault] >= threshold('suspected') && mayDecide(fault, gradedCase));

/** The steps with what lies between them. */
function minutesOf(steps: readonly StepName[], gradedCase: GradedCase): number {
  let minutes = 0;
  let engine = engineNow(gradedCase);
  for (const visit of visitsOf(steps, gradedCase)) {
    minutes += changeMinutes(engine, visit.engine);
    engine = visit.engine;
    for (const step of visit.steps) minutes += minutesAlone(step);
    if (visit.engine === 'cranking') minutes += (cranksOf(visit.steps) - 1) * COOLING_MINUTES;
  }
  return minutes;
}

const minutesAlone = (step: StepName): number => (stepOf(step)?.minutes ?? OTHER_MINUTES) + SETTING_UP_MINUTES;

/** What is read at the posts together takes one crank, everything else one of its own. */
function cranksOf(steps: readonly StepName[]): number {
  const together = steps.filter((step) => stepOf(step)?.isOfOneCrank === true).length;
  return steps.length - Math.max(0, together - 1);
}
