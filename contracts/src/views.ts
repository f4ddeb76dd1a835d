/** What the server answers: views of the stored records. */
import type {
  Case,
  CautionName,
  CriteriaSet,
  CheckFindings,
  DecisionTone,
  InstrumentKind,
  Judgement,
  Part,
  Pass,
  Profile,
  System,
  Uncertainty,
  WaitKind,
} from '@tetrad/core';
import type { Cause, ComplaintState } from '@tetrad/core/outcomes';
import type { JobStatus } from './job-changes';
import type { SessionKind } from './people';
import type { TakenAction } from './sign-off';

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
  readonly group: string | null;
  /** When its battery was fitted before it was first here, `YYYY-MM-DD`; null where nobody told. */
  readonly batteryFittedOn: string | null;
}

/** A timer of a job: a wait, or a count that several devices show in step. Times are the server's. */
export interface TimerView {
  readonly id: string;
  readonly kind: WaitKind;
  readonly seconds: number;
  readonly startedAt: string;
}

export interface AcknowledgementView {
  readonly caution: CautionName;
  readonly by: string;
  readonly at: string;
}

/** Somebody who has the job open on another device just now. */
export interface PresentView {
  readonly name: string;
  readonly kind: SessionKind;
}

/** How a job was signed off: the decision taken, beside the judge's at that time. */
export interface SignOffView {
  readonly id: string;
  readonly by: string;
  readonly at: string;
  readonly action: TakenAction;
  readonly part: Part | null;
  readonly reason: string | null;
  readonly conclusion: string;
  readonly partsFitted: readonly string[];
  readonly comment: string | null;
  readonly solved: boolean | null;
  readonly judged: Judgement['decision'] | null;
}

/** What somebody recorded of a job later on: the newest counts. */
export interface OutcomeView {
  readonly id: string;
  readonly complaint: ComplaintState;
  readonly cause: Cause | null;
  readonly note: string | null;
  readonly by: string;
  readonly at: string;
}

/** Who brought something in from a file, and when. */
export interface ImportedView {
  readonly by: string;
  readonly at: string;
}

/** A sign-off that stands no longer: its job was opened again. */
export interface SupersededSignOffView extends SignOffView {
  /** Who opened the job again, and when; null of one that was open already when this was first noted. */
  readonly superseded: { readonly by: string | null; readonly at: string };
}

/** A sign-off that stood in an imported file: what is told there of name and time is not known to be so here. */
export interface ImportedSignOffView extends SignOffView {
  readonly imported: ImportedView;
}

/** An earlier visit of a vehicle, with what it recorded of the system. */
export interface VisitView {
  readonly job: string;
  readonly openedAt: string;
  readonly status: JobStatus;
  readonly symptoms: readonly string[];
  readonly decision: Judgement['decision'] | null;
  readonly signOff: SignOffView | null;
  readonly outcome: OutcomeView | null;
  readonly profile: Profile | null;
  readonly system: System;
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
  /** The same in words: the floor is the first screen, and loads without the sentences of the trade. */
  readonly words: {
    readonly complaint: string;
    readonly waitsFor: string;
    readonly verdict: string;
    readonly tone: DecisionTone;
  };
  readonly profile: Profile | null;
  readonly readings: number;
  /** The timer that ends last of those that run or have run out unseen, or null. */
  readonly timer: TimerView | null;
}

/** One job, whole. `case` is the open format; `judgement` the newest that is stored. */
export interface JobView {
  readonly id: string;
  /** Counts the edits of the label: what a change was made on. */
  readonly version: number;
  /** Counts everything that is stored: of two views the higher is the newer. */
  readonly revision: number;
  readonly vehicle: VehicleView;
  readonly status: JobStatus;
  readonly assignee: string | null;
  /** Id of the criteria set that it is judged by. */
  readonly criteria: string;
  /** The set whole, where it is the shop's own; null for one that ships. */
  readonly criteriaSet: CriteriaSet | null;
  readonly openedAt: string;
  readonly pass: Pass;
  readonly case: Case;
  readonly judgement: Judgement | null;
  readonly timers: readonly TimerView[];
  readonly acknowledgements: readonly AcknowledgementView[];
  /** What was recorded of it after it was signed off; null where nothing was. */
  readonly outcome: OutcomeView | null;
  /** The one that stands; null of a job that was never signed off here, or is open again. */
  readonly signOff: SignOffView | null;
  /** The newest that stands no longer, since the job was opened again. */
  readonly supersededSignOff: SupersededSignOffView | null;
  /** Of a job that was brought in from a file; null where it was opened here. */
  readonly imported: ImportedView | null;
  readonly importedSignOff: ImportedSignOffView | null;
}

/** An instrument of the shop, with its newest check. */
export interface InstrumentView {
  readonly id: string;
  readonly name: string;
  readonly kind: InstrumentKind;
  readonly uncertainty: Uncertainty;
  /** Where it is read live; null for one that is read by eye. */
  readonly address: string | null;
  readonly millivoltsPerAmp: number | null;
  /** One of those that ship with the demo: hands on its vehicle are offered. */
  readonly isSimulated: boolean;
  readonly check: {
    readonly at: string;
    readonly by: string | null;
    readonly findings: CheckFindings;
    readonly isGood: boolean;
  } | null;
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
