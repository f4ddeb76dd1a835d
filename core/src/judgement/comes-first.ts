/** What must come before a step: a blocked step says why, and what taking it all the same costs. */
import type { Case } from '../case/case-shape';
import type { StepName } from '../case/judgement-shape';
import { isTestName } from '../case/vocabulary';
import { BALANCED } from '../criteria/schools';
import type { CriteriaSet } from '../criteria/criteria-set';
import { whyStop } from './cautions';
import { isCharged } from './proof';
import { notPossible, situationOf } from './situation';
import type { Situation } from './situation';
import { STEPS } from './step-table';

export interface ComesFirst {
  /** The step to do first, or null where nothing may be done. */
  readonly first: StepName | null;
  readonly because: string;
  /** What it costs to take the step all the same. */
  readonly cost: string;
}

/** Steps that only look: they are safe on any battery. */
const LOOKING: ReadonlySet<StepName> = new Set([
  'terminals',
  'battery-case',
  'electrolyte',
  'belt',
  'charge-lamp',
  'alternator-noise',
  'ground-strap',
  'fusible-link',
]);

/** For each step that is blocked now: what must come first. Steps that are free are not in it. */
export function blockedSteps(
  subject: Case,
  names: readonly StepName[],
  criteria: CriteriaSet = BALANCED,
): ReadonlyMap<StepName, ComesFirst> {
  const situation = situationOf(subject, criteria);
  const stop = whyStop(situation);
  const blocked = new Map<StepName, ComesFirst>();
  for (const name of names) {
    const found = stop && !LOOKING.has(name) ? stopped(stop.because) : comesFirst(name, situation);
    if (found) blocked.set(name, found);
  }
  return blocked;
}

const stopped = (because: string): ComesFirst => ({
  first: null,
  because,
  cost: 'Somebody may be hurt. Do not take it.',
});

function comesFirst(name: StepName, situation: Situation): ComesFirst | null {
  const row = STEPS[name];
  if (!row) return null;
  if (row.needsCrank && situation.readings.some((reading) => reading.notPossible === 'did-not-crank'))
    return {
      first: 'starter-control-voltage',
      because: 'It does not crank, so no current flows to read this by.',
      cost: 'Without current the reading is void.',
    };
  if (row.needsEngine && situation.readings.some((reading) => reading.notPossible?.startsWith('did-not')))
    return {
      first: 'cranking-voltage',
      because: 'The engine does not run.',
      cost: 'Nothing is charged, so nothing can be read.',
    };
  if (!row.needsCharge || notPossible(situation, 'resting-voltage')) return null;
  if (situation.resting === null)
    return {
      first: 'resting-voltage',
      because: 'Read the resting voltage first: everything leans on it.',
      cost: 'A flat battery would spoil this reading, and it would be taken again after the charge.',
    };
  if (isCharged(situation)) return null;
  const again = row.minutes;
  return {
    first: 'charge',
    because: 'The battery is below 75 %: charge it first.',
    cost: `A flat battery spoils it: about ${again} min now, and the same again after the charge.`,
  };
}

/** Minutes a step takes, set-up at the same place shared; null where the table has none. */
export const stepMinutes = (name: StepName): number | null => STEPS[name]?.minutes ?? (isTestName(name) ? 2 : null);
