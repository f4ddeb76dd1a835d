import { registerDecorator } from 'class-validator';
import { checkShape } from '@tetrad/core';
import type { Misfit, Shape } from '@tetrad/core';

/** Name of the constraint under which the misfits of a shape are reported. */
export const FITS = 'fits';

/** The misfits a value has against a shape, paths beginning with `$`. */
export const misfitsOf = (shape: Shape<unknown>, value: unknown): readonly Misfit[] => checkShape(shape, value).misfits;

/** The property must fit a shape of the open format. */
export function Fits(shape: Shape<unknown>): PropertyDecorator {
  return (target, property) =>
    registerDecorator({
      name: FITS,
      target: target.constructor,
      propertyName: String(property),
      options: { message: 'it to fit the open case format', context: { shape } },
      validator: { validate: (value: unknown) => misfitsOf(shape, value).length === 0 },
    });
}
