import type { PracticeHelp, PracticeResult } from '@tetrad/core';
import type { Done, Exercise, Score } from '@tetrad/core/practice';

interface Scored {
  readonly score: Score;
  readonly done: readonly Done[];
}

/** A visit that was called, as it is kept for its person. */
export const resultOf = (
  { id, title }: Exercise,
  help: PracticeHelp,
  { score, done }: Scored,
  at = new Date(),
): PracticeResult => ({
  exercise: id,
  title,
  at: at.toISOString(),
  points: score.points,
  minutes: Math.round(score.minutes),
  isRight: score.isRight,
  isProven: score.isProven,
  help,
  hints: score.hints,
  steps: done.map(({ step }) => step),
  voids: score.voids.map(({ test }) => test),
  safety: [...score.safety],
});
