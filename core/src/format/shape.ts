/**
 * Shapes: one description of a document's part that gives its TypeScript type, its check with every
 * fault named by JSON path, and its JSON Schema, so that the three can never disagree.
 *
 * Unknown fields are no fault: the open format keeps them, and counts how much there is of them.
 */
import type { CheckReport, Wanted } from './misfit';

export type JsonSchema = Readonly<Record<string, unknown>>;

export interface Shape<T> {
  readonly schema: JsonSchema;
  readonly wanted: Wanted;
  /** Adds to `report` everything in `value` that does not fit. */
  check(value: unknown, path: string, report: CheckReport): void;
  /** Carries the type only; never present at run time. */
  readonly __type?: T;
}
export type Infer<S> = S extends Shape<infer T> ? T : never;

/** Longest text of a found value that is told. */
const MAX_SHOWN = 60;

/** Shows a found value in few characters. */
export function show(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  const text = JSON.stringify(value) ?? typeof value;
  return text.length > MAX_SHOWN ? `${text.slice(0, MAX_SHOWN - 3)}…` : text;
}

/** Runs one shape over one value. @param path Where the value stands. */
export function checkShape(shape: Shape<unknown>, value: unknown, path = '$'): CheckReport {
  const report: CheckReport = { misfits: [], unknownLength: 0 };
  shape.check(value, path, report);
  return report;
}

const simple = <T>(schema: JsonSchema, wanted: Wanted, fits: (value: unknown) => boolean): Shape<T> => ({
  schema,
  wanted,
  check(value, path, { misfits }) {
    if (!fits(value)) misfits.push({ path, found: show(value), wanted });
  },
});

/** A finite number. @param range Ends `min` and `max` that belong to it, or `above`, a lower end that does not; its unit. */
export function number(range: { min?: number; max?: number; above?: number; unit?: string } = {}): Shape<number> {
  const { min = -Infinity, max = Infinity, above = -Infinity, unit = '' } = range;
  const ends = {
    ...(Number.isFinite(min) && { min }),
    ...(Number.isFinite(max) && { max }),
    ...(Number.isFinite(above) && { above }),
  };
  return simple(
    {
      type: 'number',
      ...(ends.min !== undefined && { minimum: min }),
      ...(ends.max !== undefined && { maximum: max }),
      ...(ends.above !== undefined && { exclusiveMinimum: above }),
    },
    { code: 'number', with: { ...ends, unit } },
    (value) => typeof value === 'number' && Number.isFinite(value) && value >= min && value <= max && value > above,
  );
}

/** A whole number in a closed range. @param min Least, itself allowed. @param max Most, itself allowed. */
export function integer(min: number, max: number): Shape<number> {
  return simple(
    { type: 'integer', minimum: min, maximum: max },
    { code: 'whole-number', with: { min, max } },
    (value) => Number.isInteger(value) && (value as number) >= min && (value as number) <= max,
  );
}

/** A text of so many characters (UTF-16 units). */
export function text(minLength = 0, maxLength = 4000): Shape<string> {
  return simple(
    { type: 'string', minLength, maxLength },
    { code: 'text', with: { min: minLength, max: maxLength } },
    (value) => typeof value === 'string' && value.length >= minLength && value.length <= maxLength,
  );
}

/** True or false. */
export const flag = (): Shape<boolean> =>
  simple({ type: 'boolean' }, { code: 'flag', with: {} }, (value) => typeof value === 'boolean');

/** One of the given words or numbers. */
export function word<const T extends readonly (string | number)[]>(words: T): Shape<T[number]> {
  const known = new Set<unknown>(words);
  return simple({ enum: words }, { code: 'one-of', with: { words } }, (value) => known.has(value));
}

const DATE = /^\d{4}-\d{2}-\d{2}$/;
/** True for a day of the calendar: there is no 30th of February. */
const isOfCalendar = (date: string): boolean =>
  !Number.isNaN(Date.parse(date)) && new Date(`${date}T00:00:00Z`).toISOString().startsWith(date);
const TIME = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/;

/** An ISO 8601 calendar day, or a year and month. */
export const day = (): Shape<string> =>
  simple(
    { type: 'string', pattern: '^\\d{4}-\\d{2}(-\\d{2})?$' },
    { code: 'day', with: {} },
    (value) =>
      typeof value === 'string' &&
      (DATE.test(value) ? isOfCalendar(value) : /^\d{4}-\d{2}$/.test(value) && !Number.isNaN(Date.parse(value))),
  );

/** An ISO 8601 date and time with its zone. */
export const time = (): Shape<string> =>
  simple(
    { type: 'string', format: 'date-time' },
    { code: 'time', with: {} },
    (value) =>
      typeof value === 'string' &&
      TIME.test(value) &&
      isOfCalendar(value.slice(0, 10)) &&
      !Number.isNaN(Date.parse(value)),
  );

/** Nothing: JSON's null. */
export const nothing = (): Shape<null> =>
  simple({ type: 'null' }, { code: 'null', with: {} }, (value) => value === null);

/** Anything at all, kept as it is. */
export const anything = <T>(schema: JsonSchema): Shape<T> => ({
  schema,
  wanted: { code: 'json', with: {} },
  check: () => undefined,
});

/** A list of one kind of entry; each that does not fit is named by its place. */
export function list<T>(item: Shape<T>, minItems = 0, maxItems = 10_000): Shape<readonly T[]> {
  const wanted: Wanted = { code: 'list', with: { min: minItems, max: maxItems } };
  return {
    schema: { type: 'array', items: item.schema, minItems, maxItems },
    wanted,
    check(value, path, report) {
      if (!Array.isArray(value) || value.length < minItems || value.length > maxItems) {
        const found = Array.isArray(value) ? `${value.length} entries` : show(value);
        report.misfits.push({ path, found, wanted });
        return;
      }
      for (let i = 0; i < value.length; i++) item.check(value[i], `${path}[${i}]`, report);
    },
  };
}

/** The first alternative that fits wins; if none does, both are named. */
export function either<A, B>(first: Shape<A>, second: Shape<B>): Shape<A | B> {
  const fits = (shape: Shape<unknown>, value: unknown): boolean => checkShape(shape, value).misfits.length === 0;
  return simple(
    { anyOf: [first.schema, second.schema] },
    { code: 'either', with: { first: first.wanted, second: second.wanted } },
    (value) => fits(first, value) || fits(second, value),
  );
}

type Fields = Readonly<Record<string, Shape<unknown>>>;
type Inferred<F extends Fields> = { readonly [K in keyof F]: Infer<F[K]> };
type Flat<T> = { readonly [K in keyof T]: T[K] };

/**
 * An object with required and optional fields.
 *
 * @param isClosed Others are refused; else they are allowed, kept and counted.
 */
export function object<R extends Fields, O extends Fields>(
  required: R,
  optional: O,
  { isClosed = false }: { readonly isClosed?: boolean } = {},
): Shape<Flat<Inferred<R> & Partial<Inferred<O>>>> {
  const known = new Map(Object.entries({ ...required, ...optional }));
  const needed = Object.keys(required);
  const wanted: Wanted = { code: 'object', with: {} };
  return {
    wanted,
    schema: {
      type: 'object',
      required: needed,
      properties: Object.fromEntries([...known].map(([key, shape]) => [key, shape.schema])),
      ...(isClosed && { additionalProperties: false }),
    },
    check(given, path, report) {
      if (typeof given !== 'object' || given === null || Array.isArray(given)) {
        report.misfits.push({ path, found: show(given), wanted });
        return;
      }
      const fields = given as Record<string, unknown>;
      // a key of ours is never one an object inherits
      for (const key of needed)
        if (fields[key] === undefined) known.get(key)!.check(undefined, `${path}.${key}`, report);
      for (const key of Object.keys(fields)) {
        const value = fields[key];
        const shape = known.get(key);
        if (!shape && isClosed)
          report.misfits.push({
            path: `${path}.${key.slice(0, MAX_SHOWN)}`,
            found: show(value),
            wanted: { code: 'no-field', with: { known: [...known.keys()] } },
          });
        else if (!shape) report.unknownLength += key.length + (JSON.stringify(value)?.length ?? 0);
        else if (value !== undefined) shape.check(value, `${path}.${key}`, report);
      }
    },
  };
}
