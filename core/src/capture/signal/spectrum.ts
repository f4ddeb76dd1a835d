/** Spectrum and autocorrelation by the FFT of the package fft.js. */
import FFT from 'fft.js';

const transforms = new Map<number, FFT>();
function transformOf(size: number): FFT {
  let transform = transforms.get(size);
  if (!transform) transforms.set(size, (transform = new FFT(size)));
  return transform;
}

/** The largest power of two that is not above. @param count At least 1. */
export const powerOfTwoUpTo = (count: number): number => 2 ** Math.floor(Math.log2(count));

export interface Line {
  readonly hz: number;
  /** RMS of the line, in the unit of the values. */
  readonly rms: number;
}

/** Power of every frequency under a Hann window. @param values A power of two of them, mean 0. */
function powersOf(values: Float32Array): Float64Array {
  const size = values.length;
  const transform = transformOf(size);
  const windowed = new Array<number>(size);
  for (let at = 0; at < size; at++) windowed[at] = values[at]! * 0.5 * (1 - Math.cos((2 * Math.PI * at) / size));
  const output = transform.createComplexArray();
  transform.realTransform(output, windowed);
  const powers = new Float64Array(size / 2);
  for (let at = 0; at < size / 2; at++) powers[at] = output[2 * at]! ** 2 + output[2 * at + 1]! ** 2;
  return powers;
}

/** Power of the Hann window's main lobe, and how many bins it reaches to either side. */
const HANN_POWER = 0.375;
const LOBE = 2;

/**
 * The strongest lines, strongest first, none within the lobe of another.
 *
 * @param values A power of two of them, mean 0.
 * @param sampleRateHz Samples a second.
 * @param count How many lines at most.
 * @param fromHz The lowest frequency looked at.
 */
export function strongestLines(
  values: Float32Array,
  sampleRateHz: number,
  count: number,
  fromHz: number,
): readonly Line[] {
  const powers = powersOf(values);
  const size = values.length;
  const taken = new Uint8Array(powers.length);
  const lines: Line[] = [];
  const first = Math.max(LOBE, Math.ceil((fromHz * size) / sampleRateHz));
  while (lines.length < count) {
    let best = -1;
    for (let bin = first; bin < powers.length - LOBE; bin++)
      if (!taken[bin] && (best < 0 || powers[bin]! > powers[best]!)) best = bin;
    if (best < 0 || powers[best] === 0) break;
    let power = 0;
    let moment = 0;
    for (let bin = best - LOBE; bin <= best + LOBE; bin++) {
      power += powers[bin]!;
      moment += powers[bin]! * bin;
    }
    for (let bin = best - LOBE - 1; bin <= best + LOBE + 1; bin++) if (bin >= 0) taken[bin] = 1;
    lines.push({
      hz: ((moment / power) * sampleRateHz) / size,
      rms: Math.sqrt((2 * power) / (HANN_POWER * size * size)),
    });
  }
  return lines;
}

/**
 * How alike a signal is to itself later: 1 at lag 0.
 *
 * @param values Mean 0.
 * @param lags How many lags are wanted; at most half the values.
 */
export function autocorrelation(values: Float32Array, lags: number): Float64Array {
  let size = 2;
  while (size < values.length + lags) size *= 2;
  const transform = transformOf(size);
  const padded = new Array<number>(size).fill(0);
  for (let at = 0; at < values.length; at++) padded[at] = values[at]!;
  const spectrum = transform.createComplexArray();
  transform.realTransform(spectrum, padded);
  transform.completeSpectrum(spectrum);
  for (let at = 0; at < size; at++) {
    spectrum[2 * at] = spectrum[2 * at]! ** 2 + spectrum[2 * at + 1]! ** 2;
    spectrum[2 * at + 1] = 0;
  }
  const back = transform.createComplexArray();
  transform.inverseTransform(back, spectrum);
  const whole = back[0]!;
  return Float64Array.from({ length: lags }, (_, lag) =>
    whole > 0 ? (back[2 * lag]! / whole) * (values.length / (values.length - lag)) : 0,
  );
}

/**
 * The place of a local maximum between whole lags, by a parabola through three; within half a lag of `at`.
 *
 * @param at The whole lag of the maximum.
 */
export function peakNear(values: Float64Array, at: number): number {
  const [left, middle, right] = [values[at - 1]!, values[at]!, values[at + 1]!];
  const bend = left - 2 * middle + right;
  const shift = bend < 0 ? (left - right) / (2 * bend) : 0;
  return at + Math.max(-0.5, Math.min(0.5, shift));
}
