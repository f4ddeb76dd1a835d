/** How full the battery is, and whether a whole cell of it is missing. */
import { missingCellVolts } from '../battery/missing-cell';
import { restingCelsius, restingVolts, restingVoltsAt25 } from '../battery/state-of-charge';
import { asOwnBattery } from './own-battery';
import { batteryUnits, isCharged, latest, readingsOf } from './case-context';
import type { NumericReading, CaseContext } from './case-context';
import type { Reading } from '../format/reading-shape';

/** A battery of six cells with five good ones rests between these (docs/criteria.md, resting voltage), V. */
const DEAD_CELL_VOLTS = [9.6, 10.9] as const;
/** A reading after a charge speaks of it for a day, min. */
const AFTER_CHARGE_MINUTES = 24 * 60;

const restingAt = (share: number, context: CaseContext): number => {
  const { nominalVolts, battery } = context.case.system;
  return restingVolts(share, battery.chemistry, nominalVolts, restingCelsius(context));
};

/** What a full battery of this chemistry rests at, V. */
export const fullVolts = (context: CaseContext): number => restingAt(1, context);
/** What it must rest at before it may be judged under load, V. */
export const neededVolts = (context: CaseContext): number => restingAt(context.criteria.minimumCharge, context);

function unitHasDeadCell({ resting, case: { system } }: CaseContext): boolean {
  if (resting === null) return false;
  const at12 = restingVoltsAt25(resting, system.nominalVolts);
  return at12 > DEAD_CELL_VOLTS[0] && at12 < DEAD_CELL_VOLTS[1];
}

/** What a battery may rest above a full one of a cell less, V. */
const CELL_MARGIN_VOLTS = 0.3;

/**
 * True where the battery rests higher than a full one with a cell missing: then all its cells answer.
 *
 * @param restingVolts Resting voltage of one battery, V.
 */
export const allCellsAnswer = (restingVolts: number, context: CaseContext): boolean =>
  restingVolts > fullVolts(context) - missingCellVolts(context.scale) + CELL_MARGIN_VOLTS;

/** A cell is dead where a battery rests near 10.5 V: five good cells. */
export const hasDeadCellVolts = (context: CaseContext): boolean =>
  batteryUnits(context).some((unit) => unitHasDeadCell(asOwnBattery(context, unit)));

/** The resting reading that tells of the weakest battery: what `charge` is read from. */
export function weakestResting(context: CaseContext): NumericReading | undefined {
  const own = context.units
    .map((unit) => latest(context, 'resting-voltage', unit))
    .filter((reading) => reading !== undefined);
  const newest = latest(context, 'resting-voltage');
  if (own.length === 0 || newest?.battery === undefined) return newest;
  return own.reduce((weakest, reading) => (reading.value < weakest.value ? reading : weakest));
}

/** No charge fits between two readings that are closer than this, min. */
export const SHORTEST_CHARGE_MINUTES = 30;

/** Nobody could have charged it between readings that follow each other at once; where no times are told, somebody did. */
function hasTimeToCharge(resting: readonly Reading[]): boolean {
  const [first, last] = [resting[0]?.at, resting.at(-1)?.at];
  return !first || !last || Date.parse(last) - Date.parse(first) >= SHORTEST_CHARGE_MINUTES * 60_000;
}

/** Near 10.5 V at rest although it was charged, or read twice around a charge and low both times. */
export function isDeadAfterCharge(context: CaseContext): boolean {
  const weakest = weakestResting(context);
  const resting = readingsOf(context, 'resting-voltage').filter(({ battery }) => battery === weakest?.battery);
  if (resting.length >= 2 && hasTimeToCharge(resting)) return hasDeadCellVolts(context) || !isCharged(context);
  return (
    hasDeadCellVolts(context) && (resting.at(-1)?.conditions?.minutesSinceCharge ?? Infinity) < AFTER_CHARGE_MINUTES
  );
}

/** A worn battery loses less than this (12 V) standing overnight; more is a cell that dies, V. */
const DEAD_CELL_LOSS_VOLTS = 1;

/** What it lost standing disconnected is a whole cell's worth, whatever it rested at before. */
export function lostACell(context: CaseContext): boolean {
  const reading = latest(context, 'hold-charge');
  const start = reading?.conditions?.startVolts ?? context.resting;
  return reading !== undefined && start !== null && start - reading.value >= DEAD_CELL_LOSS_VOLTS * context.scale;
}

/** True where the battery must be charged before anything under load may condemn it. */
export const isChargeOwed = (context: CaseContext): boolean =>
  context.charge !== null && !isCharged(context) && !hasDeadCellVolts(context);
