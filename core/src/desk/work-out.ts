import type { Sum, SumInput, SumResult } from './sum';

/** What is typed, by the name of its input. */
export type SumEntries = Readonly<Record<string, number | string>>;
export type WorkedOut =
  | { readonly ok: true; readonly results: readonly SumResult[] }
  /** By the name of the input: what was found and what is allowed. */
  | { readonly ok: false; readonly faults: Readonly<Record<string, string>> };

function faultOf(input: SumInput, given: number | string | undefined): string | null {
  if (input.kind === 'word')
    return input.words.some((word) => word === given)
      ? null
      : `Found “${given}”; allowed is one of ${input.words.join(', ')}.`;
  const { min, max, unit } = input;
  if (typeof given !== 'number' || !Number.isFinite(given))
    return `Needed: ${min} to ${max} ${unit}.`.replace(' .', '.');
  if (input.isWhole && !Number.isInteger(given)) return `Found ${given}; allowed is a whole number, ${min} to ${max}.`;
  if (given >= min && given <= max) return null;
  return `Found ${given}; allowed is ${min} to ${max} ${unit}.`.replace(' .', '.');
}

/** Works a sum out where every entry lies in its domain; a division by zero can never be asked. */
export function workOut(sum: Sum, entries: SumEntries): WorkedOut {
  const faults = Object.fromEntries(
    sum.inputs.flatMap((input) => {
      const fault = faultOf(input, entries[input.name]);
      return fault === null ? [] : [[input.name, fault] as const];
    }),
  );
  if (Object.keys(faults).length > 0) return { ok: false, faults };
  const of = <T>(kind: SumInput['kind']): Readonly<Record<string, T>> =>
    Object.fromEntries(sum.inputs.filter((input) => input.kind === kind).map(({ name }) => [name, entries[name] as T]));
  return { ok: true, results: sum.work(of<number>('figure'), of<string>('word')) };
}
