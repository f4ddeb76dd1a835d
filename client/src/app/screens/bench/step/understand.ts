import { CONDITIONS, TESTS, outsidePhysics, parseEntry } from '@tetrad/core';
import type { EntryUnit, NominalVolts, Reading, ReadingConditions, TestName } from '@tetrad/core';
import { entryProblem } from '../../../kit/entry-problem';

/** What stands in the entry, understood. */
export type Understood =
  | { readonly state: 'empty' }
  /** A list that is begun: how many figures there are, of how many. */
  | { readonly state: 'part'; readonly have: number; readonly of: number }
  | { readonly state: 'unclear'; readonly problem: string }
  | { readonly state: 'impossible'; readonly problem: string; readonly meant: number | null; readonly index: number }
  /** It can be, and hardly is: asked before it is saved. */
  | { readonly state: 'doubtful'; readonly value: number; readonly resolution: number; readonly problem: string }
  /** Of a pack: no battery by itself has it, the pack as connected has. */
  | { readonly state: 'of-pack'; readonly value: number; readonly resolution: number; readonly problem: string }
  | {
      readonly state: 'value';
      readonly value: Exclude<Reading['value'], null>;
      readonly resolution?: number;
      /** What was typed with it: the percentage that a tester printed. */
      readonly conditions?: ReadingConditions;
    };

/** What a figure is held against. */
export interface Beside {
  /** Of what is measured: the pack, or one battery of it. */
  readonly nominalVolts: NominalVolts;
  /** Of the pack as connected, where one battery of several in series is measured. */
  readonly packVolts: NominalVolts | null;
  /** What to ask of a figure that can hardly be; empty where there is nothing to ask. */
  readonly asks: (value: number) => string;
  /** What a percentage is of; null where none may be typed. */
  readonly percentOf: number | null;
}

/**
 * Understands what was typed for a test: one figure, one for each cell, or a figure or OL.
 *
 * @param typed The texts of the fields; one for most tests.
 */
export function understand(typed: readonly string[], test: TestName, beside: Beside): Understood {
  const { nominalVolts, packVolts } = beside;
  const { kind, unit } = TESTS[test];
  if (kind === 'number-or-OL' && /^\s*o\.?l\.?\s*$/i.test(typed[0] ?? '')) return { state: 'value', value: 'OL' };
  const printed = percentage(typed, beside.percentOf);
  if (printed) return printed;
  const values: number[] = [];
  let resolution = 1;
  for (const [index, text] of typed.entries()) {
    const entry = parseEntry(text, unit as EntryUnit);
    if (!entry.ok && entry.fault.code === 'empty') continue;
    if (!entry.ok) return { state: 'unclear', problem: entryProblem(entry.fault) };
    ({ resolution } = entry);
    const value = kind === 'list' ? gravity(entry.value) : entry.value;
    const wrong = outsidePhysics({ test, value: kind === 'list' ? [value] : value }, nominalVolts);
    if (wrong && packVolts !== null && kind !== 'list' && !outsidePhysics({ test, value }, packVolts))
      return {
        state: 'of-pack',
        value,
        resolution,
        problem: `${value} ${wrong.unit} is more than one battery has (${nominalVolts} V). Of the pack as connected?`,
      };
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
  if (kind === 'list') return { state: 'value', value: values };
  const [value] = values as [number];
  const problem = beside.asks(value);
  return problem === '' ? { state: 'value', value, resolution } : { state: 'doubtful', value, resolution, problem };
}

/** A tester that prints only a percentage has divided by the label that it was told: both are kept. */
function percentage([text = '']: readonly string[], whole: number | null): Understood | null {
  if (whole === null || !text.trim().endsWith('%')) return null;
  const entry = parseEntry(text, '%');
  if (!entry.ok) return { state: 'unclear', problem: entryProblem(entry.fault) };
  const wrong = CONDITIONS.percentOfRating.max < entry.value || entry.value < 0;
  return wrong
    ? { state: 'unclear', problem: `${entry.value} % cannot be: 0 to ${CONDITIONS.percentOfRating.max} %.` }
    : {
        state: 'value',
        value: Math.round((whole * entry.value) / 100),
        resolution: (whole * entry.resolution) / 100,
        conditions: { percentOfRating: entry.value },
      };
}

/** Hydrometers are read as 1265 or 1.265. */
const gravity = (value: number): number => (value >= 1000 && value <= 1400 ? value / 1000 : value);
