import type { Arrangement, RatingStandard } from './battery-words';

/** Amps of one battery with the standard they were measured by. */
export interface RatedAmps {
  readonly value: number;
  readonly standard: RatingStandard;
}

/** What a label tells of one battery and of how it is joined to others. */
export interface RatedBattery {
  readonly rating?: RatedAmps;
  readonly arrangement?: Arrangement;
  readonly count?: number;
}

/**
 * The figure each standard gives for the battery that SAE J537 rates at 1 A (docs/criteria.md, ratings). The
 * standards differ in time, temperature and end voltage, so every conversion is approximate and is shown as
 * such. JIS is a size code and not an ampere figure; it cannot be converted.
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
 * @param to The wanted standard.
 * @returns amps in the wanted standard; null where either side is a JIS code.
 */
export function convertRating(rating: RatedAmps, to: RatingStandard): number | null {
  if (rating.standard === to) return rating.standard === 'JIS' ? null : rating.value;
  if (rating.standard === 'JIS' || to === 'JIS') return null;
  return (rating.value / PER_SAE_AMP[rating.standard]) * PER_SAE_AMP[to];
}

/** @returns cold-cranking amps (SAE) of one battery, or null where the label does not tell. */
export function batteryCca(label: RatedBattery): number | null {
  return label.rating ? convertRating(label.rating, 'SAE') : null;
}

/** How many batteries share the current of a pack: those in parallel add their amps. */
const inParallelOf = ({ arrangement, count = 1 }: RatedBattery): number => (arrangement === 'parallel' ? count : 1);

/** @returns cold-cranking amps of the pack as connected: in parallel they add, in series they do not. */
export function packCca(label: RatedBattery): number | null {
  const one = batteryCca(label);
  return one === null ? null : one * inParallelOf(label);
}

/** The standard a tester is set to for a label: its own; SAE where a tester has none for it, as for CA and a JIS code. */
export const testerStandard = ({ rating }: RatedBattery): Exclude<RatingStandard, 'CA' | 'JIS'> =>
  !rating || rating.standard === 'CA' || rating.standard === 'JIS' ? 'SAE' : rating.standard;

/**
 * The rating that a tester's figure is compared with: in the label's own standard, since testers measure in
 * it; a CA figure is brought to SAE, because no tester measures at 0 °C.
 *
 * @param label Of the pack as connected, or of one battery of it.
 * @returns A, or null where the label has no ampere figure.
 */
export function ratedIn(label: RatedBattery): number | null {
  const { rating } = label;
  if (!rating) return null;
  const one = convertRating(rating, testerStandard(label));
  return one === null ? null : one * inParallelOf(label);
}

/** Load for a load test: half the cold-cranking amps. @param cca SAE amps. @returns A. */
export const loadTestAmps = (cca: number): number => cca / 2;
