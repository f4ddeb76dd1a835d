/** What a column's name and unit say of it. */
import type { ChannelUnit } from '../recording';

export interface ColumnUnit {
  readonly quantity: 'time' | ChannelUnit;
  /** What a figure is multiplied by to be in s, V, A or %. */
  readonly factor: number;
}

const PREFIXES: Readonly<Record<string, number>> = { '': 1, m: 1e-3, u: 1e-6, n: 1e-9, k: 1e3 };
const TIMES: Readonly<Record<string, number>> = {
  s: 1,
  sec: 1,
  secs: 1,
  second: 1,
  seconds: 1,
  ms: 1e-3,
  msec: 1e-3,
  millisecond: 1e-3,
  milliseconds: 1e-3,
  us: 1e-6,
  usec: 1e-6,
  microsecond: 1e-6,
  microseconds: 1e-6,
  ns: 1e-9,
  min: 60,
  minutes: 60,
};
const MICRO = /[µμ]/g;

/** A unit as recorders write it, `mV`, `(ms)`, `[µs]`; null for a word that is none. */
export function unitOf(text: string): ColumnUnit | null {
  const word = text
    .trim()
    .replace(/^[([{<]\s*|\s*[)\]}>]$/g, '')
    .replace(MICRO, 'u')
    .trim();
  const time = TIMES[word.toLowerCase()];
  if (time !== undefined) return { quantity: 'time', factor: time };
  if (word === '%' || /^percent$/i.test(word)) return { quantity: '%', factor: 1 };
  if (/^volts?$/i.test(word)) return { quantity: 'V', factor: 1 };
  if (/^millivolts?$/i.test(word)) return { quantity: 'V', factor: 1e-3 };
  if (/^amp(ere)?s?$/i.test(word)) return { quantity: 'A', factor: 1 };
  if (/^milliamp(ere)?s?$/i.test(word)) return { quantity: 'A', factor: 1e-3 };
  const [, prefix, base] = /^([munk]?)([VAva])(?:dc|olts?)?$/.exec(word) ?? [];
  const factor = prefix === undefined ? undefined : PREFIXES[prefix];
  return base && factor !== undefined ? { quantity: base.toUpperCase() as 'V' | 'A', factor } : null;
}

export interface ColumnName {
  /** The name without its unit. */
  readonly name: string;
  readonly unit: ColumnUnit | null;
}

/** Parts `Current (mV)`, `Volts [V]`, `Battery / V`, `time_ms` into a name and a unit. */
export function columnName(text: string): ColumnName {
  const whole = text.trim();
  const bracketed = /^(.*?)\s*[([{<]\s*([^)\]}>]+?)\s*[)\]}>]\s*$/.exec(whole);
  const parted = /^(.+?)\s*[/,:]\s*(\S+)$/.exec(whole) ?? /^(.+?)[\s_]+(\S+)$/.exec(whole);
  for (const match of [bracketed, parted]) {
    const unit = match ? unitOf(match[2]!) : null;
    if (match && unit) return { name: match[1]!.trim() || whole, unit };
  }
  return { name: whole, unit: unitOf(whole) };
}

const TIME_NAMES =
  /^(time|t|x|x-?axis|secs?|seconds?|milliseconds?|microseconds?|elapsed.*|time.*|timestamp|clock|date.*)$/i;
const INDEX_NAMES = /^(#|n|no\.?|nr\.?|sample.*|index|point|row)$/i;

/** @param name A column's name without its unit. */
export const isTimeName = (name: string): boolean => TIME_NAMES.test(name);
/** True for the name of a column that only counts its rows. */
export const isIndexName = (name: string): boolean => INDEX_NAMES.test(name);

/** A clamp's scale where a text tells one, `10 mV/A` or `100mV per A`, mV per A. */
export function clampScaleIn(text: string): number | null {
  const match = /(\d+(?:[.,]\d+)?)\s*(mV|V)\s*(?:\/|per)\s*A(?![a-z])/i.exec(text);
  if (!match) return null;
  const figure = Number(match[1]!.replace(',', '.')) * (match[2] === 'V' ? 1000 : 1);
  return figure > 0 ? figure : null;
}
