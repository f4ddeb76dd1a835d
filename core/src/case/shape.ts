/**
 * Shapes: one description of a document's part that gives its TypeScript type, its check with every
 * fault named by JSON path, and its JSON Schema, so that the three can never disagree.
 *
 * Unknown fields are no fault: the open format keeps them.
 */

/** One thing that does not fit. */
export interface Misfit {
  /** JSON path, for example `$.readings[2].value`. */
  readonly path: string;
  /** What was found there, shortened for people. */
  readonly found: string;
  /** What is allowed there. */
  readonly allowed: string;
}

export type JsonSchema = Readonly<Record<string, unknown>>;

export interface Shape<T> {
  readonly schema: JsonSchema;
  /** Adds to `misfits` everything in `value` that does not fit. */
  check(value: unknown, path: string, misfits: Misfit[]): void;
  /** Carries the type only; never present at run time. */
  readonly __type?: T;
}
export type Infer<S> = S extends Shape<infer T> ? T : never;

/** Shows a found value in few words. */
export function show(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  const text = JSON.stringify(value) ?? typeof value;
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}

const simple = <T>(schema: JsonSchema, allowed: string, fits: (value: unknown) => boolean): Shape<T> => ({
  schema,
  check(value, path, misfits) {
    if (!fits(value)) misfits.push({ path, found: show(value), allowed });
  },
});

/** A finite number in a closed range; `unit` is for the message. */
export function number(range: { min?: number; max?: number; above?: number; unit?: string } = {}): Shape<number> {
  const { min = -Infinity, max = Infinity, above = -Infinity, unit = '' } = range;
  const bounds = [
    Number.isFinite(above) ? `above ${above}` : '',
    Number.isFinite(min) ? `at least ${min}` : '',
    Number.isFinite(max) ? `at most ${max}` : '',
  ].filter(Boolean);
  const allowed = ['a number', ...bounds].join(bounds.length ? ', ' : '') + (unit ? ` (${unit})` : '');
  return simple(
    {
      type: 'number',
      ...(Number.isFinite(min) && { minimum: min }),
      ...(Number.isFinite(max) && { maximum: max }),
      ...(Number.isFinite(above) && { exclusiveMinimum: above }),
    },
    allowed,
    (value) => typeof value === 'number' && Number.isFinite(value) && value >= min && value <= max && value > above,
  );
}

export function integer(min: number, max: number): Shape<number> {
  return simple(
    { type: 'integer', minimum: min, maximum: max },
    `a whole number from ${min} to ${max}`,
    (value) => Number.isInteger(value) && (value as number) >= min && (value as number) <= max,
  );
}

export function text(minLength = 0, maxLength = 4000): Shape<string> {
  return simple(
    { type: 'string', minLength, maxLength },
    minLength > 0 ? `text of ${minLength} to ${maxLength} characters` : `text of at most ${maxLength} characters`,
    (value) => typeof value === 'string' && value.length >= minLength && value.length <= maxLength,
  );
}

export const flag = (): Shape<boolean> =>
  simple({ type: 'boolean' }, 'true or false', (value) => typeof value === 'boolean');

/** One of the given words or numbers. */
export function word<const T extends readonly (string | number)[]>(words: T): Shape<T[number]> {
  const known = new Set<unknown>(words);
  return simple({ enum: words }, `one of ${words.join(', ')}`, (value) => known.has(value));
}

const DATE = /^\d{4}-\d{2}-\d{2}$/;
const TIME = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/;

/** An ISO 8601 calendar day, or a year and month. */
export const day = (): Shape<string> =>
  simple(
    { type: 'string', pattern: '^\\d{4}-\\d{2}(-\\d{2})?$' },
    'a day, like 2026-03-02',
    (value) =>
      typeof value === 'string' &&
      (DATE.test(value) || /^\d{4}-\d{2}$/.test(value)) &&
      !Number.isNaN(Date.parse(value)),
  );

/** An ISO 8601 date and time with its zone. */
export const time = (): Shape<string> =>
  simple(
    { type: 'string', format: 'date-time' },
    'an ISO 8601 time with its zone, like 2026-03-02T09:14:00Z',
    (value) => typeof value === 'string' && TIME.test(value) && !Number.isNaN(Date.parse(value)),
  );

export function list<T>(item: Shape<T>, minItems = 0, maxItems = 10_000): Shape<readonly T[]> {
  return {
    schema: { type: 'array', items: item.schema, minItems, maxItems },
    check(value, path, misfits) {
      if (!Array.isArray(value) || value.length < minItems || value.length > maxItems) {
        const found = Array.isArray(value) ? `${value.length} items` : show(value);
        misfits.push({ path, found, allowed: `a list of ${minItems} to ${maxItems} items` });
        return;
      }
      value.forEach((entry, index) => item.check(entry, `${path}[${index}]`, misfits));
    },
  };
}

/** The first alternative that fits wins; if none does, all are named. */
export function either<A, B>(first: Shape<A>, second: Shape<B>, allowed: string): Shape<A | B> {
  const fits = (shape: Shape<unknown>, value: unknown): boolean => {
    const own: Misfit[] = [];
    shape.check(value, '$', own);
    return own.length === 0;
  };
  return simple(
    { anyOf: [first.schema, second.schema] },
    allowed,
    (value) => fits(first, value) || fits(second, value),
  );
}

type Fields = Readonly<Record<string, Shape<unknown>>>;
type Inferred<F extends Fields> = { readonly [K in keyof F]: Infer<F[K]> };
type Flat<T> = { readonly [K in keyof T]: T[K] };

/** An object with required and optional fields; others are allowed and kept. */
export function object<R extends Fields, O extends Fields>(
  required: R,
  optional: O,
): Shape<Flat<Inferred<R> & Partial<Inferred<O>>>> {
  const known = Object.entries({ ...required, ...optional });
  const needed = new Set(Object.keys(required));
  return {
    schema: {
      type: 'object',
      required: [...needed],
      properties: Object.fromEntries(known.map(([key, shape]) => [key, shape.schema])),
    },
    check(given, path, misfits) {
      if (typeof given !== 'object' || given === null || Array.isArray(given)) {
        misfits.push({ path, found: show(given), allowed: 'an object' });
        return;
      }
      const fields = given as Record<string, unknown>;
      for (const [key, shape] of known) {
        const value = fields[key]; // a key of ours is never one an object inherits
        if (value !== undefined || needed.has(key)) shape.check(value, `${path}.${key}`, misfits);
      }
    },
  };
}
