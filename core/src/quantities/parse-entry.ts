import { toCelsius } from './temperature';

/** Units an entry may be asked in. */
export type EntryUnit = 'V' | 'A' | 'ohm' | 'rpm' | '%' | 'SG' | '°C' | 'min' | 's' | 'h' | 'Ah' | 'l' | '';

/** Why an entry is no quantity; the wording is the caller's. */
export type EntryFault =
  | { readonly code: 'empty' }
  | { readonly code: 'not-a-number'; readonly found: string }
  | { readonly code: 'wrong-unit'; readonly found: string; readonly wanted: EntryUnit };

export type Entry =
  /** `resolution` is the step of the last digit that was typed, in the unit asked for: 0.1 of "12.6". */
  | { readonly ok: true; readonly value: number; readonly resolution: number }
  | { readonly ok: false; readonly fault: EntryFault };

const SCALE: Readonly<Record<string, number>> = { '': 1, m: 1e-3, k: 1e3, u: 1e-6, µ: 1e-6, μ: 1e-6 };

/** How each unit may be typed; matching ignores case save for the prefix. */
const SPELLINGS: readonly (readonly [RegExp, EntryUnit])[] = [
  [/^v(olts?)?$/i, 'V'],
  [/^a(mps?)?$/i, 'A'],
  [/^(ohms?|Ω|ω|r)$/i, 'ohm'],
  [/^rpm$/i, 'rpm'],
  [/^%$/, '%'],
  [/^sg$/i, 'SG'],
  [/^(°?c|deg)$/i, '°C'],
  [/^min(utes?)?$/i, 'min'],
  [/^s(ec(onds?)?)?$/i, 's'],
  [/^h(ours?)?$/i, 'h'],
  [/^ah$/i, 'Ah'],
  [/^l(itres?)?$/i, 'l'],
];
/** Units that are never written with a prefix. */
const PLAIN: ReadonlySet<EntryUnit> = new Set(['rpm', '%', 'SG', '°C', 'min', 's', 'h', 'l']);
const NUMBER = /^([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*(.*)$/u;

const unitOf = (word: string): EntryUnit | undefined => SPELLINGS.find(([spelling]) => spelling.test(word))?.[1];

/**
 * Reads what a technician typed as a quantity in the unit asked for.
 *
 * Accepts a decimal point or comma, a bare prefix (`610m`), or a unit with or without a prefix
 * (`230 mV`, `0.5V`, `0,6 kA`, `70 °F`). A comma is always a decimal mark: readings of this trade never
 * need a thousands separator.
 *
 * @param typed What stands in the field.
 * @param unit The unit the field is in; the value returned is in it.
 */
export function parseEntry(typed: string, unit: EntryUnit): Entry {
  const text = typed.trim().replace(/−/g, '-');
  if (text === '') return { ok: false, fault: { code: 'empty' } };
  const match = NUMBER.exec(text);
  if (!match) return { ok: false, fault: { code: 'not-a-number', found: typed } };
  const figure = match[1]!.replace(',', '.');
  const value = Number(figure);
  const resolution = stepOf(figure);
  const suffix = match[2]!.trim();
  if (!Number.isFinite(value)) return { ok: false, fault: { code: 'not-a-number', found: typed } };
  const wrong: Entry = { ok: false, fault: { code: 'wrong-unit', found: suffix, wanted: unit } };
  if (suffix === '') return { ok: true, value, resolution };
  if (unit === '°C' && /^°?f$/i.test(suffix)) return { ok: true, value: toCelsius(value), resolution };
  if (unitOf(suffix) === unit) return { ok: true, value, resolution };
  const scale = SCALE[suffix[0]!];
  if (scale === undefined || PLAIN.has(unit)) {
    return /^[\p{L}°%Ω]+$/u.test(suffix) && unitOf(suffix.slice(scale === undefined ? 0 : 1))
      ? wrong
      : {
          ok: false,
          fault: { code: unitOf(suffix) ? 'wrong-unit' : 'not-a-number', found: typed, wanted: unit } as EntryFault,
        };
  }
  const rest = suffix.slice(1).trim();
  if (rest === '' || unitOf(rest) === unit)
    return { ok: true, value: scaled(value, scale), resolution: scaled(resolution, scale) };
  return unitOf(rest) ? wrong : { ok: false, fault: { code: 'not-a-number', found: typed } };
}

/** The step of the last digit of a figure: 0.01 of "12.60". */
const stepOf = (figure: string): number => Number(`1e-${(figure.split('.')[1] ?? '').length}`);
/** Keeps decimal entries decimal: 610 × 0.001 is 0.61, not 0.6100000000000001. */
const scaled = (value: number, scale: number): number => Number((value * scale).toPrecision(12));
