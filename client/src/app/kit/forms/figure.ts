import { Directive } from '@angular/core';
import type { ValidatorFn } from '@angular/forms';
import { allowedWords, checkShape, parseEntry } from '@tetrad/core';
import type { Entry, EntryUnit, Shape } from '@tetrad/core';
import { problem } from './problem';

/** A figure a text must be: its shape stands with the format, its unit is the one a bare number is in. */
export interface FigureRule {
  readonly shape: Shape<number>;
  readonly unit: EntryUnit;
  /** How a text is understood, where that is a choice of the person. */
  readonly parse?: (text: string) => Entry;
}

/** The figure a text means; undefined for an empty one, and for one that means none. */
export function figureOf(text: string, { unit, parse }: FigureRule): number | undefined {
  const entry = parse ? parse(text) : parseEntry(text, unit);
  return entry.ok ? entry.value : undefined;
}

/** A text that is empty, or a figure that fits; the problem tells what was found and what is allowed. */
export const fitsFigure =
  (rule: FigureRule): ValidatorFn =>
  ({ value }) => {
    const text = String(value);
    if (text.trim() === '') return null;
    const figure = figureOf(text, rule);
    if (figure !== undefined && checkShape(rule.shape, figure).misfits.length === 0) return null;
    return problem(`Found “${text}”; allowed is ${allowedWords(rule.shape.wanted)}.`);
  };

/** A text for a figure: the decimal keyboard, figures in one width, nothing completed. */
@Directive({
  selector: 'input[ttFigure]',
  host: { class: 'figure', inputmode: 'decimal', autocomplete: 'off', maxlength: '20', spellcheck: 'false' },
})
export class Figure {}
