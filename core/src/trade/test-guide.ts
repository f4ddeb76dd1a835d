/**
 * What a person who learns the trade is told of a test, beside what its row says. It stands in the test's own file as a value
 * of its own, so that the judge is bundled without it. Limits are not repeated here: they are those of the limit sets.
 */
export interface TestGuide {
  /** Why it is read, beyond what it settles; one sentence each. */
  readonly why: readonly string[];
  /** What makes the figure wrong or worthless. */
  readonly spoils: readonly string[];
  /** What the figure says, and what it does not. */
  readonly means: readonly string[];
}

/** What spoils a voltage drop along any path. */
export const DROP_SPOILED: readonly string[] = [
  'Little or no current: without it every path reads near zero. The amps belong to the reading.',
  'A lead on paint, rust or the clamp instead of bare metal or the post.',
  'A min/max peak: it holds the inrush. Read the steady figure.',
];
