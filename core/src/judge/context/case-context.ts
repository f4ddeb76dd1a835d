/** First stage: the readings of one pass, in the order and the groups that everything later asks for. */
import { restingCelsius, stateOfCharge } from '../../battery/state-of-charge';
import { inSeriesOf, isNumeric } from '../../evidence/case-context';
import type { CaseContext, VehicleFacts, VoidedReadings } from '../../evidence/case-context';
import type { Reading } from '../../format/reading-shape';
import type { TestName } from '../../format/names';
import { TESTS } from '../../trade/tables';

const NOTHING_VOIDED: VoidedReadings = { closed: new Set(), contradicted: new Set(), againstVolts: [] };

/**
 * @param readings Those of the pass that count, oldest first.
 * @param voided What readings that do not count still tell.
 */
export function caseContext(
  vehicle: VehicleFacts,
  readings: readonly Reading[],
  voided: VoidedReadings = NOTHING_VOIDED,
): CaseContext {
  const { system } = vehicle.case;
  const byTest = groupByTest(readings);
  const units = [...new Set(readings.map(({ battery }) => battery).filter((unit) => unit !== undefined))].sort();
  const { connected, weakest } = restingOf(byTest.get('resting-voltage') ?? [], inSeriesOf(system));
  const celsius = restingCelsius(vehicle);
  // every field by name: spreading so many is slow
  return {
    case: vehicle.case,
    criteria: vehicle.criteria,
    pass: vehicle.pass,
    scale: vehicle.scale,
    celsius: vehicle.celsius,
    celsiusKnown: vehicle.celsiusKnown,
    cca: vehicle.cca,
    packCca: vehicle.packCca,
    labelDoubt: vehicle.labelDoubt,
    regulation: vehicle.regulation,
    fuel: vehicle.fuel,
    draw: vehicle.draw,
    clampCeiling: vehicle.clampCeiling,
    observed: vehicle.observed,
    readings,
    byTest,
    resting: connected,
    charge: weakest === null ? null : stateOfCharge(weakest, system.battery.chemistry, system.nominalVolts, celsius),
    units,
    voided,
  };
}

/** Groups readings by test; those that tell of a part only stand under the test that they count as, if any. */
function groupByTest(readings: readonly Reading[]): ReadonlyMap<TestName, readonly Reading[]> {
  const groups = new Map<TestName, Reading[]>();
  for (const reading of readings) {
    const counted = counts(reading);
    if (!counted) continue;
    const group = groups.get(counted.test);
    if (group) group.push(counted);
    else groups.set(counted.test, [counted]);
  }
  return groups;
}

/** The reading as it counts: as itself, as one of another test, or not at all. */
function counts(reading: Reading): Reading | null {
  const { isPartial, countsAs } = TESTS[reading.test];
  if (!isPartial?.(reading)) return reading;
  const test = countsAs?.(reading) ?? null;
  return test && { ...reading, test };
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
