/**
 * The situation: a case seen through one criteria set, with the look-ups every later stage needs.
 *
 * The judge is a pipeline: situation → void rules → assessment (grades) → derived figures →
 * findings → faults → proof → decision → next. Each stage reads the situation and adds to it nothing.
 */
import { batteryCca, packCca } from '../battery/rating';
import { stateOfCharge } from '../battery/state-of-charge';
import type { Case, Reading } from '../case/case-shape';
import type { NominalVolts, ObservationName, Pass, TestName } from '../case/vocabulary';
import type { CriteriaSet } from '../criteria/criteria-set';
import { expectedDraw } from './expected-draw';
import type { DrawRange } from './expected-draw';

export interface Situation {
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
  readonly regulation: 'fixed' | 'commanded';
  readonly fuel: 'petrol' | 'diesel';
  readonly draw: DrawRange;
  /** Readings of this pass that may be judged, newest last. */
  readonly readings: readonly Reading[];
  /** The same readings by test: they are looked up many times. */
  readonly byTest: ReadonlyMap<TestName, readonly Reading[]>;
  /** Resting voltage of the pack, V, and its state of charge; null where none was read. */
  readonly resting: number | null;
  readonly charge: number | null;
}

/** A reading with a plain number for its value. */
export type NumericReading = Reading & { readonly value: number };

export const isNumeric = (reading: Reading | undefined): reading is NumericReading =>
  typeof reading?.value === 'number';

/** Sees a case as it stands; `excluded` are ids of readings found void. */
export function situationOf(
  subject: Case,
  criteria: CriteriaSet,
  excluded: ReadonlySet<string> = new Set(),
): Situation {
  const { system, conditions = {} } = subject;
  const pass: Pass = subject.readings.some((reading) => reading.pass === 'after') ? 'after' : 'before';
  const readings = subject.readings.filter(
    (reading) => (reading.pass ?? 'before') === pass && reading.void === undefined && !excluded.has(reading.id),
  );
  const measuredCelsius = conditions.batteryCelsius ?? conditions.ambientCelsius;
  const celsius = measuredCelsius ?? 21;
  const resting = restingOf(readings, inSeriesOf(system));
  return {
    case: subject,
    criteria,
    pass,
    scale: system.nominalVolts / 12,
    celsius,
    celsiusKnown: measuredCelsius !== undefined,
    cca: batteryCca(system.battery),
    packCca: packCca(system.battery),
    regulation: system.alternator?.regulation ?? 'fixed',
    fuel: system.engine?.fuel ?? 'petrol',
    draw: expectedDraw(system, criteria, conditions.ambientCelsius ?? celsius),
    readings,
    byTest: groupByTest(readings),
    resting,
    charge:
      resting === null
        ? null
        : stateOfCharge(resting, system.battery.chemistry, system.nominalVolts, measuredCelsius ?? 25),
  };
}

function groupByTest(readings: readonly Reading[]): ReadonlyMap<TestName, readonly Reading[]> {
  const groups = new Map<TestName, Reading[]>();
  for (const reading of readings) {
    const group = groups.get(reading.test);
    if (group) group.push(reading);
    else groups.set(reading.test, [reading]);
  }
  return groups;
}

/** All readings of a test in this pass, newest last. */
export const readingsOf = (situation: Situation, test: TestName): readonly Reading[] =>
  situation.byTest.get(test) ?? NO_READINGS;
const NO_READINGS: readonly Reading[] = [];

/** Of the pack as connected; else of its weakest battery, brought to the volts of the pack. */
function restingOf(readings: readonly Reading[], inSeries: number): number | null {
  const resting = readings.filter((reading) => reading.test === 'resting-voltage').filter(isNumeric);
  const pack = resting.filter((reading) => reading.battery === undefined).at(-1);
  if (pack) return pack.value;
  const newest = new Map(resting.map((reading) => [reading.battery, reading.value]));
  return newest.size === 0 ? null : Math.min(...newest.values()) * inSeries;
}

/** How many batteries share the nominal volts: two of 12 V in series make 24 V. */
const inSeriesOf = ({ battery }: Case['system']): number =>
  battery.arrangement === 'series' ? (battery.count ?? 2) : 1;

/**
 * The situation as one battery of a pack sees it: in series each has its share of the volts. The same
 * for a reading of the pack as connected.
 */
export function forUnit(situation: Situation, { battery }: Reading): Situation {
  const { system } = situation.case;
  const inSeries = inSeriesOf(system);
  if (battery === undefined || inSeries === 1) return situation;
  const nominalVolts = (system.nominalVolts / inSeries) as NominalVolts;
  const resting = latest(situation, 'resting-voltage', battery)?.value ?? null;
  return {
    ...situation,
    case: { ...situation.case, system: { ...system, nominalVolts } },
    scale: nominalVolts / 12,
    resting,
  };
}

/** The newest numeric reading of a test; of one battery of a pack where `battery` is given. */
export function latest(situation: Situation, test: TestName, battery?: number): NumericReading | undefined {
  const own = readingsOf(situation, test);
  for (let i = own.length - 1; i >= 0; i--) {
    const reading = own[i]!;
    if (isNumeric(reading) && (battery === undefined || reading.battery === battery)) return reading;
  }
  return undefined;
}

/** True where the test was asked for and could not be done. */
export const notPossible = (situation: Situation, test: TestName): boolean =>
  readingsOf(situation, test).some((reading) => reading.value === null);

/** The newest finding of an observation in this pass. */
export function observed(situation: Situation, about: ObservationName): string | undefined {
  return situation.case.observations
    ?.filter((observation) => observation.about === about && (observation.pass ?? 'before') === situation.pass)
    .at(-1)?.finding;
}

/** The batteries that have readings of their own; `[undefined]` for a pack seen as one. */
export function batteryUnits(situation: Situation): readonly (number | undefined)[] {
  const own = new Set(situation.readings.map((reading) => reading.battery).filter((unit) => unit !== undefined));
  return own.size > 0 ? [...own].sort() : [undefined];
}
