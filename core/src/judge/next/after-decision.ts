/** What is asked for once the decision stands. */
import type { Reading } from '../../format/case-shape';
import type { ObservationName } from '../../format/names';
import { TESTS, isTestName } from '../../trade/tables';
import type { Assessment } from '../grade/assessment';
import type { Decided } from '../decide/decide';
import { flatBatteries } from '../decide/batteries';
import { unexplained } from '../decide/unexplained';
import type { Standing } from '../decide/unexplained';
import { openRepeats, testsToRepeat } from '../repeat-tests';
import { isTried, notPossible, observed } from '../situation';
import type { Situation } from '../situation';
import type { Survey } from '../survey';
import { chargeStep, stepAs } from './next-step';
import type { Step } from './next-step';

export interface NextAfter extends Standing {
  readonly decided: Decided;
  readonly surveyed: Survey;
}

/** A settled case asks for nothing more; charge-first asks for the charge. */
export function nextFor(given: NextAfter): readonly Step[] {
  const { decided, proposed, surveyed } = given;
  const { situation, before, assessments } = surveyed;
  switch (decided.action) {
    case 'charge-first':
      return [chargeStep(situation, flatBatteries(situation)[0])];
    case 'test-next':
      return withoutTwins([
        ...(before ? repeats(situation, before) : instrumentChecks(proposed(), situation, assessments)),
        ...unexplained(decided.fault, given).map((reading) => readAgain(reading, situation)),
        ...proposed(),
      ]);
    default:
      return [];
  }
}

/** Where a test is asked for again because its instrument was off, the look at the instrument comes first. */
function instrumentChecks(
  proposed: readonly Step[],
  situation: Situation,
  assessments: readonly Assessment[],
): readonly Step[] {
  const checks = new Set<ObservationName>();
  for (const { test } of proposed) {
    if (!isTestName(test)) continue;
    const newest = assessments.findLast(({ reading }) => reading.test === test && isTried(reading, situation.pass));
    const check = newest?.grade === 'void' && TESTS[test].settledBy?.[newest.because.code];
    if (check && !observed(situation, check)) checks.add(check);
  }
  return [...checks].map((check) => stepAs(check, { code: 'instrument-first', with: { check } }, situation));
}

/** The step under the loads it was taken under; as it is asked where nobody told them. */
const under = (step: Step, loads: 'off' | 'on' | undefined): Step =>
  loads ? { ...step, conditions: { ...step.conditions, loads } } : step;

function readAgain(reading: Reading, situation: Situation): Step {
  const again = stepAs(reading.test, { code: 'read-again', with: { reading } }, situation);
  return {
    ...under(again, reading.conditions?.loads),
    ...(reading.battery !== undefined && { battery: reading.battery }),
  };
}

/** What is repeated anyway is not asked for a second time. */
const withoutTwins = (steps: readonly Step[]): readonly Step[] =>
  steps.filter(
    (step, place) =>
      !steps
        .slice(0, place)
        .some(({ test, conditions }) => test === step.test && conditions.loads === step.conditions.loads),
  );

/** After a repair the same tests come first: what was measured before is measured again. */
const repeats = (situation: Situation, before: Situation): readonly Step[] =>
  openRepeats(testsToRepeat(before, situation))
    .filter(({ test }) => !notPossible(situation, test))
    .map(({ test, loads }) => under(stepAs(test, { code: 'again-after-repair', with: {} }, situation), loads));
