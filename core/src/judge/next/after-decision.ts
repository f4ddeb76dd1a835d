/** What is asked for once the decision stands. */
import type { Reading } from '../../format/reading-shape';
import type { ObservationName } from '../../format/names';
import { TESTS, isTestName } from '../../trade/tables';
import type { Assessment } from '../../evidence/assessment';
import { isUndecided } from '../decide/decide';
import type { Decided } from '../decide/decide';
import type { Choice } from '../decide/choose';
import type { Repeated } from '../decide/single-witness';
import { flatBatteries } from '../decide/batteries';
import { nextSignalCheck } from '../decide/open-signal';
import { unexplained } from '../decide/unexplained';
import type { Standing } from '../decide/unexplained';
import { isCircuitSought } from '../../evidence/fuses';
import { openRepeats, repeatsOf } from '../compare/repeat-tests';
import { isOutside } from '../../evidence/limit-of';
import { isTried, notPossible, observed } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { Survey } from '../grade/survey';
import { lookFirst } from '../propose/look-first';
import { againstVolts } from '../propose/against-volts';
import { chargeStep, stepAs } from '../propose/propose-steps';
import type { Step } from '../propose/propose-steps';
import { message } from '../messages';

export interface NextAfter extends Standing {
  readonly decided: Decided;
  readonly surveyed: Survey;
  readonly choice: Choice;
}

/** A settled case asks for nothing more; charge-first asks for the charge. Before either a look at what may be unsafe. */
export function nextFor(given: NextAfter): readonly Step[] {
  const { gradedCase } = given.surveyed;
  const look = isUndecided(given.decided) ? lookFirst(gradedCase) : null;
  const rest = stepsAfter(given);
  if (look === null) return rest;
  return [stepAs(look, message('look-first', { look }), gradedCase), ...rest.filter(({ test }) => test !== look)];
}

function stepsAfter(given: NextAfter): readonly Step[] {
  const { decided, proposed, surveyed, choice } = given;
  const { gradedCase, before, assessments } = surveyed;
  switch (decided.action) {
    case 'charge-first':
      return [chargeStep(gradedCase, flatBatteries(gradedCase)[0])];
    case 'test-next': {
      // what was read already comes last, unless nothing unread is worth its minutes
      const [first, ...later] = choice.worthwhile.map(({ again }) => (again ? [repeat(again, gradedCase)] : []));
      return withoutTwins([
        ...(before ? repeatsAsked(surveyed) : instrumentChecks(proposed(), gradedCase, assessments)),
        ...againstVolts(gradedCase).map((reading) => readAgain(reading, gradedCase, message('read-both-again', {}))),
        ...(first ?? []),
        ...unexplained(decided.fault, given).map((reading) => readAgain(reading, gradedCase)),
        ...proposed(),
        ...later.flat(),
      ]);
    }
    case 'repaired': // decided, and the rest of the same tests is worth repeating all the same
      return repeatsAsked(surveyed).map(asOptional);
    default:
      return whereSteps(decided, gradedCase).map(asOptional);
  }
}

/** The decision stands: what is asked for now is worth doing and changes nothing of it. */
const asOptional = (step: Step): Step => ({ ...step, optional: true });

/** The part is known, and where in it is left to find: the circuit of a drain, the open piece of the start signal. */
function whereSteps({ part, fault }: Decided, gradedCase: GradedCase): readonly Step[] {
  if (part === 'drain') return circuitSteps(gradedCase);
  const check = fault === 'starter-control' ? nextSignalCheck(gradedCase) : null;
  return check ? [stepAs(check, message('settles', { step: check }), gradedCase)] : [];
}

/** A draw that was read twice is a fact without its circuit, which is what is left to find. */
function circuitSteps(gradedCase: GradedCase): readonly Step[] {
  return isCircuitSought(gradedCase)
    ? []
    : [stepAs('fuse-drop', message('settles', { step: 'fuse-drop' }), gradedCase)];
}

/** Where a test is asked for again because its instrument was off, the look at the instrument comes first. */
function instrumentChecks(
  proposed: readonly Step[],
  gradedCase: GradedCase,
  assessments: readonly Assessment[],
): readonly Step[] {
  const checks = new Set<ObservationName>();
  for (const { test } of proposed) {
    if (!isTestName(test)) continue;
    const newest = assessments.findLast(({ reading }) => reading.test === test && isTried(reading, gradedCase.pass));
    const check = newest?.grade === 'void' && TESTS[test].settledBy?.[newest.because.code];
    if (check && !observed(gradedCase, check)) checks.add(check);
  }
  return [...checks].map((check) => stepAs(check, message('instrument-first', { check }), gradedCase));
}

/** The step under the loads it was taken under; as it is asked where nobody told them. */
const under = (step: Step, loads: 'off' | 'on' | undefined): Step =>
  loads ? { ...step, conditions: { ...step.conditions, loads } } : step;

const repeat = (again: Repeated, gradedCase: GradedCase): Step =>
  'reading' in again
    ? readAgain(again.reading, gradedCase)
    : stepAs(again.about, message('look-again', again), gradedCase);

function readAgain(reading: Reading, gradedCase: GradedCase, because = message('read-again', { reading })): Step {
  const again = stepAs(reading.test, because, gradedCase);
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

/** After a repair the same tests come first, and of these what failed: what was measured before is measured again. */
export function repeatsAsked({ gradedCase, before }: Survey): readonly Step[] {
  const open = openRepeats(repeatsOf({ gradedCase, before })).filter(
    ({ test }) => before === null || !notPossible(gradedCase, test),
  );
  const first = before ?? gradedCase;
  const failed = open.filter((entry) => isOutside(first, entry.before));
  return [...failed, ...open.filter((entry) => !failed.includes(entry))].map(({ test, loads }) =>
    under(stepAs(test, message('again-after-repair', {}), gradedCase), loads),
  );
}
