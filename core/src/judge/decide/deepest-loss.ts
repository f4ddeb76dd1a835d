/** The deepest loss of a crank comes first: what the battery lost over what it may is settled before a smaller one is called. */
import { latest } from '../../evidence/case-context';
import { limitOf } from '../../evidence/limit-of';
import type { FaultName, StepName } from '../../format/names';
import { stepOf } from '../../trade/tables';
import type { Failure } from '../derive/failures';
import { isOpen } from '../propose/is-open';
import type { ProvenCase } from '../prove/prove';
import { EVEN_ODDS } from '../rank/even-odds';
import type { Ranked } from '../rank/rank-faults';

const OF_BATTERY: readonly FaultName[] = ['battery-worn', 'battery-dead-cell'];

/** Volts that the battery lost while cranking over what its limit allows; 0 where it lost no more. */
function lostOverLimit({ gradedCase }: ProvenCase): number {
  const cranking = latest(gradedCase, 'cranking-voltage');
  const limit = cranking && limitOf(gradedCase, cranking);
  return limit ? Math.max(0, limit.min - cranking.value) : 0;
}

/** The most that a drop across the called fault is over its limit, V. */
function calledOverLimit(called: FaultName, { gradedCase }: ProvenCase, failing: readonly Failure[]): number {
  return failing
    .filter(({ faults }) => faults.includes(called))
    .reduce((most, { reading }) => {
      const limit = limitOf(gradedCase, reading);
      return limit ? Math.max(most, limit.value - limit.max) : most;
    }, 0);
}

/** What has to be settled before the call. */
export interface DeeperLoss {
  readonly battery: Ranked;
  /** Something that its proof lacks can still be done. */
  readonly isToBeTested: boolean;
}

/**
 * @param called The fault that would be called, or that leads.
 * @returns the battery that is as likely as not bad and lost more than what is called; null where there is none.
 */
export function deeperLoss(
  called: FaultName,
  provenCase: ProvenCase,
  ranked: readonly Ranked[],
  failing: readonly Failure[],
): DeeperLoss | null {
  if (OF_BATTERY.includes(called)) return null;
  const battery = ranked.find(({ fault, probability }) => OF_BATTERY.includes(fault) && probability >= EVEN_ODDS);
  const lost = lostOverLimit(provenCase);
  if (!battery || lost === 0 || lost <= calledOverLimit(called, provenCase, failing)) return null;
  const { proven, missing } = provenCase.proofOf(battery.fault);
  const isToDo = (step: StepName): boolean => {
    if (step === 'label') return true;
    const row = stepOf(step);
    return row !== null && isOpen(step, row, provenCase.gradedCase);
  };
  return { battery, isToBeTested: !proven && missing.some(isToDo) };
}
