/** The steps that are left, by what the engine does for them: one visit for each state. */
import { ENGINE_STATES } from '../../format/words';
import type { EngineState } from '../../format/words';
import { isTried, loadsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { StepName } from '../../format/names';
import { OBSERVATIONS, TESTS, isObservationName, isTestName, stepOf } from '../../trade/tables';

/** Steps that are taken while the engine does one thing. */
export interface Visit {
  readonly engine: EngineState;
  readonly steps: readonly StepName[];
}

/** A test that is read with loads off and on is running without them, and loaded with them. */
const withLoads = (engine: EngineState, loads: unknown): EngineState =>
  engine === 'running' && loads === 'on' ? 'loaded' : engine;

/** What the engine does while the step is taken that is open now. */
export function engineFor(name: StepName, gradedCase: GradedCase): EngineState {
  const engine = stepOf(name)?.engine ?? 'off';
  if (isTestName(name)) return withLoads(engine, TESTS[name].asked?.(gradedCase)['loads']);
  // a look fits into any visit
  return isObservationName(name) && OBSERVATIONS[name].isLooking ? engineNow(gradedCase) : engine;
}

/** What the engine did at the newest reading of this pass; off before the first. */
export function engineNow({ case: { readings }, pass }: GradedCase): EngineState {
  const newest = readings.findLast((reading) => reading.value !== null && isTried(reading, pass));
  return newest ? withLoads(TESTS[newest.test].step.engine ?? 'off', loadsOf(newest)) : 'off';
}

/** Steps by visit: first what the engine does now, then on in working order. */
export function visitsOf(steps: readonly StepName[], gradedCase: GradedCase): readonly Visit[] {
  const now = ENGINE_STATES.indexOf(engineNow(gradedCase));
  const order = [...ENGINE_STATES.slice(now), ...ENGINE_STATES.slice(0, now)];
  return order
    .map((engine) => ({ engine, steps: steps.filter((step) => engineFor(step, gradedCase) === engine) }))
    .filter((visit) => visit.steps.length > 0);
}
