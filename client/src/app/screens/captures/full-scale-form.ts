import { FormControl, FormGroup, Validators } from '@angular/forms';
import { numberShape } from '@tetrad/core';
import { figureOf, fitsFigure } from '../../kit/forms/figure';
import type { FigureRule } from '../../kit/forms/figure';
import { problem } from '../../kit/forms/problem';
import type { Understanding } from '../../captures/worker-messages';

const VOLTS: FigureRule = { shape: numberShape({ above: 0, unit: 'V' }), unit: 'V' };
const AMPS: FigureRule = { shape: numberShape({ above: 0, unit: 'A' }), unit: 'A' };

/** What the highest sample of a WAV stands for: it holds shares of a full scale, and not what that is. */
export const fullScaleForm = () =>
  new FormGroup({
    volts: new FormControl('20', {
      nonNullable: true,
      validators: [Validators.required, fitsFigure(VOLTS)],
    }),
    amps: new FormControl('', { nonNullable: true, validators: [fitsFigure(AMPS)] }),
  });

/** The scale that was typed; null where it does not fit, and then told at its field. */
export function fullScaleOf(form: ReturnType<typeof fullScaleForm>): Understanding['wavScale'] {
  form.markAllAsTouched();
  const { volts, amps } = form.controls;
  const highest = figureOf(volts.value, VOLTS);
  if (form.invalid || highest === undefined) {
    if (volts.value.trim() === '') volts.setErrors(problem('Needed: the volts that the highest sample stands for.'));
    return null;
  }
  const clamp = figureOf(amps.value, AMPS);
  return { volts: highest, ...(clamp !== undefined && { amps: clamp }) };
}
