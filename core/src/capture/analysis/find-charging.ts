/** Finds where the alternator lifts the volts above rest. */
import type { Envelope } from '../signal/envelope';
import { movingMean } from '../signal/moving-mean';
import { meanOf } from '../signal/stretch';

/** The alternator lifts the volts at least so far above rest, V per 12 V, over so long a mean, for so long, s. */
const LIFTS_V = 0.35;
const STILLED_S = 0.1;
const STAYS_S = 0.25;

/** A stretch in blocks of the envelope. */
export interface Blocks {
  readonly from: number;
  readonly to: number;
}

/**
 * @param from Where to begin to look, a block.
 * @param restV The level before the start, V.
 * @param scale Nominal volts / 12.
 * @returns Null where it never lifts.
 */
export function findCharging({ mean, blockS }: Envelope, from: number, restV: number, scale: number): Blocks | null {
  const still = movingMean(mean, Math.max(1, Math.round(STILLED_S / blockS)));
  const above = restV + LIFTS_V * scale;
  const stays = Math.max(1, Math.round(STAYS_S / blockS));
  for (let at = from; at < mean.length; at++) {
    if (!(still[at]! > above)) continue;
    const end = Math.min(mean.length, at + stays);
    if (meanOf(still, at, end) < above) continue;
    let last = mean.length;
    while (last > end && !(still[last - 1]! > above)) last--;
    return { from: at, to: last };
  }
  return null;
}
