/** What must come before a step: a blocked step says why, and what taking it all the same costs. */
import type { ObservationName, StepName } from '../../format/names';
import { OBSERVATIONS, isObservationName, stepOf } from '../../trade/tables';
import type { Message } from '../../format/message';
import { whyStop } from '../decide/stop';
import { didNotCrank, didNotRun, isCharged, notPossible } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { lookFirst } from '../propose/look-first';
import { needsControlFirst } from '../propose/control-first';
import { message } from '../messages';

export interface Prerequisite {
  /** The step to do first, or null where nothing may be done. */
  readonly first: StepName | null;
  readonly because: Message;
  /** What it costs to take the step all the same. */
  readonly cost: Message;
}

/**
 * For each step that is blocked now: what must come first. Steps that are free are not in it. Steps that only
 * look are safe on any battery.
 *
 * @param isOnCharger The battery is being charged just now: nothing is cranked, run or loaded until it is read at rest.
 */
export function blockedSteps(
  gradedCase: GradedCase,
  names: readonly StepName[],
  { isOnCharger = false }: { readonly isOnCharger?: boolean } = {},
): ReadonlyMap<StepName, Prerequisite> {
  const stop = whyStop(gradedCase);
  const look = lookFirst(gradedCase);
  // whatever touches the battery
  const unsafe = stop ? stopped(stop.says) : look ? after(look) : null;
  const blocked = new Map<StepName, Prerequisite>();
  for (const name of names) {
    const isLooking = isObservationName(name) && OBSERVATIONS[name].isLooking;
    const found =
      (isLooking ? null : unsafe) ?? (isOnCharger ? offTheCharger(name) : null) ?? prerequisiteOf(name, gradedCase);
    if (found) blocked.set(name, found);
  }
  return blocked;
}

/** On the charger the engine stays off, and no figure speaks of the battery. */
const offTheCharger = (name: StepName): Prerequisite | null =>
  stepOf(name)?.needsCharge
    ? { first: 'resting-voltage', because: message('on-the-charger', {}), cost: message('off-the-charger-first', {}) }
    : null;

const after = (look: ObservationName): Prerequisite => ({
  first: look,
  because: message('look-first', { look }),
  cost: message('somebody-may-be-hurt', {}),
});

const stopped = (because: Message): Prerequisite => ({
  first: null,
  because,
  cost: message('somebody-may-be-hurt', {}),
});

function prerequisiteOf(name: StepName, gradedCase: GradedCase): Prerequisite | null {
  const row = stepOf(name);
  if (!row) return null;
  if (needsControlFirst(name, gradedCase) || (row.needsTurning && didNotCrank(gradedCase)))
    return {
      first: 'starter-control-voltage',
      because: message('no-current-to-read-by', {}),
      cost: message('void-without-current', {}),
    };
  if (row.needsEngine && didNotRun(gradedCase))
    return {
      first: 'cranking-voltage',
      because: message('engine-does-not-run', {}),
      cost: message('nothing-is-charged', {}),
    };
  if (!row.needsCharge || notPossible(gradedCase, 'resting-voltage')) return null;
  if (gradedCase.resting === null)
    return {
      first: 'resting-voltage',
      because: message('resting-comes-first', {}),
      cost: message('taken-again-after-charge', {}),
    };
  if (isCharged(gradedCase)) return null;
  return {
    first: 'charge',
    because: message('charge-comes-first', { needed: gradedCase.criteria.minimumCharge }),
    cost: message('spoilt-by-flat-battery', { minutes: row.minutes }),
  };
}

/** Minutes a step takes, set-up at the same place shared; null for an act that is no step. */
export const stepMinutes = (name: StepName): number | null => stepOf(name)?.minutes ?? null;
