/** What page and worker of the practice bay say to each other. */
import type { VehicleState } from '../instruments/live/vehicle-state';
import type { Case, GradedReading, NextStep, ObservationName, System, TestName } from '@tetrad/core';
import type {
  Done,
  Exercise,
  Hands,
  Hint,
  LeftVisit,
  PracticeCall,
  Refusal,
  Score,
  Sense,
  TakenOff,
} from '@tetrad/core/practice';

/** What hands hold of the vehicle in the bay. */
export interface BayVehicle extends VehicleState {
  readonly lamps: boolean;
  readonly isCharging: boolean;
}
/** Remedies for an instrument. */
export type Remedy = 'leads' | 'zero' | 'clamp' | 'meter';

export type ToPractice =
  | { readonly kind: 'open'; readonly exercise: Exercise; readonly left: LeftVisit | null }
  | { readonly kind: 'hands'; readonly hands: Partial<Hands> }
  | { readonly kind: 'vehicle'; readonly hands: Partial<BayVehicle> }
  | { readonly kind: 'take-off'; readonly change: Partial<TakenOff> }
  | { readonly kind: 'mend'; readonly what: Remedy }
  | { readonly kind: 'label' }
  | { readonly kind: 'write' }
  | { readonly kind: 'look'; readonly about: ObservationName }
  | { readonly kind: 'special'; readonly test: TestName }
  | { readonly kind: 'charge' }
  | { readonly kind: 'wait'; readonly minutes: number }
  | { readonly kind: 'hint' }
  | { readonly kind: 'show' }
  | { readonly kind: 'call'; readonly call: PracticeCall }
  /** A visit on the real bench, by its case. */
  | { readonly kind: 'score-bench'; readonly exercise: Exercise; readonly subject: Case; readonly call: PracticeCall };

/** A reading as it was written down, with what the judge says of it. */
export interface WrittenReading {
  readonly id: string;
  readonly test: TestName;
  /** Of a pack. */
  readonly battery: number | null;
  readonly value: number | string | readonly number[] | null;
  readonly graded: GradedReading;
}
/** How the bay stands, told several times a second. */
export interface BayView {
  readonly hands: Hands;
  readonly shown: {
    readonly value: number | null;
    readonly decimals: number;
    readonly unit: 'V' | 'A' | 'ohm' | 'rpm' | '%';
  };
  readonly clampAmps: number | null;
  /** The test that is being taken. */
  readonly test: TestName | null;
  /** What a steady crank with belt or plugs off shows. */
  readonly seeing: ObservationName | null;
  /** Of the recorder; null while it is off. */
  readonly recorded: { readonly lowest: number; readonly highest: number; readonly mean: number } | null;
  readonly takenOff: TakenOff;
  readonly flow: 'none' | 'cranking' | 'charging' | 'load';
  readonly vehicle: BayVehicle;
  /** What is heard, seen and smelled. */
  readonly senses: readonly Sense[];
  /** Revolutions a minute while it turns. */
  readonly rpm: number;
  readonly minutes: number;
}
/** What has been found so far, told after each thing that was done. */
export interface VisitView {
  readonly symptoms: string;
  readonly system: System;
  readonly celsius: number | null;
  readonly readings: readonly WrittenReading[];
  readonly observations: readonly { readonly about: ObservationName; readonly finding: string }[];
  readonly next: NextStep | null;
}

export type FromPractice =
  | { readonly kind: 'bay'; readonly bay: BayView }
  | { readonly kind: 'visit'; readonly visit: VisitView; readonly left: LeftVisit }
  | { readonly kind: 'refused'; readonly why: 'no-test' | 'over-range' | Refusal }
  | { readonly kind: 'hint'; readonly hint: Hint }
  | { readonly kind: 'score'; readonly score: Score; readonly done: readonly Done[] };
