/** The steps that are left, by what the engine does for them: one visit for each state. */
import { ENGINE_STATES } from '../../format/words';
import type { EngineState } from '../../format/words';
import { isTried, loadsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { StepName } from '../../format/names';
import type { Reading } from '../../format/reading-shape';
import { OBSERVATIONS, TESTS, isObservationName, isTestName, stepOf } from '../../trade/tables';

/** Steps that are taken while the engine does one thing. */
export interface Visit {
  readonly engine: EngineState;
  readonly steps: readonly StepName[];
}

/** What the engine does while a step is taken. A test that is read with loads off and on runs loaded with them. */
export function engineOf(name: StepName, loads?: unknown): EngineState {
  const engine = stepOf(name)?.engine ?? 'off';
  return engine === 'running' && loads === 'on' ? 'loaded' : engine;
}

/** What the engine does while the step is taken that is open now. */
export function engineFor(name: StepName, gradedCase: GradedCase): EngineState {
  if (isTestName(name)) return engineOf(name, TESTS[name].asked?.(gradedCase)['loads']);
  // a look fits into any visit
  return isObservationName(name) && OBSERVATIONS[name].isLooking ? engineNow(gradedCase) : engineOf(name);
}

/** The newest reading of this pass; undefined before the first. */
export const newestOf = ({ case: { readings }, pass }: GradedCase): Reading | undefined =>
  readings.findLast((reading) => reading.value !== null && isTried(reading, pass));

/** What the engine did at the newest reading of this pass; off before the first. */
export function engineNow(gradedCase: GradedCase): EngineState {
  const newest = newestOf(gradedCase);
  return newest ? engineOf(newest.test, loadsOf(newest)) : 'off';
}

/** Steps by visit: first what the engine does now, then on in working order. */
export function visitsOf(steps: readonly StepName[], gradedCase: GradedCase): readonly Visit[] {
  const now = ENGINE_STATES.indexOf(engineNow(gradedCase));
  const order = [...ENGINE_STATES.slice(now), ...ENGINE_STATES.slice(0, now)];
  const taken = steps.map((step) => ({ step, engine: engineFor(step, gradedCase) }));
  return order
    .map((engine) => ({ engine, steps: taken.filter((one) => one.engine === engine).map(({ step }) => step) }))
    .filter((visit) => visit.steps.length > 0);
}
