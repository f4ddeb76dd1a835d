import type { ActStep, RouteStep } from '../trade/bench-route';

/** The pages of steps at which no figure is read from a meter: by what the judge calls the step where it has a name for it. */
export const ACT_PAGES: Readonly<Record<ActStep['kind'], string>> = {
  ask: 'complaint',
  label: 'label',
  charge: 'charge',
  capture: 'recording',
};

/** The id of the page that tells of a step of the bench. */
export function pageOfStep(step: RouteStep): string {
  if (step.kind === 'reading') return step.test;
  return step.kind === 'observe' ? step.about : ACT_PAGES[step.kind];
}
