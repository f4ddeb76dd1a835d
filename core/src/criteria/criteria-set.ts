/**
 * Criteria sets: the schools of the trade as data.
 *
 * A set is a named, versioned list of limits. Each limit says which test it judges, under which
 * conditions, by which rule, with which figures, and where they come from. No limit is a number in
 * code; a shop copies a set and edits it. Volts are for a 12 V system and scale with nominal volts.
 */
import type { TestName } from '../format/names';
import type { ReadingMethod } from '../format/words';
import type { Costs } from './costs';
import type { TypicalDraw } from './expected-draw';
import type { NoteName } from './limit-notes';
import type { LimitRule } from './limit-rule';
import type { LimitTemperature } from './limit-temperature';

/** Where a limit applies; a field left out applies everywhere. */
export interface LimitConditions {
  readonly loads?: 'on' | 'off';
  readonly regulation?: 'fixed' | 'commanded';
  readonly fuel?: 'petrol' | 'diesel';
  /** Methods of reading that this limit may judge; others make the reading void. */
  readonly methods?: readonly ReadingMethod[];
}

/** One limit of a set. */
export interface Limit {
  readonly test: TestName;
  readonly when?: LimitConditions;
  readonly rule: LimitRule;
  /** Width of the borderline zone inside the limit, in the rule's own figure; readings in it are near. */
  readonly borderline?: number;
  /** What temperature does to it; of a set that an earlier version stored nothing is told, and its figures stay. */
  readonly temperature?: LimitTemperature;
  /** Where the figure comes from. */
  readonly source: string;
  /** Why it is what it is, and how the reading is taken: one of `limit-notes.ts`, or the shop's own words. */
  readonly note: NoteName | { readonly text: string };
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
  readonly expectedDraw: readonly TypicalDraw[];
  /** Share of charge under which no load or cranking reading may condemn anything. */
  readonly minimumCharge: number;
  /** Volts over the full resting voltage (12 V) that betray surface charge, flooded and AGM alike. */
  readonly surfaceChargeVolts: number;
  /** What a wrong decision and finding out cost. */
  readonly costs: Costs;
}

const INDEX = new WeakMap<CriteriaSet, ReadonlyMap<TestName, readonly Limit[]>>();
const NONE: readonly Limit[] = [];

/** The limits of a set that speak of one test; indexed once a set, since every reading asks. */
export function limitsOf(criteria: CriteriaSet, test: TestName): readonly Limit[] {
  let index = INDEX.get(criteria);
  if (!index) {
    const groups = new Map<TestName, Limit[]>();
    for (const limit of criteria.limits) groups.set(limit.test, [...(groups.get(limit.test) ?? []), limit]);
    INDEX.set(criteria, (index = groups));
  }
  return index.get(test) ?? NONE;
}
