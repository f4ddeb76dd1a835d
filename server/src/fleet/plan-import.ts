/** What a list of vehicles would change: each row is recognized by VIN, else by plate, or is new. */
import type { ImportedRow, VehicleView } from '@tetrad/contracts';
import { isISO8601 } from 'class-validator';
import { readVin } from '@tetrad/core';
import type { VehicleRow } from '@tetrad/core';
import { misfit } from '../platform/http/problem';

export interface PlannedRow extends ImportedRow {
  readonly row: VehicleRow;
  /** The known vehicle as it was; null of a new one. */
  readonly was: VehicleView | null;
}

/** What a row is recognized as. */
export interface KnownVehicles {
  readonly byVin: VehicleView | null;
  readonly byPlate: VehicleView | null;
}

/** Something that a row may not be. */
interface RowError {
  readonly field: string;
  readonly found: string;
  readonly allowed: string;
}

/** Rows as they would be stored, each with what should be looked at again. */
export interface ReadRows {
  readonly rows: readonly VehicleRow[];
  readonly doubts: readonly (string | null)[];
}

const FIELDS = ['name', 'plate', 'vin', 'year', 'group', 'batteryFittedOn'] as const;
/** A day that there is, before tomorrow. */
const isDay = (text: string, now: Date): boolean =>
  isISO8601(text, { strict: true }) && text <= now.toISOString().slice(0, 10);
/** As plates are compared: `YD-104` is `yd 104`. */
const plateKey = (plate: string): string => plate.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');

/** Notes of each key where it came first; one that comes again is an error. */
function eachOnce(errors: RowError[]) {
  const seen = new Map<string, number>();
  return (key: string, field: string, found: string, at: number): void => {
    const before = seen.get(key);
    if (before !== undefined)
      errors.push({ field: `rows[${at}].${field}`, found: `${found}, as in row ${before + 1}`, allowed: 'each once' });
    else seen.set(key, at);
  };
}

/** @throws Refusal that names each row and field which does not fit; then nothing is stored. */
export function readRows(given: readonly VehicleRow[], now: Date): ReadRows {
  const errors: RowError[] = [];
  const once = eachOnce(errors);
  const doubts: (string | null)[] = [];
  const rows = given.map((one, at): VehicleRow => {
    const plate = one.plate?.trim() ?? '';
    const typed = one.vin?.trim() ?? '';
    const vin = typed === '' ? null : readVin(typed, now.getFullYear());
    if (vin && !vin.ok) errors.push({ field: `rows[${at}].vin`, found: typed, allowed: vin.problem });
    if (plateKey(plate) !== '') once(`plate ${plateKey(plate)}`, 'plate', plate, at);
    if (vin?.ok) once(`vin ${vin.vin}`, 'vin', vin.vin, at);
    const fitted = one.batteryFittedOn;
    if (fitted !== undefined && !isDay(fitted, now))
      errors.push({
        field: `rows[${at}].batteryFittedOn`,
        found: fitted,
        allowed: `a day until ${now.toISOString().slice(0, 10)}, as 2026-03-31`,
      });
    doubts.push(
      vin?.ok && !vin.checkDigitFits
        ? `The check digit of this VIN would be ${vin.checkDigit}: misread, or a maker that uses none.`
        : null,
    );
    return {
      name: one.name.trim(),
      ...(plate && { plate }),
      ...(vin?.ok && { vin: vin.vin }),
      ...(one.year !== undefined && { year: one.year }),
      ...(one.group?.trim() && { group: one.group.trim() }),
      ...(fitted !== undefined && { batteryFittedOn: fitted }),
    };
  });
  if (errors.length > 0) throw misfit(errors);
  return { rows, doubts };
}

/**
 * @param known What each row is recognized as.
 * @throws Refusal that names each row which means a vehicle of another row, or has the plate of another vehicle.
 */
export function planImport({ rows, doubts }: ReadRows, known: readonly KnownVehicles[]): PlannedRow[] {
  const errors: RowError[] = [];
  const once = eachOnce(errors);
  const planned = rows.map((row, at): PlannedRow => {
    const doubt = doubts[at] ?? null;
    const { byVin, byPlate } = known[at]!;
    if (byVin && byPlate && byVin.id !== byPlate.id)
      errors.push({
        field: `rows[${at}].plate`,
        found: row.plate!,
        allowed: `a plate that no other vehicle has: ${byPlate.name} has it, and the VIN is that of ${byVin.name}`,
      });
    const match = byVin ?? byPlate;
    if (!match) return { row, what: 'new', vehicle: null, was: null, changes: {}, doubt };
    once(match.id, byVin ? 'vin' : 'plate', match.name, at);
    const changes = Object.fromEntries(
      FIELDS.flatMap((field) => {
        const [before, after] = [String(match[field] ?? ''), String(row[field] ?? '')];
        return after === '' || before === after ? [] : [[field, [before, after] as const]];
      }),
    );
    const what = Object.keys(changes).length > 0 ? 'changed' : 'same';
    return { row, what, vehicle: match.id, was: match, changes, doubt };
  });
  if (errors.length > 0) throw misfit(errors);
  return planned;
}
