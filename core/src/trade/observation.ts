/** What is known of something that is seen, heard or tried by hand; one file each in `observations/`. */
import type { Observation } from '../format/observation-shape';
import type { FaultName } from '../format/names';
import type { Reading } from '../format/reading-shape';
import type { WeightName } from '../criteria/weights';
import type { GradedCase } from '../evidence/case-context';
import type { Vehicle } from '../circuit/model/vehicle';
import type { SimulatedBench } from '../evidence/simulated-bench';
import type { PhraseTable, Message } from '../format/message';
import type { LeadPlacing } from '../circuit/points';
import type { SignalPiece } from '../circuit/start-signal';
import type { Requirement } from './required';
import type { Place } from './route';
import type { Step } from '../evidence/step';

/** What one finding says: these causes, by this weight of the table. */
export interface Speaks {
  readonly of: readonly (FaultName | readonly [FaultName, number])[];
  readonly weight: WeightName;
  /** True where a valid reading makes it impossible: it was seen or typed wrongly, and says nothing. */
  readonly isRefuted?: (gradedCase: GradedCase) => boolean;
}

/** What of a test's row tells by which instrument it is read. */
export interface DoubtedTest {
  readonly unit: string;
  readonly leads: LeadPlacing | null;
}

export interface ObservationKind {
  /** Name in the route. */
  readonly name: string;
  /** What is asked, as the beginning of a sentence: “Look at the belt”. */
  readonly asks: string;
  /** What may be found. */
  readonly findings: readonly string[];
  readonly place: Place;
  readonly step: Step;
  /** Who asks for it before a vehicle may be called sound; empty where nobody does. */
  readonly required: readonly Requirement[];
  /** It only looks: safe on any battery. */
  readonly isLooking: boolean;
  readonly speaks: Readonly<Record<string, readonly Speaks[]>>;
  /** A finding that ends all testing: what is said, and whether the battery must go. */
  readonly stops?: Readonly<Record<string, { readonly says: Message; readonly replace: boolean }>>;
  /** A finding that makes readings of an instrument doubtful: why this reading is void. */
  readonly doubts?: (finding: Observation['finding'], reading: Reading, row: DoubtedTest) => Message | null;
  /** Of a check along the start signal: the pieces that could give each finding. */
  readonly leaves?: Readonly<Record<string, readonly SignalPiece[]>>;
  readonly phrases?: PhraseTable;
}

/** What the circuit model shows of it; a value of its own, so that the judge is bundled without it. */
export interface ObservationModel {
  readonly shows: (bench: SimulatedBench) => string;
  /** True where it is part of a full visit. */
  readonly inFullVisit: boolean;
  /** Vehicles that a full visit ends with it: half an hour's work that nobody does on a sound one. */
  readonly endsVisitOf?: (vehicle: Vehicle) => boolean;
  /** True where the simulated hand never errs. */
  readonly isUnmistakable?: true;
}
