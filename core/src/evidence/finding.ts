/**
 * Findings: what each reading, observation or symptom says for or against the faults.
 *
 * A finding names the faults that could cause it and one log-likelihood ratio for "at least one of
 * them is there". Where one cause is already proven by a reading of its own, the finding counts no
 * longer for the others (see `rank/rank-faults.ts`): nothing is counted twice.
 */
import { threshold, weightOf } from '../criteria/weights';
import { spreadOf } from '../criteria/spreads';
import type { WeightName } from '../criteria/weights';
import type { EvidenceSpread, SpreadName } from '../criteria/spreads';
import type { FaultName } from '../format/names';
import type { Message } from '../format/message';

/** A possible cause, and the share of its cases in which it shows this finding. */
export interface Cause {
  readonly fault: FaultName;
  readonly share: number;
  /** The fault's place in the network: see {@link placeOf}. */
  readonly place: number;
}

const PLACES = new Map<FaultName, number>();

/** A number of its own for every fault, in the order they are first asked for; the ranking counts by it. */
export function placeOf(fault: FaultName): number {
  let place = PLACES.get(fault);
  if (place === undefined) PLACES.set(fault, (place = PLACES.size));
  return place;
}

/** A cause with the share of its cases that show the finding. */
export const causeOf = (fault: FaultName, share = 1): Cause => ({ fault, share, place: placeOf(fault) });

/** Where a finding comes from: one of the three. */
export type Source = { readonly reading: string } | { readonly observation: string } | { readonly symptom: string };

export interface Finding {
  readonly causes: readonly Cause[];
  /** Natural logarithm of P(finding | some cause) / P(finding | no cause). */
  readonly weight: number;
  readonly says: Message;
  readonly source: Source;
  /** The figure that was weighed and by which spread; for the script that fits the spreads. */
  readonly figure?: { readonly spread: SpreadName; readonly value: number };
}

/** A fault, or a fault with the share of its cases that show the finding. */
export type CauseEntry = FaultName | readonly [FaultName, number];

/** Causes from names; a name alone has the share 1. */
export const causes = (...list: readonly CauseEntry[]): readonly Cause[] =>
  list.map((entry) => (typeof entry === 'string' ? causeOf(entry) : causeOf(entry[0], entry[1])));

/** √(2π), of the normal density. */
const ROOT_TWO_PI = 2.5066;

const density = (x: number, [mean, sd]: readonly [number, number], outliers: number): number =>
  (1 - outliers) * (Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * ROOT_TWO_PI)) +
  outliers * threshold('outlierDensity');

/** Slips that make a sound vehicle show a figure like a faulty one: how many, and how far they carry it. */
export interface Slips {
  readonly share: number;
  readonly sd: number;
}

/**
 * The weight of a figure that sound and faulty vehicles spread differently. Beyond either mean the
 * figure counts as the mean, so that "even better than sound" never speaks for a fault.
 *
 * @param x The figure, in the unit of its spread.
 * @param outliers Share of figures that follow neither spread, 0 to 1.
 * @param slips Of readings taken wrong; absent where none are counted with.
 * @returns natural logarithm of a likelihood ratio; 0 for a figure that is none (nothing over nothing).
 */
export function weigh(x: number, { sound, faulty }: EvidenceSpread, outliers: number, slips?: Slips): number {
  if (Number.isNaN(x)) return 0;
  const [low, high] = sound[0] < faulty[0] ? [sound[0], faulty[0]] : [faulty[0], sound[0]];
  const held = Math.min(Math.max(x, low), high);
  const seenSound = slips
    ? (1 - slips.share) * density(held, sound, outliers) + slips.share * density(held, [sound[0], slips.sd], outliers)
    : density(held, sound, outliers);
  return Math.log(density(held, faulty, outliers) / seenSound);
}

interface Weighing {
  readonly causes: readonly Cause[];
  readonly source: Source;
  readonly says: Message;
  /** Spread to add to both sides: how far the figure itself may be off. */
  readonly error?: number;
  /** Shares of the weight that count: a figure taken with less than all it needs says less. */
  readonly factor?: number;
  readonly atLeast?: number;
  readonly atMost?: number;
  readonly slips?: Slips | undefined;
  /** The reading lies straight across the fault: fewer of its figures are slips. */
  readonly isDirect?: boolean;
}

/** A finding from a figure and its spread. @param value The figure, in the unit of its spread. */
export function weighed(spread: SpreadName, value: number, weighing: Weighing): Finding {
  const { error = 0, factor = 1, atLeast = -Infinity, atMost = Infinity, causes: own, source, says } = weighing;
  const outliers = threshold(weighing.isDirect ? 'directOutliers' : 'outliers');
  const { sound, faulty } = spreadOf(spread);
  const widened =
    error === 0
      ? { sound, faulty }
      : {
          sound: [sound[0], Math.hypot(sound[1], error)] as const,
          faulty: [faulty[0], Math.hypot(faulty[1], error)] as const,
        };
  const weight = Math.min(atMost, Math.max(atLeast, weigh(value, widened, outliers, weighing.slips) * factor));
  return { causes: own, weight, source, says, figure: { spread, value } };
}

/** A finding that is no figure: its weight stands in the table. */
export const fixed = (weight: WeightName, own: readonly Cause[], source: Source, says: Message): Finding => ({
  causes: own,
  weight: weightOf(weight),
  source,
  says,
});
