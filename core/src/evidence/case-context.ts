/**
 * One pass of a case, by one criteria set, with the questions that everything later asks of it.
 *
 * A {@link CaseContext} is what the void rules look at: everything of one pass that nobody has voided by hand. A
 * {@link GradedCase} is what all later stages look at: only readings that no void rule speaks against, each graded. A
 * context has no grades, so nothing later can mistake a void reading for a valid one.
 */
import type { Case } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import type { ObservationName, TestName } from '../format/names';
import type { NominalVolts, Pass } from '../format/words';
import type { CriteriaSet } from '../criteria/criteria-set';
import type { DrawRange } from '../criteria/expected-draw';
import type { ReadingConditions } from '../format/conditions';
import type { Message } from '../format/message';
import type { Assessment } from './assessment';

/** A reading with a plain number for its value. */
export type NumericReading = Reading & { readonly value: number };

/** What one pass of a case tells of the vehicle, whatever its readings are worth. */
export interface VehicleFacts {
  readonly case: Case;
  readonly criteria: CriteriaSet;
  readonly pass: Pass;
  /** Nominal volts over 12: every limit in volts is multiplied by it. */
  readonly scale: number;
  /** Battery temperature, °C: as read, else ambient, else 21; `celsiusKnown` tells. */
  readonly celsius: number;
  readonly celsiusKnown: boolean;
  /** Cold-cranking amps (SAE) of one battery and of the pack; null where the label does not tell. */
  readonly cca: number | null;
  readonly packCca: number | null;
  /** Why the battery's label is doubted: until it is confirmed no figure may lean on its rating; or null. */
  readonly labelDoubt: Message | null;
  readonly regulation: 'fixed' | 'commanded';
  readonly fuel: 'petrol' | 'diesel';
  readonly draw: DrawRange;
  /** Where the clamp showed its ceiling in this pass, void or not, that ceiling in A; else null. */
  readonly clampCeiling: number | null;
  /** The newest finding of each observation of this pass. */
  readonly observed: ReadonlyMap<ObservationName, string>;
}

/** Readings that are void and still tell something. */
export interface VoidedReadings {
  /** Next to nothing lay across them with the key at start while nothing flowed: whatever is open is not in them. */
  readonly closed: ReadonlySet<TestName>;
  /** They contradict another one: both are worth reading again. */
  readonly contradicted: ReadonlySet<TestName>;
  /** Gravity that contradicts the resting volts: both are worth reading again. */
  readonly againstVolts: readonly Reading[];
}

/** One pass of a case: the vehicle, and the readings that nobody has voided by hand. */
export interface CaseContext extends VehicleFacts {
  /** Readings of this pass, oldest first. */
  readonly readings: readonly Reading[];
  /** The same readings by test: they are looked up many times. */
  readonly byTest: ReadonlyMap<TestName, readonly Reading[]>;
  /** Resting voltage of the pack, V, and its state of charge; null where none was read. */
  readonly resting: number | null;
  readonly charge: number | null;
  /** The batteries with readings of their own, by number; empty for a pack seen as one. */
  readonly units: readonly number[];
  /** What void readings still tell. */
  readonly voided: VoidedReadings;
}

/** A context without void readings, every reading graded. */
export interface GradedCase extends CaseContext {
  /** Every reading of the pass that may be judged, graded, by id. */
  readonly grades: ReadonlyMap<string, Assessment>;
}

const NO_READINGS: readonly Reading[] = [];

/** True for a reading whose value is one number: no list, no OL, and it was possible. */
export const isNumeric = (reading: Reading | undefined): reading is NumericReading =>
  typeof reading?.value === 'number';

/** True for a reading of this pass that nobody took back by hand; one that a rule voids was tried all the same. */
export const isTried = ({ pass = 'before', void: byHand }: Reading, own: Pass): boolean =>
  pass === own && byHand === undefined;

/** All readings of a test in this pass, newest last. */
export const readingsOf = (context: CaseContext, test: TestName): readonly Reading[] =>
  context.byTest.get(test) ?? NO_READINGS;

/**
 * The newest numeric reading of a test; of one battery of a pack where `battery` is given.
 *
 * @param battery From 1; absent for any reading of the test.
 */
export function latest(context: CaseContext, test: TestName, battery?: number): NumericReading | undefined {
  const own = readingsOf(context, test);
  for (let i = own.length - 1; i >= 0; i--) {
    const reading = own[i]!;
    if (isNumeric(reading) && (battery === undefined || reading.battery === battery)) return reading;
  }
  return undefined;
}

/** The newest reading of a test under these loads; loads not told are off. */
export function latestUnder(context: CaseContext, test: TestName, loads: 'off' | 'on'): NumericReading | undefined {
  const own = readingsOf(context, test);
  for (let i = own.length - 1; i >= 0; i--) {
    const reading = own[i]!;
    if (isNumeric(reading) && loadsOf(reading) === loads) return reading;
  }
  return undefined;
}

/** Loads a reading was taken under; not told is off. */
export const loadsOf = ({ conditions }: { readonly conditions?: ReadingConditions }): 'off' | 'on' =>
  conditions?.loads ?? 'off';

/** True where the test was asked for and could not be done. */
export const notPossible = (context: CaseContext, test: TestName): boolean =>
  readingsOf(context, test).some((reading) => reading.value === null);

/** True once anything was measured: what is believed before rests on the complaint and on looking alone. */
export const isMeasured = ({ readings }: CaseContext): boolean => readings.some(({ value }) => value !== null);

/** True where somebody said that the engine did not turn, or did not run. */
export const didNotCrank = ({ readings }: CaseContext): boolean =>
  readings.some(({ notPossible: why }) => why === 'did-not-crank');
/** True where somebody said that the engine did not turn, or did not start. */
export const didNotRun = ({ readings }: CaseContext): boolean =>
  readings.some(({ notPossible: why }) => why === 'did-not-crank' || why === 'did-not-start');

/** The newest finding of an observation in this pass. */
export const observed = (context: CaseContext, about: ObservationName): string | undefined =>
  context.observed.get(about);

/** The batteries that have readings of their own; `[undefined]` for a pack seen as one. */
export const batteryUnits = ({ units }: CaseContext): readonly (number | undefined)[] =>
  units.length > 0 ? units : [undefined];

/** How many batteries share the nominal volts: two of 12 V in series make 24 V. */
export const inSeriesOf = ({ battery }: Case['system']): number =>
  battery.arrangement === 'series' ? (battery.count ?? 2) : 1;

/** Nominal volts of one battery of the pack. */
export const unitVolts = (system: Case['system']): NominalVolts =>
  (system.nominalVolts / inSeriesOf(system)) as NominalVolts;

/** True where the battery is full enough that a load or cranking reading may condemn something. */
export const isCharged = ({ charge, criteria }: CaseContext): boolean =>
  charge !== null && charge >= criteria.minimumCharge;
