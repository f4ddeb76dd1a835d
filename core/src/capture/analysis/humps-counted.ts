/**
 * The humps of the rectifier, counted in the volts or in the current of a clamp: a gap shows in both, and a scale that is
 * made for 14 V or a soft battery hides it in the volts.
 */
import { meanOf } from '../signal/stretch';
import type { Ripple } from './ripple';
import { rippleOf } from './ripple';

/** Below this the humps of a current are noise of the clamp, share of its stretches that agree times their likeness. */
const TRUSTED_FROM = 0.5;

/** How far the count can be trusted, 0 to 1. */
const trust = ({ humpsMissing, agreement, regularity }: Ripple): number =>
  humpsMissing === null ? 0 : agreement * regularity;

/**
 * The ripple of the volts, with the humps as the current counts them where that shows them more plainly.
 *
 * @param amps Current while charging, A, either way round the wire; null without a clamp.
 * @param sampleRateHz Samples a second.
 */
export function withHumpsCounted(
  ripple: Ripple | null,
  amps: Float32Array | null,
  sampleRateHz: number,
): Ripple | null {
  if (!ripple || !amps) return ripple;
  // humps stand up where the current is taken as it flows into the vehicle
  const outward = meanOf(amps) < 0 ? amps.map((value) => -value) : amps;
  const current = rippleOf(outward, sampleRateHz);
  if (!current || trust(current) < Math.max(TRUSTED_FROM, trust(ripple))) return ripple;
  const { humpHz, humpsMissing, regularity, diode, agreement } = current;
  return { ...ripple, humpHz, humpsMissing, regularity, diode, agreement };
}
