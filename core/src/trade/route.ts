/** The order of work: groups of steps, and what a place in the route holds. */
import type { ConditionName, ReadingConditions } from '../format/conditions';
import type { TickName } from './ticks';
import type { WaitKind } from './waits';

/** Groups of the route, in working order. */
export const ROUTE_GROUPS = ['Ask and look', 'Battery', 'Connections', 'Starting', 'Charging', 'Drain'] as const;
export type RouteGroup = (typeof ROUTE_GROUPS)[number];

/** What an entry begins params: a value, or null where the person must say. */
export type Begins = Readonly<Partial<Record<ConditionName, string | number | boolean | null>>>;

/** A place in the route. */
export interface Place {
  readonly group: RouteGroup;
  /** Order inside the group. */
  readonly at: number;
  /** How to take it, in few words. */
  readonly how: string;
}

/** A place at which a reading is taken; a test that is read in two ways has two. */
export interface ReadingPlace extends Place {
  /** Another name than the test's, where a test has two places. */
  readonly name?: string;
  /** Set on every reading taken here: tells two places of one test apart. */
  readonly fixed?: ReadingConditions;
  /** Conditions the entry offers, and what they begin with. */
  readonly asks: Begins;
  /** Conditions that belong to one choice of another: asked only where it is chosen. */
  readonly askedWith?: Readonly<Partial<Record<ConditionName, readonly [ConditionName, string]>>>;
  /** Of a condition that is chosen, the words that make sense here; all where none are named. */
  readonly offers?: Readonly<Partial<Record<ConditionName, readonly string[]>>>;
  readonly ticks: readonly TickName[];
  /** Waits and counts that belong to it. */
  readonly waits?: readonly WaitKind[];
  /** One of the four notes: always in view. */
  readonly note?: true;
  /** A battery of a pack is read by itself here. */
  readonly perBattery?: true;
}
