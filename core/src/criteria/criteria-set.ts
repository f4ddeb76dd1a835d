/**
 * Criteria sets: the schools of the trade as data.
 *
 * A set is a named, versioned list of limits. Each limit says which test it judges, under which
 * conditions, by which rule, with which figures, and where they come from. No limit is a number in
 * code; a shop copies a set and edits it. Volts are for a 12 V system and scale with nominal volts.
 */
import type { TestName } from '../case/vocabulary';
import type { Points } from '../quantities/interpolate';

/** Where a limit applies; a field left out applies everywhere. */
export interface LimitConditions {
  readonly loads?: 'on' | 'off';
  readonly regulation?: 'fixed' | 'commanded';
  readonly fuel?: 'petrol' | 'diesel';
  /** Methods of reading that this limit may judge; others make the reading void. */
  readonly methods?: readonly ('watched' | 'min-max' | 'fast-peak' | 'scope')[];
}

/** How the allowed range comes about. */
export type LimitRule =
  /** Plain limits, in the test's unit; volts per 12 V nominal. `perCelsius` moves both with (25 − °C). */
  | {
      readonly kind: 'band';
      readonly min?: number;
      readonly max?: number;
      readonly perCelsius?: number;
      readonly ceiling?: number;
    }
  /** At least the resting voltage of this state of charge, by chemistry and temperature. */
  | { readonly kind: 'charge'; readonly minShare: number }
  /** At least the floor for the battery's temperature; points are [°C, V]. */
  | { readonly kind: 'temperature-floor'; readonly points: Points }
  /** At most this many volts under the resting voltage. */
  | { readonly kind: 'sag'; readonly maxVolts: number }
  /** At least this share of the rating on the label. */
  | { readonly kind: 'rated-share'; readonly minShare: number }
  /** At most this many volts per CCA, as a resistance: ohms × CCA. */
  | { readonly kind: 'ohms-times-cca'; readonly max: number }
  /** At most this drop, brought to the usual current of what loads the path. */
  | { readonly kind: 'drop'; readonly max: number; readonly loadedBy: 'cranking' | 'charging' }
  /** The volts lost from the start, at most. */
  | { readonly kind: 'loss'; readonly maxVolts: number }
  /** Spread between the highest and lowest cell. */
  | { readonly kind: 'spread'; readonly max: number }
  /** Within this distance of the commanded target. */
  | { readonly kind: 'commanded'; readonly tolerance: number }
  /** The typical range of a table by cylinders and fuel, warmer or colder than 21 °C. */
  | { readonly kind: 'expected-draw' }
  /** Within this distance of the resting voltage. */
  | { readonly kind: 'near-resting'; readonly tolerance: number }
  /** At least this many volts above the resting voltage. */
  | { readonly kind: 'above-resting'; readonly minVolts: number };

/** One limit of a set. */
export interface Limit {
  readonly test: TestName;
  readonly when?: LimitConditions;
  readonly rule: LimitRule;
  /** Width of the borderline zone inside the limit, in the rule's own figure; readings in it are near. */
  readonly borderline?: number;
  /** Where the figure comes from, and why it was chosen. */
  readonly source: string;
  readonly note: string;
}

/** Typical sustained starter draw at 21 °C. */
export interface ExpectedDraw {
  readonly fuel: 'petrol' | 'diesel';
  /** The row holds up to this many cylinders. */
  readonly upToCylinders: number;
  readonly minAmps: number;
  readonly maxAmps: number;
}

/** A school of the trade. */
export interface CriteriaSet {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  /** What the set is for, in one sentence. */
  readonly note: string;
  /** The school's own limits; for each test and rule the first that applies is used. */
  readonly limits: readonly Limit[];
  readonly expectedDraw: readonly ExpectedDraw[];
  /** Share of charge under which no load or cranking reading may condemn anything. */
  readonly minimumCharge: number;
  /** Volts over the full resting voltage (12 V) that betray surface charge. */
  readonly surfaceChargeVolts: number;
  /** Probability from which a fault is called. */
  readonly callProbability: number;
}
