import type { System } from '../format/case-shape';

/** Typical sustained starter draw at 21 °C. */
export interface TypicalDraw {
  readonly fuel: 'petrol' | 'diesel';
  /** The row holds up to this many cylinders. */
  readonly upToCylinders: number;
  readonly minAmps: number;
  readonly maxAmps: number;
}

/** Usual sustained starter draw of a vehicle, A. */
export interface DrawRange {
  readonly min: number;
  readonly max: number;
  /** The current that drops are brought to: the middle of the range. */
  readonly reference: number;
  readonly source: 'specified' | 'typical';
}

/** A cold engine asks more: about 30 % at −18 °C against 21 °C. */
const COLD_SHARE_PER_CELSIUS = 0.3 / 39;

/** How much more a cold engine asks of its starter than at 21 °C. @param celsius Engine temperature, °C. */
export const coldDemand = (celsius: number): number => 1 + COLD_SHARE_PER_CELSIUS * Math.max(0, 21 - celsius);

/**
 * The usual starter draw: the maker's figure, else the typical row by fuel and cylinders, brought to
 * the engine's temperature, halved at 24 V and doubled at 6 V.
 *
 * @param rows The typical draws of the criteria set in use.
 * @param celsius Engine temperature, °C.
 * @throws RangeError where no row holds for the engine's fuel.
 */
export function expectedDraw(system: System, rows: readonly TypicalDraw[], celsius: number): DrawRange {
  const cold = coldDemand(celsius);
  const given = system.specified?.starterDrawAmps;
  if (given && (given.max ?? given.min ?? 0) > 0 && (given.min ?? 1) > 0) {
    const max = (given.max ?? given.min! * 2) * cold;
    const min = given.min ?? max / 2;
    return { min, max, reference: (min + max) / 2, source: 'specified' };
  }
  const fuel = system.engine?.fuel ?? 'petrol';
  const cylinders = system.engine?.cylinders ?? 4;
  const row = rows.find((entry) => entry.fuel === fuel && cylinders <= entry.upToCylinders) ?? rows.at(-1);
  if (!row) throw new RangeError(`no typical starter draw for ${fuel} and ${cylinders} cylinders`);
  const factor = (cold * 12) / system.nominalVolts;
  const [min, max] = [row.minAmps * factor, row.maxAmps * factor];
  return { min, max, reference: (min + max) / 2, source: 'typical' };
}
