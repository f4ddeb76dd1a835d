/** What the demo's people practiced. */
import type { PracticeResult } from '@tetrad/core';

export interface DemoPractice {
  /** By name. */
  readonly by: string;
  readonly daysAgo: number;
  readonly result: Omit<PracticeResult, 'at'>;
}

const practiced = (
  by: string,
  daysAgo: number,
  [exercise, title]: readonly [string, string],
  [points, minutes]: readonly [number, number],
  more: Partial<PracticeResult> = {},
): DemoPractice => ({
  by,
  daysAgo,
  result: {
    exercise,
    title,
    points,
    minutes,
    isRight: points >= 40,
    isProven: points >= 65,
    help: 'hints',
    hints: 1,
    steps: ['resting-voltage', 'cranking-voltage', 'starter-draw'],
    voids: [],
    safety: [],
    ...more,
  },
});

export const DEMO_PRACTICE: readonly DemoPractice[] = [
  practiced('Bo Hannick', 21, ['flat-battery', 'Left in the yard'], [72, 38]),
  practiced('Bo Hannick', 20, ['slow-ground', 'After the clutch was done'], [31, 44], {
    voids: ['drop-starter-ground'],
    safety: ['fuel-not-stopped'],
  }),
  practiced('Bo Hannick', 14, ['slow-ground', 'After the clutch was done'], [58, 29]),
  practiced('Bo Hannick', 6, ['belt', 'It squeals in the rain'], [84, 17], { hints: 0 }),
  practiced('Bo Hannick', 5, ['wrong-label', 'Condemned by its label'], [10, 21]),
  practiced('Ilse Marrow', 12, ['slow-ground', 'After the clutch was done'], [96, 12], { help: 'alone', hints: 0 }),
  practiced('Ilse Marrow', 4, ['wrong-label', 'Condemned by its label'], [64, 26], { help: 'alone', hints: 0 }),
  practiced('Ilse Marrow', 3, ['clamp-ceiling', 'Exactly 200 amps'], [48, 51]),
];
