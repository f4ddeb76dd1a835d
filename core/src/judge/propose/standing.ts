/** Where the technician stands: the engine, the step of the newest reading, and whether anything is still owed there. */
import type { GradedCase } from '../../evidence/case-context';
import { changeMinutes } from '../../evidence/engine-state';
import { isStill, spinsFree } from '../../evidence/flow';
import type { Step as StepRow } from '../../evidence/step';
import type { StepName } from '../../format/names';
import type { EngineState } from '../../format/words';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomKind } from '../../trade/symptoms';
import { isTestName, stepOf } from '../../trade/tables';
import { missingUnits } from './missing-units';
import { SETTING_UP_MINUTES } from './step-rows';
import { engineFor, engineNow, newestOf } from './visits';

export interface Standing {
  readonly engine: EngineState;
  readonly step: StepRow | null;
  readonly isOwedHere: boolean;
  /** Nothing but the resting voltage was read since the pass began or the charge: nothing is connected. */
  readonly isFresh: boolean;
  /** The newest reading is of a crank in which current flowed, and the complaint is about starting, or there is none. */
  readonly isCranking: boolean;
  /** The newest reading is of one battery of a pack: the links are off. */
  readonly isApart: boolean;
}

/** The complaint is about starting, or there is none. */
function isAboutStarting({ case: { complaint } }: GradedCase): boolean {
  const kinds = (complaint?.symptoms ?? []).flatMap((symptom): readonly SymptomKind[] => SYMPTOMS[symptom].kinds);
  return kinds.length === 0 || kinds.some((kind) => kind === 'starting' || kind === 'none');
}

export function standingOf(gradedCase: GradedCase, uncovered: readonly StepName[]): Standing {
  const engine = engineNow(gradedCase);
  const newest = newestOf(gradedCase);
  const step = newest ? stepOf(newest.test) : null;
  return {
    engine,
    step,
    isFresh: newest === undefined || newest.test === 'resting-voltage',
    isApart: newest?.battery !== undefined,
    isCranking:
      step?.isOfOneCrank === true && isAboutStarting(gradedCase) && !isStill(gradedCase) && !spinsFree(gradedCase),
    isOwedHere: uncovered.some((name) => isTestName(name) && engineFor(name, gradedCase) === engine),
  };
}

/**
 * Minutes until a step can be taken: another state of the engine costs its minutes, and the way back where something is
 * still owed; what is read at the same place with the engine as it is costs no setting up.
 */
export function minutesTo(
  engine: EngineState,
  { place }: StepRow,
  { engine: now, step, isOwedHere }: Standing,
): number {
  if (engine === now) return place === step?.place ? 0 : SETTING_UP_MINUTES;
  return SETTING_UP_MINUTES + changeMinutes(now, engine) + (isOwedHere ? changeMinutes(engine, now) : 0);
}

/** The leads lie there: it belongs to the crank, or to the pack taken apart, of the newest reading. */
export const isAtHand = (
  name: StepName,
  { isOfOneCrank }: StepRow,
  { isCranking, isApart }: Standing,
  gradedCase: GradedCase,
): boolean => (isOfOneCrank === true && isCranking) || (isApart && isBegunOnPack(name, gradedCase));

/** Read on some batteries of the pack, and not on all. */
function isBegunOnPack(name: StepName, gradedCase: GradedCase): boolean {
  if (!isTestName(name)) return false;
  const missing = missingUnits(name, gradedCase).length;
  return missing > 0 && missing < (gradedCase.case.system.battery.count ?? 1);
}
