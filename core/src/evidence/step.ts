import type { FaultName } from '../format/names';
import type { GradedCase } from './case-context';
import type { EngineState, SymptomName } from '../format/words';
import type { CautionName } from './cautions';

/** What the judge knows of a step when it chooses what to do next. */
export interface Step {
  /** Minutes of work, set-up at the same place shared. */
  readonly minutes: number;
  /** Where one stands for it: steps at one place are taken together. */
  readonly place: StepPlace;
  /** What the engine does while it is taken; absent: it is off. */
  readonly engine?: EngineState;
  /**
   * Faults it tells about, and how much of the doubt it takes away (0 to 1), no more than the spreads of its figure allow;
   * none: never asked for by itself.
   */
  readonly informs: readonly (readonly [FaultName, number])[];
  /** What it settles, in a sentence. */
  readonly settles: string;
  /** Void or unsafe on a battery that is not charged. */
  readonly needsCharge?: true;
  /** Read while the starter turns the engine, not only while the key is at start. */
  readonly needsTurning?: true;
  /** Read at the posts in one crank, together with the others of it. */
  readonly isOfOneCrank?: true;
  /** Read while the engine runs. */
  readonly needsEngine?: true;
  /** Lies behind the solenoid: reads nothing while that is not told to close. */
  readonly needsTold?: true;
  /** Whether it can tell anything in this case. */
  readonly when?: (gradedCase: GradedCase) => boolean;
  /** With this complaint it is the next thing once the battery is proven, before the engine runs. */
  readonly dueFor?: SymptomName;
  /** Cautions that belong to it, in the order they are read. */
  readonly cautions: readonly CautionName[];
}

/** Where the hands and leads are: steps at the same place share their set-up. */
export type StepPlace =
  'look' | 'posts' | 'posts-cranking' | 'starter' | 'engine' | 'running' | 'alternator' | 'standing';

/**
 * The same strength for several faults.
 *
 * @param strength How much of the doubt the step takes away, 0 to 1.
 */
export const informs = (strength: number, ...faults: readonly FaultName[]): readonly (readonly [FaultName, number])[] =>
  faults.map((fault) => [fault, strength] as const);

/** What every reading with the key at start needs. */
export const CRANKING_STEP = { engine: 'cranking', needsCharge: true, cautions: ['cranking'] } as const;
/** What every reading with the engine running needs. */
export const RUNNING_STEP = { engine: 'running', needsCharge: true, needsEngine: true, cautions: ['running'] } as const;
/** What every reading with the engine running and loads on needs. */
export const LOADED_STEP = { ...RUNNING_STEP, engine: 'loaded' } as const;
