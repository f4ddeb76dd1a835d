/** What the judge would have done with the same vehicle, played through the bay as anybody would. */
import type { Judgement } from '../format/judgement-shape';
import type { StepName } from '../format/names';
import { isUndecided } from '../judge/decide/decide';
import { FAULTS } from '../trade/tables';
import { judge } from '../words/en/judgement';
import { PracticeBay } from './bay';
import { demonstrate } from './demonstrate';
import type { Exercise } from './exercise';
import { StepMinutes } from './step-minutes';

/** Longer is not asked of anybody. */
const MAX_STEPS = 40;

export interface JudgesPath {
  readonly steps: readonly StepName[];
  /** Minutes of work. */
  readonly minutes: number;
  readonly said: Judgement;
  /** The battery was charged on the way. */
  readonly isCharged: boolean;
}

export function judgesPath(exercise: Exercise): JudgesPath {
  const bay = new PracticeBay(exercise);
  const minutes = new StepMinutes();
  const { count: batteries = 1 } = bay.vehicle.system.battery;
  const steps: StepName[] = [];
  let said = judge(bay.case);
  while (steps.length < MAX_STEPS && said.next[0] && isUndecided(said.decision)) {
    const next = said.next[0];
    // each battery is charged once
    if (next.test === 'charge' && steps.filter((step) => step === 'charge').length >= batteries) break;
    demonstrate(bay, next);
    minutes.add(next.test, next.conditions['loads']);
    steps.push(next.test);
    said = judge(bay.case);
  }
  return { steps, minutes: minutes.total, said, isCharged: steps.includes('charge') };
}

/** Whether the judge's own path ends at the truth. */
export function isSolved(exercise: Exercise): boolean {
  const { said, isCharged } = judgesPath(exercise);
  const { system } = new PracticeBay(exercise).vehicle;
  const { action, part } = said.decision;
  const [fault] = exercise.faults;
  if (fault === 'none') return action === 'none-found';
  // a frozen one is left alone
  if (fault === 'battery-discharged') return isCharged || action === 'charge-first' || action === 'stop';
  return (
    (action === 'replace' || action === 'repair') && exercise.faults.some((one) => FAULTS[one].part(system) === part)
  );
}
