/** An exercise as a file: a lead writes one, and the class opens it. */
import type { Misfit } from '../format/misfit';
import { parseJson } from '../format/parse-json';
import { checkShape, flag, integer, list, number, object, text, word } from '../format/shape';
import { FAULT_WORDS } from '../format/trade-words';
import type { Exercise } from './exercise';

export const EXERCISE_FORMAT = 'tetrad-exercise/1';

const instrumentFaults = object(
  {},
  {
    clampOffAmps: number({ min: -100, max: 100 }),
    clampMostAmps: number({ min: 1, max: 2000 }),
    clampFactor: number({ min: 0.01, max: 100 }),
    hasBrokenLead: flag(),
    acSeesDc: flag(),
  },
);
const kind = object(
  { fuel: word(['petrol', 'diesel']), nominalVolts: word([6, 12, 24]) },
  { inParallel: word([2, 3]) },
);
const setting = object({}, { kind, isJustCharged: flag(), isLabelMisread: flag(), instruments: instrumentFaults });

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
  { setting, hints: list(text(1, 300), 0, 10) },
);

export type ExerciseResult =
  { readonly ok: true; readonly exercise: Exercise } | { readonly ok: false; readonly misfits: readonly Misfit[] };

/** Reads an exercise; every fault is named by its path. */
export function readExercise(json: string): ExerciseResult {
  const parsed = parseJson(json);
  if (!parsed.ok) return parsed;
  const { misfits } = checkShape(exerciseShape, parsed.document);
  if (misfits.length > 0) return { ok: false, misfits };
  const { format: _format, ...exercise } = parsed.document as Exercise & { readonly format: string };
  return { ok: true, exercise };
}

/** Writes one as a file, to be given away. */
export const writeExercise = (exercise: Exercise): string =>
  `${JSON.stringify({ format: EXERCISE_FORMAT, ...exercise }, null, 2)}\n`;
