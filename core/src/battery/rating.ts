import type { BatteryLabel, Rating } from '../case/case-shape';
import type { RatingStandard } from '../case/vocabulary';

/**
 * The figure each standard gives for the battery that SAE J537 rates at 1 A. The standards differ in
 * time, temperature and end voltage, so every conversion is approximate and is shown as such. JIS is a
 * size code and not an ampere figure; it cannot be converted.
 */
const PER_SAE_AMP: Readonly<Record<Exclude<RatingStandard, 'JIS'>, number>> = {
  SAE: 1,
  EN: 0.95,
  IEC: 0.65,
  DIN: 0.57,
  CA: 1.25,
};

/**
 * Converts a rating between standards (approximate).
 *
 * @param rating Rating of one battery, A, with its standard.
 * @returns amps in the wanted standard; null where either side is a JIS code.
 */
export function convertRating(rating: Rating, to: RatingStandard): number | null {
  if (rating.standard === to) return rating.standard === 'JIS' ? null : rating.value;
  if (rating.standard === 'JIS' || to === 'JIS') return null;
  return (rating.value / PER_SAE_AMP[rating.standard]) * PER_SAE_AMP[to];
}

/** Cold-cranking amps (SAE) of one battery, or null where the label does not tell. */
export function batteryCca(label: BatteryLabel): number | null {
  return label.rating ? convertRating(label.rating, 'SAE') : null;
}

/** Cold-cranking amps of the pack as connected: batteries in parallel add, in series they do not. */
export function packCca(label: BatteryLabel): number | null {
  const one = batteryCca(label);
  if (one === null) return null;
  return label.arrangement === 'parallel' ? one * (label.count ?? 1) : one;
}

/** Load for a load test: half the cold-cranking amps. @param cca SAE amps. @returns A. */
export const loadTestAmps = (cca: number): number => cca / 2;
