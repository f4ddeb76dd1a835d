/** One electrical turn of ripple laid over itself: six humps, or fewer. */

export interface FoldedHumps {
  /** Humps that fit in the period found: 1 where each hump is like the next, 6 where only whole turns are alike. */
  readonly turnsHumps: 1 | 3 | 6;
  /** 0 to 6. */
  readonly missing: number;
  readonly diode: 'sound' | 'open' | 'shorted';
  readonly peakToPeak: number;
}

/** Points of the folded turn. */
const POINTS = 144;
const HUMPS = 6;
/** Fewer samples a hump cannot show one. */
const MIN_SAMPLES = 3;
/** Missing: rises less than this share of the humps that are there. */
const THERE_FROM = 0.4;
/**
 * The humps of a turn stand out of its range at least this far: 0.27 to 0.93 were seen in 6,800 simulated turns with six humps
 * or some missing, at most 0.18 where a single hump was cut in three or six.
 */
const STAND_OUT = 0.22;
/** From so many missing on, half a turn and more is gone: a diode that lets through both ways. */
const SHORTED_FROM = 3;
/** A single gap deeper than this many humps below the valleys is one that pulls the output down. */
const DEEP_HUMPS = 1.5;
/** Humps that differ by less than this are alike enough to be all there. */
const UNEVEN = 0.55;

/** The mean wave over one period, each sample put to the two points it lies between. */
function folded(wave: Float32Array, period: number): Float64Array {
  const sums = new Float64Array(POINTS);
  const weights = new Float64Array(POINTS);
  for (let at = 0; at < wave.length; at++) {
    const place = ((at / period) % 1) * POINTS;
    const left = Math.floor(place);
    const share = place - left;
    sums[left % POINTS]! += wave[at]! * (1 - share);
    weights[left % POINTS]! += 1 - share;
    sums[(left + 1) % POINTS]! += wave[at]! * share;
    weights[(left + 1) % POINTS]! += share;
  }
  const turn = sums.map((sum, point) => (weights[point]! > 0 ? sum / weights[point]! : NaN));
  // few samples a period leave points without any
  for (let point = 0; point < POINTS; point++)
    if (Number.isNaN(turn[point]!)) {
      let left = point;
      let right = point;
      while (Number.isNaN(turn[(left + POINTS) % POINTS]!) && left > point - POINTS) left--;
      while (Number.isNaN(turn[right % POINTS]!) && right < point + POINTS) right++;
      const [a, b] = [turn[(left + POINTS) % POINTS]!, turn[right % POINTS]!];
      turn[point] = a + ((b - a) * (point - left)) / Math.max(1, right - left);
    }
  return turn;
}

/** How the turn moves with so many humps a period: the phase at which they stand highest. */
function phaseOf(turn: Float64Array, humps: number): number {
  let cosine = 0;
  let sine = 0;
  for (let point = 0; point < POINTS; point++) {
    const angle = (2 * Math.PI * humps * point) / POINTS;
    cosine += turn[point]! * Math.cos(angle);
    sine += turn[point]! * Math.sin(angle);
  }
  return Math.atan2(sine, cosine) / (2 * Math.PI * humps);
}

/** How far each of the humps rises above the straight line between its two valleys. */
function rises(turn: Float64Array, humps: number): number[] {
  const phase = phaseOf(turn, humps);
  const around = (share: number): number => {
    const middle = (((share % 1) + 1) % 1) * POINTS;
    let sum = 0;
    for (let point = -1; point <= 1; point++) sum += turn[(Math.round(middle) + point + POINTS) % POINTS]!;
    return sum / 3;
  };
  return Array.from({ length: humps }, (_, hump) => {
    const top = phase + hump / humps;
    return around(top) - (around(top - 0.5 / humps) + around(top + 0.5 / humps)) / 2;
  });
}

/** @param period Samples after which the wave is like itself. */
export function foldedHumps(wave: Float32Array, period: number): FoldedHumps {
  const turn = folded(wave, period);
  const high = Math.max(...turn);
  const low = Math.min(...turn);
  const peakToPeak = high - low;
  for (const humps of [6, 3] as const) {
    if (period / humps < MIN_SAMPLES) continue;
    const heights = rises(turn, humps);
    const strongest = [...heights].sort((a, b) => b - a);
    const usual = strongest.slice(0, 2).reduce((sum, value) => sum + value, 0) / 2;
    if (usual < STAND_OUT * peakToPeak) continue;
    const there = heights.map((height) => height > THERE_FROM * usual);
    const present = there.filter(Boolean).length;
    if (humps === 3 && present === 3) continue;
    const missing = ((humps - present) * HUMPS) / humps;
    if (missing === 0) {
      const even = Math.min(...heights) > UNEVEN * usual;
      return { turnsHumps: humps, missing: 0, diode: even ? 'sound' : 'open', peakToPeak };
    }
    const depth = (high - low) / usual - 1;
    const isShorted = missing >= SHORTED_FROM || (missing === 1 && depth > DEEP_HUMPS);
    return { turnsHumps: humps, missing, diode: isShorted ? 'shorted' : 'open', peakToPeak };
  }
  return { turnsHumps: 1, missing: 0, diode: 'sound', peakToPeak };
}
