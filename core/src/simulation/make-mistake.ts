/** The mistakes people make with a meter, as they stand in the record. */
import type { Measured } from './measure';
import type { Random } from './random';

type Mistake = (measured: Measured, value: number, scale: number, random: Random) => Measured;

const MISTAKES: Readonly<Partial<Record<Measured['test'], readonly Mistake[]>>> = {
  // surface charge left on, and said so; or left on and nobody knows
  'resting-voltage': [
    (measured, value, scale, random) => ({
      ...measured,
      value: round(value + random.between(0.25, 0.5) * scale),
      conditions: { surfaceChargeRemoved: false },
    }),
    (measured, value, scale, random) => ({
      ...measured,
      value: round(value + random.between(0.3, 0.6) * scale),
      conditions: {},
    }),
  ],
  // the dip of a fast peak, or a reading before the speed is steady
  'cranking-voltage': [
    (measured, value, _scale, random) => ({
      ...measured,
      value: round(value * random.between(0.72, 0.85)),
      conditions: { method: 'fast-peak', seconds: 8 },
    }),
    (measured, value, _scale, random) => ({
      ...measured,
      value: round(value * random.between(0.75, 0.9)),
      conditions: { method: 'watched', seconds: 1 },
    }),
  ],
  // wrong clamp scale, a clamp at its ceiling, a clamp that was not zeroed
  'starter-draw': [
    (measured, value) => ({ ...measured, value: Math.round(value / 10), conditions: {} }),
    (measured, value) => ({ ...measured, value: Math.round(value * 10), conditions: {} }),
    (measured, value) => ({
      ...measured,
      value: Math.round(value * 0.6),
      conditions: { clampCeilingAmps: Math.round(value * 0.6) },
    }),
    (measured, value, _scale, random) => ({
      ...measured,
      value: Math.round(value + 30),
      conditions: { zeroOffsetAmps: round(random.between(25, 35)) },
    }),
  ],
  // a meter whose AC range lets the DC through
  'ripple-ac': [(measured, _value, scale) => ({ ...measured, value: round(28 * scale) })],
  // read while nothing flowed
  'drop-starter-positive': [(measured) => ({ ...measured, value: 0.004, conditions: { amps: 3 } })],
  'drop-starter-ground': [(measured) => ({ ...measured, value: 0.003, conditions: { amps: 3 } })],
  'drop-charge-positive': [(measured) => ({ ...measured, value: 0.01, conditions: { amps: 6 } })],
  // a load too small, or too short
  'load-test': [
    (measured, value, scale) => ({
      ...measured,
      value: round(value + 0.8 * scale),
      conditions: { ...measured.conditions, amps: 60 },
    }),
  ],
  // read before the modules slept
  'parasitic-draw': [
    (measured, _value, _scale, random) => ({
      ...measured,
      value: round(random.between(0.4, 3)),
      conditions: { minutesAsleep: 2 },
    }),
  ],
};

const round = (value: number): number => Number(value.toFixed(2));

/** A reading as a hurried hand records it; unchanged where the test has no usual mistake. */
export function makeMistake(measured: Measured, scale: number, random: Random): Measured {
  const known = MISTAKES[measured.test];
  return known && typeof measured.value === 'number' && measured.value > 0
    ? random.pick(known)(measured, measured.value, scale, random)
    : measured;
}
