/**
 * The humps of the rectifier, counted in the volts or in the current of a clamp: a gap shows in both, and a scale that is
 * made for 14 V or a soft battery hides it in the volts.
 */
import { sampleCorrelation } from 'simple-statistics';
import { meanOf } from '../signal/stretch';
import type { Ripple } from './ripple';
import { coupled, rippleOf } from './ripple';

/** Below this the humps of a current are noise of the clamp, share of its stretches that agree times their likeness. */
const TRUSTED_FROM = 0.5;
/** From this likeness of their ripple on volts and current tell which way the clamp lies around the wire. */
const ALIKE_FROM = 0.1;
/** Samples that are enough to tell it. */
const LOOKED_AT = 1 << 14;

/** How far the count can be trusted, 0 to 1. */
const trust = ({ humpsMissing, agreement, regularity }: Ripple): number =>
  humpsMissing === null ? 0 : agreement * regularity;

/**
 * The current as it flows into the vehicle, A: so its humps stand up, as those of the volts. The ripple of the volts tells it; where
 * they show none, the mean, which a zero that has drifted may turn round.
 */
function outward(volts: Float32Array, amps: Float32Array, sampleRateHz: number): Float32Array {
  const ripples = [volts, amps].map((samples) => Array.from(coupled(samples.subarray(0, LOOKED_AT), sampleRateHz)));
  const alike = sampleCorrelation(ripples[0]!, ripples[1]!);
  const isTurned = Math.abs(alike) >= ALIKE_FROM ? alike < 0 : meanOf(amps) < 0;
  return isTurned ? amps.map((value) => -value) : amps;
}

/**
 * The ripple of the volts, with the humps as the current counts them where that shows them more plainly.
 *
 * @param volts While charging, V.
 * @param amps Current while charging, A, either way round the wire; null without a clamp.
 * @param sampleRateHz Samples a second.
 */
export function rippleOfCharging(volts: Float32Array, amps: Float32Array | null, sampleRateHz: number): Ripple | null {
  const ripple = rippleOf(volts, sampleRateHz);
  if (!ripple || !amps) return ripple;
  const current = rippleOf(outward(volts, amps, sampleRateHz), sampleRateHz);
  if (!current || trust(current) < Math.max(TRUSTED_FROM, trust(ripple))) return ripple;
  const { humpHz, humpsMissing, regularity, diode, agreement } = current;
  return { ...ripple, humpHz, humpsMissing, regularity, diode, agreement };
}
