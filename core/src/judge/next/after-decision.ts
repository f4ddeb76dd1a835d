/** What is asked for once the decision stands. */
import type { Decided } from '../decide/decide';
import { flatBatteries } from '../decide/batteries';
import type { Failure } from '../decide/failures';
import { openRepeats, testsToRepeat } from '../repeat-tests';
import type { Situation } from '../situation';
import type { Survey } from '../survey';
import { chargeStep, stepAs } from './next-step';
import type { Step } from './next-step';

/** A settled case asks for nothing more; charge-first asks for the charge. */
export function nextFor(
  { action }: Decided,
  proposed: () => readonly Step[],
  { situation, before }: Survey,
  failing: readonly Failure[],
): readonly Step[] {
  switch (action) {
    case 'charge-first':
      return [chargeStep(situation, flatBatteries(situation)[0])];
    case 'test-next':
      if (before) return [...repeats(situation, before), ...proposed()];
      return proposed().length > 0 ? proposed() : readAgain(situation, failing);
    default:
      return [];
  }
}

/** Nothing else is left to ask: what lies outside its limit unexplained is read once more. */
const readAgain = (situation: Situation, failing: readonly Failure[]): readonly Step[] =>
  failing
    .filter(({ isRepeated }) => !isRepeated)
    .map(({ reading }) => ({
      ...stepAs(reading.test, { code: 'read-again', with: { reading } }, situation),
      ...(reading.battery !== undefined && { battery: reading.battery }),
    }));

/** After a repair the same tests come first: what was measured before is measured again. */
const repeats = (situation: Situation, before: Situation): readonly Step[] =>
  openRepeats(testsToRepeat(before, situation)).map(({ test, loads }) => {
    const again = stepAs(test, { code: 'again-after-repair', with: {} }, situation);
    return loads ? { ...again, conditions: { ...again.conditions, loads } } : again;
  });
