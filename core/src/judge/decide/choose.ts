import { threshold } from '../../criteria/weights';
import { didNotCrank } from '../../evidence/case-context';
import type { StepName } from '../../format/names';
import type { Failure } from '../derive/failures';
import type { ProvenCase } from '../prove/prove';
import type { Ranked } from '../rank/rank-faults';
import { cheapestAction } from './final-action';
import type { FinalAction } from './final-action';
import { stepRowOf } from '../propose/step-rows';
import { looseReadings } from './loose-readings';
import { worthwhileSteps } from './worthwhile-steps';
import type { WorthwhileStep } from './worthwhile-steps';

/** What may be decided now, and what is worth reading before. */
export interface Choice {
  /** The final action of least expected cost; null where none may be taken. */
  readonly action: FinalAction | null;
  /** Open steps that are expected to save more than they cost; none where the action is to be taken. */
  readonly worthwhile: readonly WorthwhileStep[];
}

export interface ChoiceInput {
  readonly provenCase: ProvenCase;
  readonly ranked: readonly Ranked[];
  readonly failing: readonly Failure[];
  readonly uncovered: readonly StepName[];
}

/** Chooses the final action, and looks whether another step is expected to save more than it costs. */
export function choose({ provenCase, ranked, failing, uncovered }: ChoiceInput): Choice {
  const mayFindNothing = uncovered.length === 0 && !isInTheWay({ provenCase, failing });
  const action = cheapestAction({ provenCase, ranked, failing, mayFindNothing });
  if (!action) return { action, worthwhile: [] };
  const worthwhile = worthwhileSteps(action, provenCase, failing);
  const loose = looseReadings(action, provenCase, failing)
    .filter(({ id }) => !worthwhile.some(({ again }) => again && 'reading' in again && again.reading.id === id))
    .map((reading): WorthwhileStep => {
      const { minutes } = stepRowOf(reading.test).row;
      return { step: reading.test, minutes, saves: provenCase.gradedCase.criteria.costs.undecided, again: { reading } };
    });
  return { action, worthwhile: [...worthwhile, ...loose] };
}

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
