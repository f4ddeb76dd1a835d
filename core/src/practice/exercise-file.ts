/** An exercise as a file: a lead writes one, and the class opens it. */
import type { Misfit } from '../format/misfit';
import { parseJson } from '../format/parse-json';
import { checkShape, integer, list, number, object, text, word } from '../format/shape';
import { FAULT_WORDS } from '../format/trade-words';
import type { Exercise } from './exercise';

export const EXERCISE_FORMAT = 'tetrad-exercise/1';

const exerciseShape = object(
  {
    format: word([EXERCISE_FORMAT]),
    id: text(1, 60),
    title: text(1, 80),
    story: text(1, 300),
    lesson: text(1, 300),
    faults: list(word(FAULT_WORDS), 1, 2),
    severity: number({ min: 0, max: 1 }),
    seed: integer(0, 1_000_000_000),
  },
  {},
);

export type ExerciseResult =
  { readonly ok: true; readonly exercise: Exercise } | { readonly ok: false; readonly misfits: readonly Misfit[] };

/** Reads an exercise; every fault is named by its path. */
export function readExercise(json: string): ExerciseResult {
  const parsed = parseJson(json);
  if (!parsed.ok) return parsed;
  const { misfits } = checkShape(exerciseShape, parsed.document);
  if (misfits.length > 0) return { ok: false, misfits };
  const { id, title, story, lesson, faults, severity, seed } = parsed.document as Exercise;
  return { ok: true, exercise: { id, title, story, lesson, faults, severity, seed } };
}

/** Writes one as a file, to be given away. */
export const writeExercise = (exercise: Exercise): string =>
  `${JSON.stringify({ format: EXERCISE_FORMAT, ...exercise }, null, 2)}\n`;
