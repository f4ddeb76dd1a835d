import { registerDecorator } from 'class-validator';
import { checkShape } from '@tetrad/core';
import type { Misfit, Shape } from '@tetrad/core';

/** Name of the constraint under which the misfits of a shape are reported. */
export const FITS = 'fits';
/** Unknown fields are kept up to this many characters of JSON in one part of a job. */
const MAX_UNKNOWN = 8000;

/** A shape, and how many characters of unknown fields may be kept with it. */
export interface Fitting {
  readonly shape: Shape<unknown>;
  readonly maxUnknown: number;
}

/** The misfits a value has against a shape, paths beginning with `$`. */
export function misfitsOf({ shape, maxUnknown }: Fitting, value: unknown): readonly Misfit[] {
  const { misfits, unknownLength } = checkShape(shape, value);
  if (unknownLength <= maxUnknown) return misfits;
  const found = `${unknownLength} characters of unknown fields`;
  return [...misfits, { path: '$', found, wanted: { code: 'less-unknown', with: { maxBytes: maxUnknown } } }];
}

/** The property must fit a shape of the open format. */
export function Fits(shape: Shape<unknown>, maxUnknown = MAX_UNKNOWN): PropertyDecorator {
  const fitting: Fitting = { shape, maxUnknown };
  return (target, property) =>
    registerDecorator({
      name: FITS,
      target: target.constructor,
      propertyName: String(property),
      options: { message: 'it to fit the open case format', context: { fitting } },
      validator: { validate: (value: unknown) => misfitsOf(fitting, value).length === 0 },
    });
}
