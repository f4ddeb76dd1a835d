/** The field command: for what share of the time the regulator drives the field. */
import { quantilesOf } from '../signal/stretch';

export interface Field {
  readonly dutyPercent: number;
  /** What is left of the command, percent. */
  readonly reservePercent: number;
  /** Of the switching; null for a channel that tells percent itself. */
  readonly hz: number | null;
}

/** A switching command moves between two levels at least so far apart, V. */
const MIN_SWING_V = 1.5;

/**
 * @param samples Percent, or volts of the switched wire.
 * @param sampleRateHz Samples a second.
 * @param isPercent The channel tells percent, not the switched wire.
 */
export function fieldOf(samples: Float32Array, sampleRateHz: number, isPercent: boolean): Field | null {
  if (isPercent) {
    const [middle] = quantilesOf(samples, [0.5]) as [number];
    return middle >= 0 && middle <= 100 ? { dutyPercent: middle, reservePercent: 100 - middle, hz: null } : null;
  }
  const [low, high] = quantilesOf(samples, [0.01, 0.99]) as [number, number];
  if (high - low < MIN_SWING_V) return null;
  const middle = (low + high) / 2;
  let above = 0;
  let rises = 0;
  for (let at = 0; at < samples.length; at++) {
    if (samples[at]! > middle) above++;
    if (at > 0 && samples[at]! > middle && samples[at - 1]! <= middle) rises++;
  }
  const dutyPercent = (100 * above) / samples.length;
  return { dutyPercent, reservePercent: 100 - dutyPercent, hz: (rises * sampleRateHz) / samples.length };
}
