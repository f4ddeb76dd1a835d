/** What would change the decision: the reading across the leading fault, and where it would have to lie. */
import type { FaultName, ObservationName, StepName, TestName } from '../../format/names';
import { readAcross } from '../../circuit/paths';
import type { PathTest } from '../../circuit/paths';
import type { GradedCase } from '../../evidence/case-context';
import { FAULTS, TESTS, isTestName } from '../../trade/tables';
import type { Message } from '../../format/message';
import type { Reading } from '../../format/reading-shape';
import { isOutside, limitOf } from '../../evidence/limit-of';
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

/** What the reading may be at the current that flowed; where it was not read, at the usual one. */
function limitNow(test: PathTest, gradedCase: GradedCase): number {
  const reading = latest(gradedCase, test);
  const drawn = reading && limitOf(gradedCase, reading)?.drawn;
  return drawn && Number.isFinite(drawn.max) ? drawn.max : dropLimit(test, gradedCase) * gradedCase.scale;
}

/**
 * @param shown The reading that the decision shows: one of the same test needs no name.
 * @returns at most two readings that would clear the fault, and where each would have to lie; empty where none would.
 */
export function wouldChange(
  fault: FaultName,
  { gradedCase }: ProvenCase,
  shown: Reading | undefined,
): readonly Change[] {
  const isOther = (test: TestName): boolean => shown !== undefined && shown.test !== test;
  // a reading that is good already would clear nothing by being good again
  const saysOtherwise = (test: TestName): boolean => {
    const reading = latest(gradedCase, test);
    return reading === undefined ? FAULTS[fault].where === test : isOutside(gradedCase, reading);
  };
  const across = readAcross(fault).filter(saysOtherwise);
  const drops = across.slice(0, MAX).map((test, _place, all): Change => ({
    test,
    says: message('would-clear-drop', {
      test,
      max: limitNow(test, gradedCase),
      isRead: latest(gradedCase, test) !== undefined,
      isNamed: all.length > 1 || isOther(test),
    }),
  }));
  if (drops.length > 0) return drops;
  const direct = gradedCase.readings.filter(
    (reading) => TESTS[reading.test].direct?.includes(fault) && isOutside(gradedCase, reading),
  );
  const isNamed = new Set(direct.map(({ test }) => test)).size > 1;
  const limits = direct.flatMap((reading): readonly Change[] => {
    const limit = limitOf(gradedCase, reading);
    if (!limit) return [];
    const { test } = reading;
    return [
      {
        test,
        says: message('would-clear', { test, bound: withoutFound(limit.bound), isNamed: isNamed || isOther(test) }),
      },
    ];
  });
  if (limits.length > 0) return limits.slice(0, MAX);
  const { where } = FAULTS[fault];
  // what was looked at already stays what it was
  return where && !isTestName(where) && !gradedCase.observed.has(where as ObservationName)
    ? [{ test: where, says: message('would-clear-look', { step: where }) }]
    : [];
}
