/** What is asked for once the decision stands. */
import type { ObservationName } from '../../format/names';
import { TESTS, isTestName } from '../../trade/tables';
import type { Assessment } from '../grade/assessment';
import type { Decided } from '../decide/decide';
import { flatBatteries } from '../decide/batteries';
import type { Failure } from '../decide/failures';
import { openRepeats, testsToRepeat } from '../repeat-tests';
import { isTried, observed } from '../situation';
import type { Situation } from '../situation';
import type { Survey } from '../survey';
import { chargeStep, stepAs } from './next-step';
import type { Step } from './next-step';

/** A settled case asks for nothing more; charge-first asks for the charge. */
export function nextFor(
  { action }: Decided,
  proposed: () => readonly Step[],
  { situation, before, assessments }: Survey,
  failing: readonly Failure[],
): readonly Step[] {
  switch (action) {
    case 'charge-first':
      return [chargeStep(situation, flatBatteries(situation)[0])];
    case 'test-next':
      if (before) return withoutTwins([...repeats(situation, before), ...proposed()]);
      return proposed().length > 0
        ? [...instrumentChecks(proposed(), situation, assessments), ...proposed()]
        : readAgain(situation, failing);
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

/** Nothing else is left to ask: what lies outside its limit unexplained is read once more. */
const readAgain = (situation: Situation, failing: readonly Failure[]): readonly Step[] =>
  failing
    .filter(({ isRepeated }) => !isRepeated)
    .map(({ reading }) => ({
      ...stepAs(reading.test, { code: 'read-again', with: { reading } }, situation),
      ...(reading.battery !== undefined && { battery: reading.battery }),
    }));

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
  openRepeats(testsToRepeat(before, situation)).map(({ test, loads }) => {
    const again = stepAs(test, { code: 'again-after-repair', with: {} }, situation);
    return loads ? { ...again, conditions: { ...again.conditions, loads } } : again;
  });
