/** What would change the decision: the reading across the leading fault, and where it would have to lie. */
import type { FaultName, StepName } from '../../format/names';
import { readAcross } from '../../circuit/paths';
import { FAULTS, TESTS, isTestName } from '../../trade/tables';
import type { Message } from '../../format/message';
import { limitOf } from '../../evidence/limit-of';
import { latest } from '../../evidence/case-context';
import type { ProvenCase } from '../prove/prove';
import { dropLimit } from '../weigh/paths';
import { message } from '../messages';

export interface Change {
  readonly test: StepName;
  readonly says: Message;
}

/** At most so many are told: the rest would clear it less. */
const MAX = 2;

/** The bound alone: what was found is what would have to change. */
function withoutFound({ code, params: { found: _found, ...bound } }: Message): Message {
  return { code, params: bound };
}

/** @returns at most two readings that would clear the fault, and where each would have to lie; empty where none would. */
export function wouldChange(fault: FaultName, { gradedCase }: ProvenCase): readonly Change[] {
  const across = readAcross(fault).filter((test) => FAULTS[fault].where === test || latest(gradedCase, test));
  const drops = across.slice(0, MAX).map((test): Change => ({
    test,
    says: message('would-clear-drop', {
      test,
      max: dropLimit(test, gradedCase) * gradedCase.scale,
      isRead: latest(gradedCase, test) !== undefined,
    }),
  }));
  if (drops.length > 0) return drops;
  const direct = gradedCase.readings.filter(({ test }) => TESTS[test].direct?.includes(fault));
  const limits = direct.flatMap((reading): readonly Change[] => {
    const limit = limitOf(gradedCase, reading);
    if (!limit) return [];
    const { test } = reading;
    return [{ test, says: message('would-clear', { test, bound: withoutFound(limit.bound) }) }];
  });
  if (limits.length > 0) return limits.slice(0, MAX);
  const { where } = FAULTS[fault];
  return where && !isTestName(where) ? [{ test: where, says: message('would-clear-look', { step: where }) }] : [];
}
