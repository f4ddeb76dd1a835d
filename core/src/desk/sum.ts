/** One sum of the desk: what goes in, with unit and domain; how it is worked out; what comes out. */

export type SumUnit =
  'V' | 'mV' | 'A' | 'mA' | 'ohm' | '°C' | 'Ah' | 'h' | 'd' | 'rpm' | '%' | 'SG' | 'peaks/s' | 'mV/A' | 'A/Ah' | '';

/** A figure that goes in. A bare number is in its unit; beyond its domain nothing is worked out. */
export interface FigureInput {
  readonly kind: 'figure';
  readonly name: string;
  readonly label: string;
  readonly unit: SumUnit;
  readonly min: number;
  readonly max: number;
  /** What stands there at first. */
  readonly usual: number;
  /** Nothing between whole numbers has a meaning: cylinders, batteries. */
  readonly isWhole?: boolean;
}
/** One of several words that goes in. */
export interface WordInput {
  readonly kind: 'word';
  readonly name: string;
  readonly label: string;
  readonly words: readonly string[];
  readonly usual: string;
}
export type SumInput = FigureInput | WordInput;

/** What comes out. */
export interface SumResult {
  readonly label: string;
  /** Null where it cannot be told. */
  readonly value: number | null;
  readonly unit: SumUnit;
  readonly decimals: number;
  /** What it means, or what it leans on. */
  readonly note?: string;
}

export interface Sum {
  readonly id: string;
  readonly name: string;
  /** As it is worked out by hand. */
  readonly formula: string;
  /** Where figures of it come from, and what is left out. */
  readonly note: string;
  readonly inputs: readonly SumInput[];
  readonly work: (
    figures: Readonly<Record<string, number>>,
    words: Readonly<Record<string, string>>,
  ) => readonly SumResult[];
  /** The input that a picture goes through, and the result that it shows. */
  readonly picture?: { readonly along: string; readonly shows: number };
}

/**
 * @param unit '' for a figure without one.
 * @param usual What stands there before anything is entered, in the same unit.
 */
export const figure = (
  name: string,
  label: string,
  unit: SumUnit,
  [min, max]: readonly [number, number],
  usual: number,
): FigureInput => ({ kind: 'figure', name, label, unit, min, max, usual });
/** A count. @param range Least and most. @param usual What stands there before anything is entered. */
export const count = (name: string, label: string, range: readonly [number, number], usual: number): FigureInput => ({
  ...figure(name, label, '', range, usual),
  isWhole: true,
});
/** @param words What can be chosen. @param usual What is chosen at first. */
export const oneOf = <const W extends readonly string[]>(
  name: string,
  label: string,
  words: W,
  usual: W[number],
): WordInput => ({
  kind: 'word',
  name,
  label,
  words,
  usual,
});
/**
 * @param value Null where the figures given do not tell it.
 * @param decimals How many are shown.
 * @param note What to know of this result.
 */
export const result = (
  label: string,
  value: number | null,
  unit: SumUnit,
  decimals: number,
  note?: string,
): SumResult => ({
  label,
  value,
  unit,
  decimals,
  ...(note !== undefined && { note }),
});
