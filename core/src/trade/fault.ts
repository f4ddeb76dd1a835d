/** What is known of a fault; one file each in `faults/`. */
import type { CaseContext } from '../evidence/case-context';
import type { Case } from '../format/case-shape';
import type { StepName } from '../format/names';
import type { Part } from '../format/words';
import type { WeightName } from '../criteria/weights';
import type { ExcuseName } from './excuses';
import type { SymptomName } from './symptoms';

/** An excuse that must be excluded before the fault's part may be called. */
export interface Excused {
  readonly excuse: ExcuseName;
  /** The mechanism by which it could give the same readings, in a sentence; without one there is no excuse. */
  readonly how: string;
}

/** What several faults show alike; tests that see one name it, and every fault that shows it is suspected. */
export type Pattern =
  /** More amps than the engine should ask for. */
  | 'high-draw'
  /** Less current than the starter should take: something in its path, or the motor itself. */
  | 'low-flow'
  /** No current flows at all. */
  | 'no-flow'
  /** The engine cranks slowly. */
  | 'slow-crank'
  /** The alternator is silent, or nobody tells it to work. */
  | 'silent-alternator'
  /** Less comes out of the alternator than the vehicle asks for. */
  | 'weak-output'
  /** The way from the alternator to the battery loses volts. */
  | 'charge-path'
  /** Charging volts that sag: too little comes out, or too little arrives. */
  | 'low-output'
  /** Nothing arrives at the battery at all. */
  | 'no-output';

export interface Fault {
  /** Name for technicians, as it stands inside a sentence. */
  readonly name: string;
  /** What is put right when it is repaired, as a heading names it: “negative post”. */
  readonly repairs: string;
  /** The part it belongs to in this vehicle. */
  readonly part: (system: Case['system']) => Part | null;
  /** The part it turns out to belong to by what was observed; null where nothing names another. */
  readonly seenAs?: (context: CaseContext) => Part | null;
  /** What was found, for the customer: no figures, nothing that needs a trade to read. */
  readonly customer: string;
  /** How often it is behind a complaint about this system, before anything is read. */
  readonly prior: number;
  /** Symptoms it gives, each with the share of its cases that show it. */
  readonly symptoms: Readonly<Partial<Record<SymptomName, number>>>;
  /** Symptoms that speak against it, by a weight of the table. */
  readonly symptomsAgainst?: Readonly<Partial<Record<SymptomName, WeightName>>>;
  /** What the vehicle shows, with the share of the fault's cases that show it. */
  readonly shows?: Readonly<Partial<Record<Pattern, number>>>;
  /** No part is ever called for it: nothing is wrong, or only the charge is. */
  readonly isNeverCalled?: true;
  /** Excuses with why each could excuse it. */
  readonly excuses: readonly Excused[];
  /** The step that reads straight across it. */
  readonly where?: StepName;
}
