import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import type { ValidationError } from 'class-validator';
import { misfitWords } from '@tetrad/core';
import { FITS, misfitsOf } from './fits';
import type { Fitting } from './fits';
import type { Problem } from './views';

type FieldError = NonNullable<Problem['errors']>[number];
export type BodyResult<T> =
  { readonly ok: true; readonly body: T } | { readonly ok: false; readonly errors: readonly FieldError[] };

/** More than any body has. */
const MAX_FIELDS = 100;

const shown = (value: unknown): string => {
  const text = value === undefined ? 'nothing' : (JSON.stringify(value) ?? typeof value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
};

/**
 * Checks a parsed body against a class of this package; server and forms use the same call.
 *
 * Every field that does not fit is named with what was given and what is allowed. Fields that the
 * class does not know are refused, so that a misspelt one is not lost in silence.
 */
export function checkBody<T extends object>(type: new () => T, value: unknown): BodyResult<T> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { ok: false, errors: [{ field: '$', found: shown(value), allowed: 'a JSON object' }] };
  // what follows takes a time that grows with the square of the fields that the class does not know
  const count = Object.keys(value).length;
  if (count > MAX_FIELDS)
    return { ok: false, errors: [{ field: '$', found: `${count} fields`, allowed: `at most ${MAX_FIELDS} fields` }] };
  const body = plainToInstance(type, value);
  const errors = validateSync(body, { whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true });
  return errors.length === 0
    ? { ok: true, body }
    : { ok: false, errors: errors.flatMap((error) => fieldErrors(error, '')) };
}

function fieldErrors(error: ValidationError, parent: string): FieldError[] {
  // a place in a list is told as in the paths of the open format
  const field = /^\d+$/.test(error.property)
    ? `${parent}[${error.property}]`
    : `${parent && `${parent}.`}${error.property}`;
  const nested = (error.children ?? []).flatMap((child) => fieldErrors(child, field));
  const { constraints = {} } = error;
  if (FITS in constraints) return shapeErrors(error, field);
  const allowed = 'whitelistValidation' in constraints ? 'no such field' : Object.values(constraints)[0];
  return allowed === undefined ? nested : [{ field, found: shown(error.value), allowed }, ...nested];
}

function shapeErrors(error: ValidationError, field: string): FieldError[] {
  const { fitting } = error.contexts?.[FITS] as { fitting: Fitting };
  return misfitsOf(fitting, error.value)
    .map(misfitWords)
    .map(({ path, found, allowed }) => ({ field: field + path.slice(1), found, allowed }));
}
