import { threshold } from '../../criteria/weights';
import { didNotCrank } from '../../evidence/case-context';
import type { StepName } from '../../format/names';
import type { Failure } from '../derive/failures';
import type { ProvenCase } from '../prove/prove';
import { mayDecide } from '../rank/part-of';
import type { Ranked } from '../rank/rank-faults';
import { cheapestAction } from './final-action';
import type { FinalAction } from './final-action';
import { stepRowOf } from '../propose/step-rows';
import { deeperLoss } from './deepest-loss';
import { looseReadings } from './loose-readings';
import { worthwhileSteps } from './worthwhile-steps';
import type { WorthwhileStep } from './worthwhile-steps';

/** What may be decided now, and what is worth reading before. */
export interface Choice {
  /** The final action of least expected cost; null where none may be taken. */
  readonly action: FinalAction | null;
  /** Open steps that are expected to save more than they cost; none where the action is to be taken. */
  readonly worthwhile: readonly WorthwhileStep[];
  /** A fault that is settled before anything else is called. */
  readonly first?: Ranked;
}

export interface ChoiceInput {
  readonly provenCase: ProvenCase;
  readonly ranked: readonly Ranked[];
  readonly failing: readonly Failure[];
  readonly uncovered: readonly StepName[];
}

/** Chooses the final action, and looks whether another step is expected to save more than it costs. */
export function choose(input: ChoiceInput): Choice {
  const { provenCase, ranked, failing, uncovered } = input;
  const mayFindNothing = uncovered.length === 0 && !isInTheWay({ provenCase, failing });
  const cheapest = cheapestAction({ provenCase, ranked, failing, mayFindNothing });
  const about = cheapest?.fault?.fault ?? ranked.find(({ fault }) => mayDecide(fault, provenCase.gradedCase))?.fault;
  const deeper = about ? deeperLoss(about, provenCase, ranked, failing) : null;
  if (deeper?.isToBeTested) return { action: null, worthwhile: [], first: deeper.battery };
  // tested as far as it can be, and not proven: it holds up nothing any more
  const action = (deeper && callOf(deeper.battery, input)) ?? cheapest;
  if (!action) return { action, worthwhile: [] };
  const worthwhile = worthwhileSteps(action, provenCase, failing);
  const loose = looseReadings(action, provenCase, failing)
    .filter(({ id }) => !worthwhile.some(({ again }) => again && 'reading' in again && again.reading.id === id))
    .map((reading): WorthwhileStep => {
      const { minutes } = stepRowOf(reading.test).row;
      return { step: reading.test, minutes, saves: provenCase.gradedCase.criteria.costs.undecided, again: { reading } };
    });
  return { action, worthwhile: [...worthwhile, ...loose], ...(deeper && { first: deeper.battery }) };
}

/** The call of one fault; null where it may not be called. */
const callOf = (fault: Ranked, { provenCase, failing }: ChoiceInput): FinalAction | null =>
  cheapestAction({ provenCase, ranked: [fault], failing, mayFindNothing: false });

/**
 * Nothing is found while a reading straight across a fault is outside its limit, another that is far outside was read
 * once only, or any is outside while much is in doubt; nor of what did not crank: something holds it or nothing tells it to.
 */
const isInTheWay = ({
  provenCase: { gradedCase, probability },
  failing,
}: Pick<ChoiceInput, 'provenCase' | 'failing'>): boolean =>
  didNotCrank(gradedCase) ||
  failing.some(
    ({ faults, isFar, isRepeated }) =>
      faults.length > 0 || (isFar && !isRepeated) || 1 - probability.none > threshold('suspected'),
  );
