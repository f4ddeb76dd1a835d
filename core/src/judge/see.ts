/** First stage: the case as it stands, seen through a criteria set. */
import { batteryCca, packCca } from '../battery/rating';
import { stateOfCharge } from '../battery/state-of-charge';
import type { Case, Reading } from '../format/case-shape';
import type { ObservationName, TestName } from '../format/names';
import type { Pass } from '../format/words';
import type { CriteriaSet } from '../criteria/criteria-set';
import { once } from './once';
import { labelDoubt } from '../trade/label-check';
import { expectedDraw } from '../trade/expected-draw';
import { solvePaths } from './derive/solve-paths';
import { ceilingShown } from './void/clamp';
import { inSeriesOf, isNumeric, isTried, unitVolts } from './situation';
import type { NumericReading, Sight } from './situation';

/** Temperature of a battery that nobody measured, °C: limits are told for it. */
const USUAL_CELSIUS = 21;
/** Temperature at which the table of resting volts holds, °C. */
const TABLE_CELSIUS = 25;

/** The pass a case is in: the newest. */
export const passOf = ({ readings }: Case): Pass =>
  readings.some(({ pass }) => pass === 'after') ? 'after' : 'before';

/**
 * Sees one pass of a case; readings voided by hand are not in it.
 *
 * @param excluded Ids of readings that are left out.
 */
export function see(subject: Case, criteria: CriteriaSet, pass: Pass, excluded: ReadonlySet<string>): Sight {
  const { system, conditions = {} } = subject;
  const readings = subject.readings.filter((reading) => isTried(reading, pass) && !excluded.has(reading.id));
  const measured = conditions.batteryCelsius ?? conditions.ambientCelsius;
  const celsius = measured ?? USUAL_CELSIUS;
  const byTest = groupByTest(readings);
  const units = [...new Set(readings.map(({ battery }) => battery).filter((unit) => unit !== undefined))].sort();
  const { connected, weakest } = restingOf(byTest.get('resting-voltage') ?? [], inSeriesOf(system));
  const sight: Sight = {
    case: subject,
    criteria,
    pass,
    scale: system.nominalVolts / 12,
    celsius,
    celsiusKnown: measured !== undefined,
    cca: batteryCca(system.battery),
    packCca: packCca(system.battery),
    labelDoubt: labelDoubt(system),
    regulation: system.alternator?.regulation ?? 'fixed',
    fuel: system.engine?.fuel ?? 'petrol',
    draw: expectedDraw(system, criteria, conditions.ambientCelsius ?? celsius),
    clampCeiling: lowestCeiling(subject, pass),
    readings,
    byTest,
    observed: observedOf(subject, pass),
    resting: connected,
    charge:
      weakest === null
        ? null
        : stateOfCharge(weakest, system.battery.chemistry, system.nominalVolts, measured ?? TABLE_CELSIUS),
    units,
    paths: once(() => solvePaths(sight)),
  };
  return sight;
}

function lowestCeiling({ readings }: Case, pass: Pass): number | null {
  let lowest: number | null = null;
  for (const reading of readings) {
    if (reading.test !== 'starter-draw' || !isTried(reading, pass)) continue;
    const ceiling = ceilingShown(reading);
    if (ceiling !== null) lowest = Math.min(lowest ?? ceiling, ceiling);
  }
  return lowest;
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

function observedOf({ observations = [] }: Case, pass: Pass): ReadonlyMap<ObservationName, string> {
  const found = new Map<ObservationName, string>();
  for (const { about, finding, pass: own = 'before' } of observations) if (own === pass) found.set(about, finding);
  return found;
}

interface PackResting {
  /** Of the pack as connected: as read, else what its batteries make together, V. */
  readonly connected: number | null;
  /** Of the weakest battery, brought to the volts of the pack: it is as full as that, V. */
  readonly weakest: number | null;
}

/**
 * A pack as connected hides the flat battery, so batteries that were read by themselves count until the pack is
 * read again after them.
 */
function restingOf(resting: readonly Reading[], inSeries: number): PackResting {
  const own = new Map<number, number>();
  let connected: number | null = null;
  for (const reading of resting) {
    if (!isNumeric(reading)) continue;
    if (reading.battery !== undefined) own.set(reading.battery, reading.value);
    else {
      connected = reading.value;
      own.clear();
    }
  }
  if (own.size === 0) return { connected, weakest: connected };
  const volts = [...own.values()];
  const weakest = Math.min(...volts) * inSeries;
  const together = (volts.reduce((sum, value) => sum + value, 0) / volts.length) * inSeries;
  return connected === null ? { connected: together, weakest } : { connected, weakest: Math.min(weakest, connected) };
}

/**
 * The same sight as one battery of a pack shows it: its own resting voltage and charge, in series its share of
 * the volts, in parallel its share of the amps. Unchanged for a reading of the pack as connected.
 *
 * @typeParam S A situation stays a situation.
 */
export function forUnit<S extends Sight>(sight: S, battery: number | undefined): S {
  if (battery === undefined || sight.units.length === 0) return sight;
  const { system } = sight.case;
  const nominalVolts = unitVolts(system);
  const resting = ownResting(sight, battery)?.value ?? null;
  const celsius = sight.celsiusKnown ? sight.celsius : TABLE_CELSIUS;
  return {
    ...sight,
    case: {
      ...sight.case,
      system: { ...system, nominalVolts, battery: { ...system.battery, count: 1, arrangement: 'single' as const } },
    },
    scale: nominalVolts / 12,
    packCca: sight.cca,
    units: [],
    resting,
    charge: resting === null ? null : stateOfCharge(resting, system.battery.chemistry, nominalVolts, celsius),
  };
}

/** The newest resting voltage of one battery of a pack. */
const ownResting = ({ byTest }: Sight, battery: number): NumericReading | undefined =>
  (byTest.get('resting-voltage') ?? []).filter(isNumeric).findLast((reading) => reading.battery === battery);
