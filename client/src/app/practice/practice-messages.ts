/** What page and worker of the practice bay say to each other. */
import type { VehicleState } from '../instruments/live/vehicle-state';
import type { GradedReading, NextStep, ObservationName, System, TestName } from '@tetrad/core';
import type { Exercise, Hands, LeftVisit, PracticeCall, Score, Done } from '@tetrad/core/practice';

export type ToPractice =
  | { readonly kind: 'open'; readonly exercise: Exercise; readonly left: LeftVisit | null }
  | { readonly kind: 'hands'; readonly hands: Partial<Hands> }
  | { readonly kind: 'vehicle'; readonly hands: Partial<VehicleState> }
  | { readonly kind: 'write' }
  | { readonly kind: 'look'; readonly about: ObservationName }
  | { readonly kind: 'special'; readonly test: TestName }
  | { readonly kind: 'charge' }
  | { readonly kind: 'wait'; readonly minutes: number }
  | { readonly kind: 'hint' }
  | { readonly kind: 'show' }
  | { readonly kind: 'call'; readonly call: PracticeCall };

/** A reading as it was written down, with what the judge says of it. */
export interface WrittenReading {
  readonly id: string;
  readonly test: TestName;
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
  readonly flow: 'none' | 'cranking' | 'charging' | 'load';
  readonly vehicle: VehicleState;
  readonly isRunning: boolean;
  /** What is heard: revolutions a minute while it turns. */
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
  | { readonly kind: 'refused'; readonly why: 'no-test' | 'over-range' }
  | { readonly kind: 'hint'; readonly next: NextStep | null }
  | { readonly kind: 'score'; readonly score: Score; readonly done: readonly Done[] };
