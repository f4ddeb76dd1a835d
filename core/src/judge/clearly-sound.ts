/** Whether a round check found a vehicle clearly sound: four notes within, both looks good, nothing suspected. */
import type { Case } from '../format/case-shape';
import type { Judgement } from '../format/judgement-shape';
import type { ObservationName, TestName } from '../format/names';
import type { Action } from '../format/words';
import { FOUR_NOTES } from '../trade/four-notes';

/** What is looked at in a round check. */
export const TWO_LOOKS = ['terminals', 'belt'] as const satisfies readonly ObservationName[];

/** What a sound vehicle shows. */
const SOUND_LOOK: Readonly<Record<(typeof TWO_LOOKS)[number], string>> = { terminals: 'clean', belt: 'good' };
/** Actions of a decision that call for no work. */
const CALLS_FOR_NOTHING: readonly Action[] = ['test-next', 'none-found'];

/**
 * A claim too, and a smaller one than a whole visit makes: that nothing of what a round looks at is doubtful. A reading
 * that is near its limit, void, missing or not judged is no such claim.
 *
 * @param judgement Of the same case.
 */
export function isClearlySound(subject: Case, { readings, decision }: Judgement): boolean {
  const { observations = [], system } = subject;
  const batteries = system.battery.count ?? 1;
  const gradeOf = new Map(readings.map(({ id, grade }) => [id, grade]));
  const isWithin = (test: TestName, battery?: number): boolean => {
    const own = subject.readings.filter(
      (reading) => reading.test === test && (battery === undefined || (reading.battery ?? 1) === battery),
    );
    return own.length > 0 && own.every(({ id }) => gradeOf.get(id) === 'within');
  };
  return (
    CALLS_FOR_NOTHING.includes(decision.action) &&
    FOUR_NOTES.every((test) => isWithin(test)) &&
    Array.from({ length: batteries }, (_, at) => at + 1).every((battery) => isWithin('resting-voltage', battery)) &&
    readings.every(({ grade }) => grade === 'within' || grade === 'noted') &&
    TWO_LOOKS.every((about) => {
      const seen = observations.filter((observation) => observation.about === about);
      return seen.length > 0 && seen.every(({ finding }) => finding === SOUND_LOOK[about]);
    })
  );
}
