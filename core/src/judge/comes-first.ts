/** What must come before a step: a blocked step says why, and what taking it all the same costs. */
import type { StepName } from '../format/names';
import { OBSERVATIONS, isObservationName, stepOf } from '../trade/tables';
import type { Said } from '../words/phrases';
import { whyStop } from './decide/stop';
import { didNotCrank, didNotRun, isCharged, notPossible } from './situation';
import type { Situation } from './situation';
import { needsControlFirst } from './weigh/flow';

export interface ComesFirst {
  /** The step to do first, or null where nothing may be done. */
  readonly first: StepName | null;
  readonly because: Said;
  /** What it costs to take the step all the same. */
  readonly cost: Said;
}

/**
 * For each step that is blocked now: what must come first. Steps that are free are not in it. Steps that only
 * look are safe on any battery.
 */
export function blockedSteps(situation: Situation, names: readonly StepName[]): ReadonlyMap<StepName, ComesFirst> {
  const stop = whyStop(situation);
  const blocked = new Map<StepName, ComesFirst>();
  for (const name of names) {
    const isLooking = isObservationName(name) && OBSERVATIONS[name].isLooking;
    const found = stop && !isLooking ? stopped(stop.says) : comesFirst(name, situation);
    if (found) blocked.set(name, found);
  }
  return blocked;
}

const plain = (code: string): Said => ({ code, with: {} });

const stopped = (because: Said): ComesFirst => ({ first: null, because, cost: plain('somebody-may-be-hurt') });

function comesFirst(name: StepName, situation: Situation): ComesFirst | null {
  const row = stepOf(name);
  if (!row) return null;
  if (needsControlFirst(name, situation) || (row.needsTurning && didNotCrank(situation)))
    return {
      first: 'starter-control-voltage',
      because: plain('no-current-to-read-by'),
      cost: plain('void-without-current'),
    };
  if (row.needsEngine && didNotRun(situation))
    return { first: 'cranking-voltage', because: plain('engine-does-not-run'), cost: plain('nothing-is-charged') };
  if (!row.needsCharge || notPossible(situation, 'resting-voltage')) return null;
  if (situation.resting === null)
    return { first: 'resting-voltage', because: plain('resting-comes-first'), cost: plain('taken-again-after-charge') };
  if (isCharged(situation)) return null;
  return {
    first: 'charge',
    because: { code: 'charge-comes-first', with: { needed: situation.criteria.minimumCharge } },
    cost: { code: 'spoilt-by-flat-battery', with: { minutes: row.minutes } },
  };
}

/** Minutes a step takes, set-up at the same place shared; null for an act that is no step. */
export const stepMinutes = (name: StepName): number | null => stepOf(name)?.minutes ?? null;
