/** What would change the decision: the reading across the leading fault, and where it would have to lie. */
import type { FaultName, StepName } from '../../format/names';
import { readAcross } from '../../trade/paths';
import { FAULTS, TESTS, isTestName } from '../../trade/tables';
import type { Said } from '../../words/phrases';
import { limitOf } from '../grade/limit-of';
import { latest } from '../situation';
import type { Evidence } from '../prove/evidence';
import { dropLimit } from '../weigh/paths';

export interface Change {
  readonly test: StepName;
  readonly says: Said;
}

/** At most so many are told: the rest would clear it less. */
const MOST = 2;

/** The bound alone: what was found is what would have to change. */
function withoutFound({ code, with: { found: _found, ...bound } }: Said): Said {
  return { code, with: bound };
}

export function wouldChange(fault: FaultName, { situation }: Evidence): readonly Change[] {
  const across = readAcross(fault).filter((test) => FAULTS[fault].where === test || latest(situation, test));
  const drops = across.slice(0, MOST).map((test): Change => ({
    test,
    says: {
      code: 'would-clear-drop',
      with: { test, max: dropLimit(test, situation) * situation.scale, isRead: latest(situation, test) !== undefined },
    },
  }));
  if (drops.length > 0) return drops;
  const direct = situation.readings.filter(({ test }) => TESTS[test].direct?.includes(fault));
  const limits = direct.flatMap((reading): readonly Change[] => {
    const limit = limitOf(situation, reading);
    if (!limit) return [];
    const { test } = reading;
    return [{ test, says: { code: 'would-clear', with: { test, bound: withoutFound(limit.bound) } } }];
  });
  if (limits.length > 0) return limits.slice(0, MOST);
  const { where } = FAULTS[fault];
  return where && !isTestName(where)
    ? [{ test: where, says: { code: 'would-clear-look', with: { step: where } } }]
    : [];
}
