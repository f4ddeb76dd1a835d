/**
 * What a technician waits for, as a table: each wait with its phases, and what comes when it is over.
 *
 * Durations are those of docs/bench.md, section "Waiting". A wait of one phase may be given another
 * length; a count (crank, load) has fixed phases, so that every device that shows it is in step.
 */
import type { StepName } from '../format/names';
import type { ReadingConditions } from '../format/conditions';

export interface WaitPhase {
  readonly name: string;
  readonly seconds: number;
  /** What to do in it, in the fewest words: read from two metres away. */
  readonly says: string;
  /** The one phase in which the meter is read. */
  readonly read?: true;
}

export interface WaitRow {
  readonly name: string;
  readonly phases: readonly WaitPhase[];
  /** What to do when it is over. */
  readonly then: string;
  /** The step it leads to. */
  readonly step: StepName;
  /** What it makes true of the reading it leads to. */
  readonly makes?: ReadingConditions;
  /** The wait that follows at once, where one does. */
  readonly follows?: string;
}

const one = (name: string, seconds: number, says: string): readonly WaitPhase[] => [{ name, seconds, says }];

const rows = {
  'lamps-on': {
    name: 'Lamps on',
    phases: one('Lamps on', 60, 'Headlamps on: the surface charge comes off'),
    then: 'Lamps off, then let it settle.',
    step: 'resting-voltage',
    follows: 'settle',
  },
  settle: {
    name: 'Settle',
    phases: one('Settle', 150, 'All off, doors shut, hands off'),
    then: 'Read the resting voltage.',
    step: 'resting-voltage',
    makes: { surfaceChargeRemoved: true },
  },
  charge: {
    name: 'Charging',
    phases: one('Charging', 4 * 3600, 'On the charger'),
    then: 'Charger off, surface charge off, then read the resting voltage.',
    step: 'resting-voltage',
    follows: 'lamps-on',
  },
  'cool-down': {
    name: 'Starter cools',
    phases: one('Cool down', 60, 'Do not crank: the starter cools'),
    then: 'The starter may crank again.',
    step: 'cranking-voltage',
  },
  sleep: {
    name: 'Modules asleep',
    phases: one('Falling asleep', 30 * 60, 'Doors latched, key far away'),
    then: 'Read the drain current.',
    step: 'parasitic-draw',
    makes: { minutesAsleep: 30 },
  },
  run: {
    name: 'Run 3 minutes',
    phases: one('Running', 180, 'Engine running: the battery recovers'),
    then: 'Read the current into the battery.',
    step: 'battery-current',
    makes: { minutesAfterStart: 3 },
  },
  crank: {
    name: 'Crank',
    phases: [
      { name: 'ready', seconds: 5, says: 'Ready' },
      { name: 'crank', seconds: 4, says: 'Crank' },
      { name: 'read', seconds: 4, says: 'Keep cranking: read', read: true },
      { name: 'stop', seconds: 2, says: 'Stop' },
    ],
    then: 'Enter what the meter showed.',
    step: 'cranking-voltage',
    follows: 'cool-down',
  },
  load: {
    name: 'Load 15 s',
    phases: [
      { name: 'ready', seconds: 3, says: 'Ready' },
      { name: 'load', seconds: 12, says: 'Load on' },
      { name: 'read', seconds: 3, says: 'Read under load', read: true },
      { name: 'stop', seconds: 2, says: 'Load off' },
    ],
    then: 'Enter the volts at the end, under load.',
    step: 'load-test',
  },
} as const satisfies Record<string, WaitRow>;

export type WaitKind = keyof typeof rows;
export const WAITS: Readonly<Record<WaitKind, WaitRow>> = rows;
export const WAIT_KINDS = Object.keys(rows) as readonly WaitKind[];

/** Longest wait that can be set, s: a battery on a slow charger over a weekend. */
export const LONGEST_WAIT_S = 3 * 24 * 3600;

/** True for a count of several phases: its length is fixed. */
export const isCount = (kind: WaitKind): boolean => WAITS[kind].phases.length > 1;

/** How long a wait lasts as the table has it, s. */
export const usualSeconds = (kind: WaitKind): number =>
  WAITS[kind].phases.reduce((sum, { seconds }) => sum + seconds, 0);

/** Where a wait stands. */
export type WaitState =
  | { readonly over: true }
  | {
      readonly over: false;
      readonly phase: WaitPhase;
      /** Seconds left in this phase, and in all. */
      readonly phaseLeftS: number;
      readonly leftS: number;
    };

/**
 * Where a wait stands so many seconds after its start.
 *
 * @param kind Which wait.
 * @param seconds Its whole length, s; a count keeps the table's.
 * @param elapsedS Seconds since its start; before the start counts as its first moment.
 */
export function waitAt(kind: WaitKind, seconds: number, elapsedS: number): WaitState {
  const phases = isCount(kind) ? WAITS[kind].phases : [{ ...WAITS[kind].phases[0]!, seconds }];
  const total = phases.reduce((sum, phase) => sum + phase.seconds, 0);
  const elapsed = Math.max(0, elapsedS);
  let end = 0;
  for (const phase of phases) {
    end += phase.seconds;
    if (elapsed < end) return { over: false, phase, phaseLeftS: end - elapsed, leftS: total - elapsed };
  }
  return { over: true };
}
