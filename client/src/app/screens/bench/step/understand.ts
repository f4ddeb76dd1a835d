import { TESTS, outsidePhysics, parseEntry } from '@tetrad/core';
import type { EntryUnit, NominalVolts, Reading, TestName } from '@tetrad/core';
import { entryProblem } from '../../../kit/entry-problem';

/** What stands in the entry, understood. */
export type Understood =
  | { readonly state: 'empty' }
  /** A list that is begun: how many figures there are, of how many. */
  | { readonly state: 'part'; readonly have: number; readonly of: number }
  | { readonly state: 'unclear'; readonly problem: string }
  | { readonly state: 'impossible'; readonly problem: string; readonly meant: number | null; readonly index: number }
  | { readonly state: 'value'; readonly value: Exclude<Reading['value'], null> };

/**
 * Understands what was typed for a test: one figure, one for each cell, or a figure or OL.
 *
 * @param typed The texts of the fields; one for most tests.
 */
export function understand(typed: readonly string[], test: TestName, nominalVolts: NominalVolts): Understood {
  const { kind, unit } = TESTS[test];
  if (kind === 'number-or-OL' && /^\s*o\.?l\.?\s*$/i.test(typed[0] ?? '')) return { state: 'value', value: 'OL' };
  const values: number[] = [];
  for (const [index, text] of typed.entries()) {
    const entry = parseEntry(text, unit as EntryUnit);
    if (!entry.ok && entry.fault.code === 'empty') continue;
    if (!entry.ok) return { state: 'unclear', problem: entryProblem(entry.fault) };
    const value = kind === 'list' ? gravity(entry.value) : entry.value;
    const wrong = outsidePhysics({ test, value: kind === 'list' ? [value] : value }, nominalVolts);
    if (wrong)
      return {
        state: 'impossible',
        problem: `${value} ${wrong.unit} cannot be: ${wrong.min} to ${wrong.max} ${wrong.unit} on a ${nominalVolts} V system.`,
        meant: wrong.slip?.value ?? null,
        index,
      };
    values.push(value);
  }
  if (values.length === 0) return { state: 'empty' };
  if (values.length < typed.length) return { state: 'part', have: values.length, of: typed.length };
  return { state: 'value', value: kind === 'list' ? values : values[0]! };
}

/** Hydrometers are read as 1265 or 1.265. */
const gravity = (value: number): number => (value >= 1000 && value <= 1400 ? value / 1000 : value);
