/**
 * Findings: what each reading, observation or symptom says for or against the faults.
 *
 * A finding names the faults that could cause it and one log-likelihood ratio for "at least one of
 * them is there". Where one cause is already proven by a reading of its own, the finding counts no
 * longer for the others (see `rank-faults.ts`): nothing is counted twice.
 */
import { FAULT_NAMES } from '../../case/vocabulary';
import type { FaultName } from '../../case/vocabulary';
import type { DerivedFigures } from '../derive';
import type { Situation } from '../situation';

/** A possible cause, and the share of its cases in which it shows this finding. */
export interface Cause {
  readonly fault: FaultName;
  readonly share: number;
  /** The fault's place in the table of faults. */
  readonly index: number;
}

export interface Finding {
  readonly causes: readonly Cause[];
  /** Natural logarithm of P(finding | some cause) / P(finding | no cause). */
  readonly weight: number;
  /** What it says, for people; written only for the lines that are shown. */
  readonly says: () => string;
  /** Where it comes from: one of the three. */
  readonly source: { readonly reading?: string; readonly observation?: string; readonly symptom?: string };
}

export type FindingRule = (situation: Situation, derived: DerivedFigures) => readonly (Finding | null)[];

const INDEX = new Map(FAULT_NAMES.map((fault, i) => [fault, i]));

/** Causes from `fault` or `[fault, share]`. */
export const causes = (...list: readonly (FaultName | readonly [FaultName, number])[]): readonly Cause[] =>
  list.map((entry) => {
    const [fault, share] = typeof entry === 'string' ? [entry, 1] : entry;
    return { fault, share, index: INDEX.get(fault)! };
  });

/** A consequence that is missing says little against a cause: a slight fault has none yet. */
export const ABSENT = -0.4;

/** How a figure is spread in sound and in faulty vehicles (normal, with a share of outliers). */
export interface Spread {
  readonly sound: readonly [mean: number, sd: number];
  readonly faulty: readonly [mean: number, sd: number];
}

/** Share of readings that follow neither spread: slips, odd vehicles. It bounds every weight. */
const OUTLIERS = 0.004;
/** The same for a reading that is taken straight across the fault, and leaves little to go wrong. */
export const DIRECT_OUTLIERS = 0.0004;
const OUTLIER_DENSITY = 0.15;

const density = (x: number, [mean, sd]: readonly [number, number], outliers: number): number =>
  (1 - outliers) * (Math.exp(-0.5 * ((x - mean) / sd) ** 2) / (sd * 2.5066)) + outliers * OUTLIER_DENSITY;

/**
 * The weight of a figure that sound and faulty vehicles spread differently. Beyond either mean the
 * figure counts as the mean, so that "even better than sound" never speaks for a fault.
 */
export function weigh(x: number, { sound, faulty }: Spread, outliers = OUTLIERS): number {
  if (Number.isNaN(x)) return 0; // nothing over nothing: the readings give no figure
  const [low, high] = sound[0] < faulty[0] ? [sound[0], faulty[0]] : [faulty[0], sound[0]];
  const held = Math.min(Math.max(x, low), high);
  return Math.log(density(held, faulty, outliers) / density(held, sound, outliers));
}
