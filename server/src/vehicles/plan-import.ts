/** What a list of vehicles would change: each row is recognized by VIN, else by plate, or is new. */
import type { ImportedRow, VehicleView } from '@tetrad/contracts';
import { isISO8601 } from 'class-validator';
import { readVin } from '@tetrad/core';
import type { VehicleRow } from '@tetrad/core';
import { misfit } from '../platform/http/problem';

export interface PlannedRow extends ImportedRow {
  readonly row: VehicleRow;
}

const FIELDS = ['name', 'plate', 'vin', 'year', 'group', 'batteryFittedOn'] as const;
/** A day that there is, before tomorrow. */
const isDay = (text: string, now: Date): boolean =>
  isISO8601(text, { strict: true }) && text <= now.toISOString().slice(0, 10);
/** As plates are compared: `YD-104` is `yd 104`. */
const plateKey = (plate: string): string => plate.toUpperCase().replace(/[^A-Z0-9]/g, '');

/**
 * @param known The vehicles that the shop has and that may be changed.
 * @throws Refusal that names each row and field which does not fit; then nothing is stored.
 */
export function planImport(rows: readonly VehicleRow[], known: readonly VehicleView[], now: Date): PlannedRow[] {
  const errors: { field: string; found: string; allowed: string }[] = [];
  const seen = new Map<string, number>();
  const once = (key: string, field: string, found: string, at: number): void => {
    const before = seen.get(key);
    if (before !== undefined)
      errors.push({ field: `rows[${at}].${field}`, found: `${found}, as in row ${before + 1}`, allowed: 'each once' });
    else seen.set(key, at);
  };
  const planned = rows.map((given, at): PlannedRow => {
    const plate = given.plate?.trim() ?? '';
    const typed = given.vin?.trim() ?? '';
    const vin = typed === '' ? null : readVin(typed, now.getFullYear());
    if (vin && !vin.ok) errors.push({ field: `rows[${at}].vin`, found: typed, allowed: vin.problem });
    if (plate !== '') once(`plate ${plateKey(plate)}`, 'plate', plate, at);
    if (vin?.ok) once(`vin ${vin.vin}`, 'vin', vin.vin, at);
    const fitted = given.batteryFittedOn;
    if (fitted !== undefined && !isDay(fitted, now))
      errors.push({
        field: `rows[${at}].batteryFittedOn`,
        found: fitted,
        allowed: `a day until ${now.toISOString().slice(0, 10)}, as 2026-03-31`,
      });
    const row: VehicleRow = {
      name: given.name.trim(),
      ...(plate && { plate }),
      ...(vin?.ok && { vin: vin.vin }),
      ...(given.year !== undefined && { year: given.year }),
      ...(given.group?.trim() && { group: given.group.trim() }),
      ...(fitted !== undefined && { batteryFittedOn: fitted }),
    };
    const doubt =
      vin?.ok && !vin.checkDigitFits
        ? `The check digit of this VIN would be ${vin.checkDigit}: misread, or a maker that uses none.`
        : null;
    const match =
      (row.vin !== undefined && known.find((one) => one.vin === row.vin)) ||
      (plate !== '' && known.find((one) => one.plate !== null && plateKey(one.plate) === plateKey(plate)));
    if (!match) return { row, what: 'new', vehicle: null, changes: {}, doubt };
    const changes = Object.fromEntries(
      FIELDS.flatMap((field) => {
        const [before, after] = [String(match[field] ?? ''), String(row[field] ?? '')];
        return after === '' || before === after ? [] : [[field, [before, after] as const]];
      }),
    );
    return { row, what: Object.keys(changes).length > 0 ? 'changed' : 'same', vehicle: match.id, changes, doubt };
  });
  if (errors.length > 0) throw misfit(errors);
  return planned;
}
