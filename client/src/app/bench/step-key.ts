import type { Reading } from '@tetrad/core';
import type { BenchStep } from './bench-steps';

/** A step's own key: its test, and its loads where it has two steps. */
export const keyOf = ({ test, fixed }: BenchStep): string =>
  fixed?.loads === undefined ? test : `${test}:${String(fixed.loads)}`;

/** Does a reading belong to this step? Without loads it belongs to the unloaded one. */
export const belongs = (reading: Reading, step: BenchStep): boolean =>
  reading.test === step.test &&
  (step.fixed?.loads === undefined || (reading.conditions?.loads ?? 'off') === step.fixed.loads);
