/** What a three-phase rectifier leaves on the direct voltage: six humps in one electrical turn. */

export const DIODE_STATES = ['sound', 'open', 'shorted'] as const;
export type DiodeState = (typeof DIODE_STATES)[number];

/** Points of one electrical turn that are worked out once. */
const POINTS = 720;
/** Where the battery takes over and holds the volts: share of the highest phase-to-phase voltage. */
const HELD_SHARE = 0.74;

/**
 * One electrical turn of ripple, mean 0 and RMS 1, as equally spaced points.
 *
 * The output is the highest phase the positive diodes let through less the lowest the negative ones do. An open
 * positive diode takes its phase out of the first; a shorted one ties the output to its phase for good, and the
 * battery holds the volts while that phase gives nothing.
 */
export function ripplePattern(diode: DiodeState): Float64Array {
  const pattern = new Float64Array(POINTS);
  for (let point = 0; point < POINTS; point++) {
    const turn = (2 * Math.PI * point) / POINTS;
    const [a, b, c] = [Math.sin(turn), Math.sin(turn - (2 * Math.PI) / 3), Math.sin(turn + (2 * Math.PI) / 3)];
    const lowest = Math.min(a, b, c);
    const highest = { sound: Math.max(a, b, c), open: Math.max(b, c), shorted: a }[diode];
    pattern[point] = Math.max(highest - lowest, HELD_SHARE * Math.sqrt(3));
  }
  const mean = pattern.reduce((sum, value) => sum + value, 0) / POINTS;
  const rms = Math.sqrt(pattern.reduce((sum, value) => sum + (value - mean) ** 2, 0) / POINTS);
  return pattern.map((value) => (value - mean) / rms);
}

/** The pattern at a place of the electrical turn, by straight lines between its points. @param turns Any number. */
export function patternAt(pattern: Float64Array, turns: number): number {
  const place = (turns - Math.floor(turns)) * pattern.length;
  const from = Math.floor(place) % pattern.length;
  const to = (from + 1) % pattern.length;
  return pattern[from]! + (pattern[to]! - pattern[from]!) * (place - Math.floor(place));
}
