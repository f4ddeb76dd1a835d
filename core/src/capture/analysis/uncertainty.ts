/** How far a figure read from a record may be from the truth: the instrument's share and the spread that was seen. */

/**
 * Of a two-channel recorder with a clamp, at the shares usually stated for such instruments (docs/captures.md):
 * volts 0.5 %, amps 2 %, its time base far better than either.
 */
export const RECORDER_SHARE = { volts: 0.005, amps: 0.02, speed: 0.01 } as const;

/**
 * @param value The figure.
 * @param share Of the instrument.
 * @param spread Standard error of the figure from what was seen, in its unit.
 */
export const uncertaintyOf = (value: number, share: number, spread = 0): number =>
  Number(Math.hypot(value * share, spread).toPrecision(2));
