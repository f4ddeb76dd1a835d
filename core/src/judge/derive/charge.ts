/** How full the battery is, and whether a whole cell of it is missing. */
import { restingVolts, restingVoltsAt25 } from '../../battery/state-of-charge';
import { forUnit } from '../see';
import { batteryUnits, isCharged, latest, readingsOf } from '../situation';
import type { NumericReading, Sight } from '../situation';

/** Temperature at which the table of resting volts holds, °C. */
const TABLE_CELSIUS = 25;
/** A battery of six cells with five good ones rests between these (docs/criteria.md, resting voltage), V. */
const DEAD_CELL_VOLTS = [9.6, 10.9] as const;
/** A reading after a charge speaks of it for a day, min. */
const AFTER_CHARGE_MINUTES = 24 * 60;

const restingAt = (share: number, { case: { system }, celsius, celsiusKnown }: Sight): number =>
  restingVolts(share, system.battery.chemistry, system.nominalVolts, celsiusKnown ? celsius : TABLE_CELSIUS);

/** What a full battery of this chemistry rests at, V. */
export const fullVolts = (sight: Sight): number => restingAt(1, sight);
/** What it must rest at before it may be judged under load, V. */
export const neededVolts = (sight: Sight): number => restingAt(sight.criteria.minimumCharge, sight);

function unitHasDeadCell({ resting, case: { system } }: Sight): boolean {
  if (resting === null) return false;
  const at12 = restingVoltsAt25(resting, system.nominalVolts);
  return at12 > DEAD_CELL_VOLTS[0] && at12 < DEAD_CELL_VOLTS[1];
}

/** A cell is dead where a battery rests near 10.5 V: five good cells. */
export const hasDeadCellVolts = (sight: Sight): boolean =>
  batteryUnits(sight).some((unit) => unitHasDeadCell(forUnit(sight, unit)));

/** The resting reading that tells of the weakest battery: what `charge` is read from. */
export function weakestResting(sight: Sight): NumericReading | undefined {
  const own = sight.units
    .map((unit) => latest(sight, 'resting-voltage', unit))
    .filter((reading) => reading !== undefined);
  const newest = latest(sight, 'resting-voltage');
  if (own.length === 0 || newest?.battery === undefined) return newest;
  return own.reduce((weakest, reading) => (reading.value < weakest.value ? reading : weakest));
}

/** Near 10.5 V at rest although it was charged, or read twice around a charge and low both times. */
export function isDeadAfterCharge(sight: Sight): boolean {
  const weakest = weakestResting(sight);
  const resting = readingsOf(sight, 'resting-voltage').filter(({ battery }) => battery === weakest?.battery);
  if (resting.length >= 2) return hasDeadCellVolts(sight) || !isCharged(sight);
  return hasDeadCellVolts(sight) && (resting.at(-1)?.conditions?.minutesSinceCharge ?? Infinity) < AFTER_CHARGE_MINUTES;
}

/** A worn battery loses less than this (12 V) standing overnight; more is a cell that dies, V. */
const DEAD_CELL_LOSS_VOLTS = 1;

/** What it lost standing disconnected is a whole cell's worth, whatever it rested at before. */
export function lostACell(sight: Sight): boolean {
  const reading = latest(sight, 'hold-charge');
  const start = reading?.conditions?.startVolts ?? sight.resting;
  return reading !== undefined && start !== null && start - reading.value >= DEAD_CELL_LOSS_VOLTS * sight.scale;
}

/** True where the battery must be charged before anything under load may condemn it. */
export const isChargeOwed = (sight: Sight): boolean =>
  sight.charge !== null && !isCharged(sight) && !hasDeadCellVolts(sight);
