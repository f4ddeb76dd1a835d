/** Readings that are worked out from what an instrument shows. */

/**
 * Cranking speed of a four-stroke engine: each cylinder compresses once in two turns.
 *
 * @param peaksPerSecond Compression peaks counted on a trace of volts or amps, 1/s; above 0.
 * @param cylinders Whole number, 1 to 16.
 * @returns rpm = 120 × peaks per second / cylinders.
 * @throws RangeError for figures outside their domain.
 */
export function crankingRpm(peaksPerSecond: number, cylinders: number): number {
  if (!(peaksPerSecond > 0)) throw new RangeError(`peaks per second must be above 0, not ${peaksPerSecond}`);
  if (!Number.isInteger(cylinders) || cylinders < 1 || cylinders > 16)
    throw new RangeError(`cylinders must be a whole number from 1 to 16, not ${cylinders}`);
  return (120 * peaksPerSecond) / cylinders;
}

/** Scales of clamps on the market, mV per A. */
export const CLAMP_SCALES_MV_PER_A = [1, 10, 100] as const;

/**
 * Amps behind the volts a clamp gives to a meter. A wrong scale is a factor of ten.
 *
 * @param volts What the meter shows, V; a minus sign is only the clamp's arrow.
 * @param millivoltsPerAmp The clamp's scale, mV per A; above 0.
 * @throws RangeError for a scale that is not above 0.
 */
export function clampAmps(volts: number, millivoltsPerAmp: number): number {
  if (!(millivoltsPerAmp > 0)) throw new RangeError(`the scale must be above 0 mV per A, not ${millivoltsPerAmp}`);
  return (Math.abs(volts) * 1000) / millivoltsPerAmp;
}
