import { OBSERVATIONS, TESTS } from '@tetrad/core';
import type { Reading, ReadingStep, RouteStep, StepName } from '@tetrad/core';
import { BENCH_STEPS } from './bench-steps';

/** What the judge calls a step; complaint and recording have no such name. */
export const stepNameOf = (step: RouteStep): StepName | null => {
  switch (step.kind) {
    case 'reading':
      return step.test;
    case 'observe':
      return step.about;
    case 'charge':
    case 'label':
      return step.kind;
    case 'ask':
    case 'capture':
      return null;
    default:
      throw new Error(`unknown step ${JSON.stringify(step satisfies never)}`);
  }
};

/** A step's own key: its name, and its loads where a test has two steps. */
export const keyOf = (step: RouteStep): string =>
  step.kind === 'reading' && step.fixed?.loads !== undefined
    ? `${step.test}:${String(step.fixed.loads)}`
    : (stepNameOf(step) ?? (step.kind === 'capture' ? 'capture' : 'complaint'));

/** A step's name for people. */
export const nameOfStep = (step: RouteStep): string => {
  if (step.kind === 'reading') return step.name ?? TESTS[step.test].name;
  return step.kind === 'observe' ? OBSERVATIONS[step.about].name : step.name;
};

/** Does a reading belong to this step? Without loads it belongs to the unloaded one. */
export const belongs = (reading: Reading, step: RouteStep): step is ReadingStep =>
  step.kind === 'reading' &&
  reading.test === step.test &&
  (step.fixed?.loads === undefined || (reading.conditions?.loads ?? 'off') === step.fixed.loads);

/** The step that the judge, or a repeat, asks for. */
export const findStep = (name: StepName, loads?: unknown): RouteStep | undefined => {
  const found = BENCH_STEPS.filter((step) => stepNameOf(step) === name);
  return found.find((step) => step.kind === 'reading' && step.fixed?.loads === loads) ?? found[0];
};
