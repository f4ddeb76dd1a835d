/** A visit on the real bench, whose instruments are the simulated ones: what its readings are worth against the truth. */
import type { Case } from '../format/case-shape';
import type { ObservationName, StepName, TestName } from '../format/names';
import { isObservationName } from '../trade/tables';
import { judge } from '../words/en/judgement';
import { PracticeBay } from './bay';
import type { Exercise } from './exercise';
import { isTakenByHand } from './hands';
import { judgesPath } from './judges-path';
import { score } from './score';
import type { PracticeCall, Score } from './score';
import { believedOf } from './session';
import type { Done } from './session';
import { StepMinutes } from './step-minutes';
import { tooEarlyFor } from './too-early';

/** The case a visit on the bench begins with. */
export function benchCase(exercise: Exercise): Case {
  return new PracticeBay(exercise).case;
}

/** Only one fault and ordinary instruments stand behind the simulated instruments. */
export const isForBench = ({ faults, setting }: Exercise): boolean => faults.length === 1 && setting === undefined;

/** What somebody finds who looks, or takes a test with an instrument of its own; null where a simulated one reads it. */
export function foundAt(exercise: Exercise, step: StepName): string | number | readonly number[] | null {
  const bay = new PracticeBay(exercise);
  if (isObservationName(step)) {
    bay.look(step as ObservationName);
    return bay.case.observations?.at(-1)?.finding ?? null;
  }
  if (isTakenByHand(step as TestName)) return null;
  bay.special(step as TestName);
  return bay.case.readings.at(-1)?.value ?? null;
}

/** Scores a visit by its case. What was seen is taken as seen before the readings. */
export function scoreBenchVisit(
  exercise: Exercise,
  subject: Case,
  call: PracticeCall,
): { readonly score: Score; readonly done: readonly Done[] } {
  const minutes = new StepMinutes();
  const done: Done[] = [];
  const readings = subject.readings.filter((reading) => reading.void === undefined);
  const note = (step: StepName, until: number, loads?: unknown): void => {
    minutes.add(step, loads);
    const before = { ...subject, readings: readings.slice(0, Math.max(0, until - 1)) };
    const said = judge({ ...subject, readings: readings.slice(0, until) });
    const tooEarly = tooEarlyFor(step, before);
    done.push({ step, minutes: minutes.total, tooEarly, believed: believedOf(said) });
  };
  for (const { about } of subject.observations ?? []) if (isObservationName(about)) note(about, 0);
  readings.forEach(({ test, conditions }, at) => note(test, at + 1, conditions?.loads));
  const said = judge(subject);
  const { system } = new PracticeBay(exercise).vehicle;
  const tooEarly = done.flatMap(({ step, tooEarly: because }) => (because === null ? [] : [{ step, because }]));
  const visit = { exercise, system, readings, safety: [], said, minutes: minutes.total, hints: 0, tooEarly };
  return { score: score(call, visit, judgesPath(exercise)), done };
}
