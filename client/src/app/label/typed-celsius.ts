import { parseEntry, toCelsius, toFahrenheit } from '@tetrad/core';
import type { Entry, FigureChoice } from '@tetrad/core';

/** Unit a bare temperature is typed in; with °C or °F behind it the unit is told. */
const TOLD = /[cf]\s*$/i;

/** A temperature as it is typed; a bare number is in the unit the person chose. @returns °C. */
export function celsiusOf(typed: string, { temperature }: FigureChoice): Entry {
  const entry = parseEntry(typed, '°C');
  return entry.ok && temperature === 'F' && !TOLD.test(typed) ? { ...entry, value: toCelsius(entry.value) } : entry;
}

/** A stored temperature as the person would type it. */
export const typedCelsius = (celsius: number, { temperature }: FigureChoice): string =>
  String(Number((temperature === 'F' ? toFahrenheit(celsius) : celsius).toFixed(1)));
