import { PATHS, TESTS, isPathTest } from '@tetrad/core';
import type { Derived, GradedCase, TestName, Voice } from '@tetrad/core';

interface Typed {
  readonly test: TestName;
  /** The figure as it is typed; null while there is none. */
  readonly typed: number | null;
  readonly amps: number | undefined;
  readonly battery: number | undefined;
}

/** What a test says beside its grade: amps and floor of a load test, milliohms of a drop and what it would be at full current. */
export function asideOf(
  { test, typed, amps, battery }: Typed,
  { gradedCase, derived }: { readonly gradedCase: GradedCase; readonly derived: Derived | null },
  voice: Voice,
): string {
  if (test === 'load-test') {
    const load = TESTS[test].known?.(gradedCase, battery).amps;
    if (load === undefined) return 'The rating on the label tells how many amps: enter it above.';
    const floor = derived?.loadFloorVolts;
    return `Load it with ${voice.amps(load)}${floor === undefined ? '' : `, floor ${voice.volts(floor)} now`}.`;
  }
  if (!isPathTest(test)) return '';
  if (amps === undefined || amps <= 0) return 'A drop means nothing without its current: enter the amps.';
  if (typed === null) return '';
  const resistance = Math.abs(typed) / amps;
  const full =
    PATHS[test].loadedBy === 'charging' ? gradedCase.case.system.alternator?.ratedAmps : derived?.expectedDrawAmps?.max;
  const atFull = full ? `; at ${voice.amps(full)} it would be ${voice.smallVolts(resistance * full)}` : '';
  return `${voice.ohms(resistance)}${atFull}.`;
}
