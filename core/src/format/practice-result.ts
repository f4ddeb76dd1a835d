/** How a visit in the practice bay went, as it is kept for its person. */
import { OBSERVATION_WORDS, TEST_WORDS } from './trade-words';
import { flag, integer, list, number, object, text, time, word } from './shape';
import type { Infer } from './shape';

/** How much was told on the way. */
export const PRACTICE_HELPS = ['with-help', 'hints', 'alone'] as const;
export type PracticeHelp = (typeof PRACTICE_HELPS)[number];

const step = word([...TEST_WORDS, ...OBSERVATION_WORDS, 'charge', 'label']);

export const practiceResultShape = object(
  {
    /** In the address of the exercise. */
    exercise: text(1, 80),
    title: text(1, 80),
    /** When it was called. */
    at: time(),
    points: integer(0, 100),
    /** Minutes of work, waiting that was skipped included. */
    minutes: number({ min: 0, max: 100_000 }),
    isRight: flag(),
    isProven: flag(),
    help: word(PRACTICE_HELPS),
    hints: integer(0, 1000),
    /** What was done, in its order. */
    steps: list(step, 0, 200),
    voids: list(step, 0, 200),
    safety: list(text(1, 40), 0, 20),
  },
  {},
  { isClosed: true },
);
export type PracticeResult = Infer<typeof practiceResultShape>;
