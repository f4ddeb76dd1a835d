/** What the server answers: views of the stored records. */
import type { Case, Judgement, Profile } from '@tetrad/core';
import type { JobStatus } from './job-changes';

export interface ShopView {
  readonly id: string;
  readonly name: string;
}

export interface VehicleView {
  readonly id: string;
  readonly name: string;
  readonly plate: string | null;
  readonly vin: string | null;
  readonly year: number | null;
}

/** One row of the floor. */
export interface FloorRow {
  readonly id: string;
  readonly vehicle: VehicleView;
  readonly symptoms: readonly string[];
  readonly status: JobStatus;
  readonly assignee: string | null;
  readonly openedAt: string;
  readonly changedAt: string;
  readonly decision: Judgement['decision'] | null;
  /** The step it waits for, or null where it is settled. */
  readonly waitsFor: Judgement['next'][number]['test'] | null;
  readonly profile: Profile | null;
  readonly readings: number;
}

/** One job, whole. `case` is the open format; `judgement` the newest that is stored. */
export interface JobView {
  readonly id: string;
  readonly version: number;
  readonly vehicle: VehicleView;
  readonly status: JobStatus;
  readonly assignee: string | null;
  readonly criteria: string;
  readonly openedAt: string;
  readonly case: Case;
  readonly judgement: Judgement | null;
}

/** RFC 9457 problem details. */
export interface Problem {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  /** What does not fit, each with its field, what was given and what is allowed. */
  readonly errors?: readonly { readonly field: string; readonly found: string; readonly allowed: string }[];
}
