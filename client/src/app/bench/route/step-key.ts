import { OBSERVATIONS, TESTS } from '@tetrad/core';
import type { ObservationName, Reading, StepName } from '@tetrad/core';
import { BENCH_STEPS } from './bench-steps';
import type { BenchStep, ReadingStep } from './bench-steps';

/** What the judge calls a step; the complaint has no such name. */
export const stepNameOf = (step: BenchStep): StepName | null => {
  switch (step.kind) {
    case 'reading':
      return step.test;
    case 'observe':
      return step.about;
    case 'charge':
      return 'charge';
    case 'ask':
      return null;
    default:
      throw new Error(`unknown step ${JSON.stringify(step satisfies never)}`);
  }
};

/** A step's own key: its name, and its loads where a test has two steps. */
export const keyOf = (step: BenchStep): string =>
  step.kind === 'reading' && step.fixed?.loads !== undefined
    ? `${step.test}:${String(step.fixed.loads)}`
    : (stepNameOf(step) ?? 'complaint');

/** A step's name for people. */
export const nameOfStep = (step: BenchStep): string => {
  if (step.kind === 'reading') return step.name ?? TESTS[step.test].name;
  return step.kind === 'observe' ? LOOKS[step.about] : step.name;
};

const LOOKS: Readonly<Record<ObservationName, string>> = {
  terminals: 'Terminals',
  'battery-case': 'Battery case',
  electrolyte: 'Electrolyte',
  belt: 'Belt',
  'charge-lamp': 'Charge lamp',
  'alternator-noise': 'Alternator noise',
  'crank-by-hand': 'Turn it by hand',
  'belt-removed-crank': 'Crank, belt off',
  'plugs-removed-crank': 'Crank, plugs out',
  'ground-strap': 'Ground strap',
  'fusible-link': 'Fusible link',
};

/** Does a reading belong to this step? Without loads it belongs to the unloaded one. */
export const belongs = (reading: Reading, step: BenchStep): step is ReadingStep =>
  step.kind === 'reading' &&
  reading.test === step.test &&
  (step.fixed?.loads === undefined || (reading.conditions?.loads ?? 'off') === step.fixed.loads);

/** The step that the judge, or a repeat, asks for. */
export const findStep = (name: StepName, loads?: unknown): BenchStep | undefined => {
  const found = BENCH_STEPS.filter((step) => stepNameOf(step) === name);
  return found.find((step) => step.kind === 'reading' && step.fixed?.loads === loads) ?? found[0];
};

/** A finding for people. */
export const findingWords = (finding: string): string => finding.replaceAll('-', ' ');
export const findingsOf = (about: keyof typeof OBSERVATIONS): readonly string[] => OBSERVATIONS[about];
