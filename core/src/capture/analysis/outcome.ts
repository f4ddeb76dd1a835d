/** What came after the crank: charging, an engine that runs without it, or nothing. */
import type { Crank } from './find-cranks';
import { findCharging } from './find-charging';
import type { Blocks } from './find-charging';
import { movingMean } from '../signal/moving-mean';
import { medianOf } from '../signal/stretch';
import type { Signal } from './signal';
import type { Steady } from './steady';

export type Outcome =
  | { readonly kind: 'charging'; readonly stretch: Blocks }
  | { readonly kind: 'not-charging'; readonly confidence: number }
  | { readonly kind: 'did-not-start'; readonly confidence: number }
  /** The record ends before it can be told. */
  | { readonly kind: 'unknown' };

/** An engine that fires takes the load off over at least so long, s; a key let go does it at once. */
const FIRES_OVER_S = 0.012;
/** From here after the crank it can be told that nothing runs, and that an alternator does not charge, s. */
const TOLD_AFTER_S = 0.5;
const CHARGES_WITHIN_S = 2.5;
/** A running engine asks so many amps more than the key alone, A. */
const RUNNING_ASKS_A = 4;
const LOOKED_AT_S = 0.3;
/** The wave is stilled over this to time how it leaves the steady level, s. */
const STILLED_S = 0.004;
/** It has left the steady level at this share of the sag and beyond its pulses, and come so much further back. */
const LEFT_SHARE = 0.2;
const PULSE_TIMES = 1.25;
const FURTHER_SHARE = 0.3;

/** @param keyOn The block at which the key was turned on; null where that is not seen. */
export function outcomeOf(
  signal: Signal,
  crank: Crank,
  steady: Steady | null,
  { restV, keyOn }: { readonly restV: number; readonly keyOn: number | null },
): Outcome {
  const { volts, scale } = signal;
  const { blockS, mean } = volts.envelope;
  const charging = findCharging(volts.envelope, crank.to, restV, scale);
  if (charging) return { kind: 'charging', stretch: charging };
  const afterS = (mean.length - crank.to) * blockS;
  if (afterS < TOLD_AFTER_S || !steady) return { kind: 'unknown' };
  const fired = endsSoftly(signal, crank, steady) || asksMore(signal, crank, keyOn);
  if (!fired) return { kind: 'did-not-start', confidence: afterS > CHARGES_WITHIN_S ? 0.85 : 0.7 };
  return afterS > CHARGES_WITHIN_S
    ? { kind: 'not-charging', confidence: Math.min(0.95, 0.6 + afterS / 20) }
    : { kind: 'unknown' };
}

/** How long the volts need from the steady level back: an engine that fires takes the load away by and by. */
function endsSoftly({ volts }: Signal, crank: Crank, steady: Steady): boolean {
  const { blockS, mean } = volts.envelope;
  const still = movingMean(mean, Math.max(1, Math.round(STILLED_S / blockS)));
  const sag = crank.beforeV - steady.volts;
  // pulses of the compressions pass the first mark too
  let pulse = 0;
  for (let at = steady.from; at < steady.to; at++) pulse = Math.max(pulse, still[at]! - steady.volts);
  const left = steady.volts + Math.max(LEFT_SHARE * sag, pulse * PULSE_TIMES);
  const back = left + FURTHER_SHARE * sag;
  let over = crank.to;
  while (over < mean.length && still[over]! < back) over++;
  while (over > steady.to && still[over - 1]! >= back) over--;
  let leaves = over;
  while (leaves > steady.from && still[leaves - 1]! > left) leaves--;
  return (over - leaves) * blockS > FIRES_OVER_S;
}

/** After the crank more current flows than with the key alone. */
function asksMore({ amps }: Signal, crank: Crank, keyOn: number | null): boolean {
  if (!amps || keyOn === null || crank.from - keyOn < 10) return false;
  const { mean, blockS } = amps.envelope;
  const span = Math.round(LOOKED_AT_S / blockS);
  if (mean.length < crank.to + 2 * span) return false;
  const before = medianOf(mean, Math.max(keyOn + 2, crank.from - span), crank.from - 2);
  return medianOf(mean, mean.length - span, mean.length) - before > RUNNING_ASKS_A;
}
