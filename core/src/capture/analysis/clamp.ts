/** Whether the clamp shows the current or its own ceiling. */
import { deviationOf, noiseOf } from '../signal/stretch';
import type { Crank } from './find-cranks';
import type { Signal } from './signal';
import type { Steady } from './steady';
import { movingMean } from '../signal/moving-mean';

export interface Ceiling {
  /** The figure it stays at, A. */
  readonly amps: number;
  readonly fromS: number;
  readonly toS: number;
}

/** At its ceiling a clamp stays within this share of it. */
const NEAR_SHARE = 0.004;
/** A ceiling holds at least so long, s; the top of a real inrush is passed sooner at falling volts. */
const HOLDS_S = 0.006;
/** While it holds the volts move at least so far, V per 12 V, and by so many times what the ceiling's width explains. A 6 V system’s slow changes are no smaller. */
const MOVES_V = 0.06;
const MOVES_TIMES = 2.5;
/** Noise is stilled over this, s. */
const STILLED_S = 0.004;
/** Volts that pulse this many times more than the current does explain that some of it is not shown. */
const FLATTER = 5;
/** What is slower is no compression but a battery that gives in, s. */
const SLOW_S = 0.4;
/** Pulses smaller than this many times the noise tell nothing. */
const CLEAR = 5;

/** A current that is flat while the volts pulse is the clamp's ceiling. */
export function ceilingOf(signal: Signal, crank: Crank, steady: Steady): Ceiling | null {
  const { amps, volts, scale } = signal;
  if (!amps || !steady.amps) return null;
  const { blockS } = amps.envelope;
  const still = Math.max(1, Math.round(STILLED_S / blockS));
  const current = movingMean(amps.envelope.mean.subarray(crank.from, crank.to), still);
  const wave = movingMean(volts.envelope.mean.subarray(crank.from, crank.to), still);
  const top = current.reduce((most, value) => Math.max(most, value), -Infinity);
  if (!(top > 0)) return null;
  const near = Math.max(
    NEAR_SHARE * top,
    (2.5 * noiseOf(amps.envelope.mean, crank.from, crank.to)) / Math.sqrt(still),
    0.05,
  );
  // what a change of current does to the volts of this battery; a ceiling makes it look larger, never smaller
  const ohm = Math.max(0, crank.beforeV - steady.volts) / steady.amps;
  const needed = Math.max(MOVES_V * Math.max(1, scale), MOVES_TIMES * 2 * near * ohm);
  for (let from = 0; from < current.length; from++) {
    if (current[from]! < top - 2 * near) continue;
    let to = from;
    let low = Infinity;
    let high = -Infinity;
    while (to < current.length && current[to]! >= top - 2 * near) {
      low = Math.min(low, wave[to]!);
      high = Math.max(high, wave[to]!);
      to++;
    }
    if ((to - from) * blockS >= HOLDS_S && high - low > needed)
      return { amps: top - near, fromS: (crank.from + from) * blockS, toS: (crank.from + to) * blockS };
    from = to;
  }
  return softCeiling(signal, crank, steady.from, steady.to);
}

/** A clamp that bends over instead of stopping: its pulses are too small for those of the volts. */
function softCeiling({ amps, volts }: Signal, crank: Crank, from: number, to: number): Ceiling | null {
  const { blockS, mean: current } = amps!.envelope;
  const { mean: wave } = volts.envelope;
  if (to - from < 10) return null;
  const pulse = (values: Float32Array): number => {
    const own = values.subarray(from, to);
    const level = movingMean(own, Math.max(1, Math.round(SLOW_S / blockS)));
    return deviationOf(own.map((value, at) => value - level[at]!));
  };
  const ampsPulse = pulse(current);
  const voltsPulse = pulse(wave);
  if (voltsPulse < CLEAR * noiseOf(wave, from, to)) return null;
  const level = current.subarray(from, to).reduce((sum, value) => sum + value, 0) / (to - from);
  const sag = crank.beforeV - wave.subarray(from, to).reduce((sum, value) => sum + value, 0) / (to - from);
  if (!(level > 0) || !(sag > 0)) return null;
  const expected = (voltsPulse * level) / sag;
  return ampsPulse * FLATTER < expected ? { amps: level, fromS: from * blockS, toS: to * blockS } : null;
}
