/** The conditions of a reading in the bay: what an attentive technician would write beside it. */
import type { Vehicle } from '../circuit/model/vehicle';
import type { ConditionName, ReadingConditions } from '../format/conditions';
import type { TestName } from '../format/names';
import type { Controls, Instant } from '../simulation';
import { TESTS } from '../trade/tables';
import type { ClockTimes } from './bay-clock';

interface Moment {
  readonly vehicle: Vehicle;
  readonly controls: Controls;
  readonly instant: Instant;
  readonly clock: ClockTimes;
  /** What the clamp shows, A; null where it is round nothing. */
  readonly clampAmps: number | null;
  /** What the meter shows where it is on the posts, V. */
  readonly postVolts: number | null;
  /** What is read is what the recorder kept. */
  readonly isRecorded: boolean;
  /** What the regulator aims at, V. */
  readonly target: number;
}

/** No smart charging asks for more (12 V), V. */
const MAX_TARGET_VOLTS = 15;
/** A vehicle that has stood is asleep for so long, min. */
const OVERNIGHT_MIN = 600;

const OF_CONDITION: Partial<Record<ConditionName, (at: Moment) => string | number | boolean | null>> = {
  method: ({ isRecorded }) => (isRecorded ? 'min-max' : 'watched'),
  seconds: ({ clock }) => Math.round(Math.max(clock.crankedS, clock.loadedS)) || null,
  amps: ({ clampAmps }) => (clampAmps === null ? null : Math.abs(clampAmps)),
  rpm: ({ instant }) => (instant.isRunning ? Math.round(instant.rpm) : null),
  loads: ({ controls }) => (controls.loads === 'off' ? 'off' : 'on'),
  systemVolts: ({ postVolts }) => postVolts,
  fieldPercent: ({ instant }) => Math.round(instant.fieldPercent),
  minutesAfterStart: ({ clock }) => Math.round(clock.ranS / 60),
  minutesAsleep: ({ clock }) => (Number.isFinite(clock.keyOffS) ? Math.round(clock.keyOffS / 60) : OVERNIGHT_MIN),
  minutesSinceCharge: ({ clock }) => (clock.chargedS === null ? null : Math.round(clock.chargedS / 60)),
  surfaceChargeRemoved: ({ clock }) => (clock.isSurfaceCleared ? true : null),
  chargedBefore: ({ vehicle }) => (vehicle.charge > 0.9 ? true : null),
  at: () => 'battery',
  // the one that is drawn at the alternator of the bay
  terminal: () => 'supply',
  // a target beyond this is no target: whoever commands it is wrong
  commandedVolts: ({ vehicle: { system, scale }, target }) =>
    system.alternator?.regulation === 'commanded' && target < MAX_TARGET_VOLTS * scale
      ? Number(target.toFixed(1))
      : null,
};

/** Only those that change how the test is judged. */
export function conditionsAt(test: TestName, at: Moment): ReadingConditions {
  const told = TESTS[test].conditions.flatMap((name) => {
    const value = OF_CONDITION[name]?.(at) ?? null;
    return value === null ? [] : [[name, value] as const];
  });
  return Object.fromEntries(told);
}
