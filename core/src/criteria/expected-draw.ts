import type { System } from '../format/case-shape';

/** Typical sustained starter draw at 21 °C. */
export interface TypicalDraw {
  readonly fuel: 'petrol' | 'diesel';
  /** The row holds up to this many cylinders. */
  readonly upToCylinders: number;
  /** The row holds up to this displacement, litres: of larger engines nothing is typical. */
  readonly upToLitres?: number;
  readonly minAmps: number;
  readonly maxAmps: number;
}

/** Usual sustained starter draw of a vehicle, A. */
export interface DrawRange {
  readonly min: number;
  readonly max: number;
  /** The current that drops are brought to: the middle of the range. */
  readonly reference: number;
  /** The maker’s figure; the typical row of this engine; or every row that it may be, where nobody told which or no row holds. */
  readonly source: 'specified' | 'typical' | 'unknown';
}

/** A cold engine asks more: about 30 % at −18 °C against 21 °C. */
const COLD_SHARE_PER_CELSIUS = 0.3 / 39;

/** Of an engine larger than any row only amps beyond this many times its upper end are outside. */
const LARGER_ENGINE = 2;

/** How much more a cold engine asks of its starter than at 21 °C. @param celsius Engine temperature, °C. */
export const coldDemand = (celsius: number): number => 1 + COLD_SHARE_PER_CELSIUS * Math.max(0, 21 - celsius);

/**
 * The usual starter draw: the maker's figure, else the typical row by fuel and cylinders (of an engine that
 * nobody told, all that it may be), brought to the engine's temperature, halved at 24 V and doubled at 6 V.
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
  const found = rowsOf(system.engine, rows);
  if (found.length === 0) throw new RangeError(`no typical starter draw for ${JSON.stringify(system.engine)}`);
  const factor = (cold * 12) / system.nominalVolts;
  const litres = system.engine?.displacementLitres ?? 0;
  const isLarger = found.some(({ upToLitres = Infinity }) => litres > upToLitres);
  const min = Math.min(...found.map(({ minAmps }) => minAmps)) * factor;
  const max = Math.max(...found.map(({ maxAmps }) => maxAmps)) * factor * (isLarger ? LARGER_ENGINE : 1);
  return { min, max, reference: (min + max) / 2, source: found.length === 1 && !isLarger ? 'typical' : 'unknown' };
}

/** The rows that this engine may be: one where fuel and cylinders tell which. */
function rowsOf(engine: System['engine'], rows: readonly TypicalDraw[]): readonly TypicalDraw[] {
  const fuels = engine?.fuel ? [engine.fuel] : [...new Set(rows.map(({ fuel }) => fuel))];
  return fuels.flatMap((fuel) => {
    const own = rows.filter((row) => row.fuel === fuel);
    const { cylinders } = engine ?? {};
    if (cylinders === undefined) return own;
    const row = own.find(({ upToCylinders }) => cylinders <= upToCylinders) ?? own.at(-1);
    return row ? [row] : [];
  });
}
