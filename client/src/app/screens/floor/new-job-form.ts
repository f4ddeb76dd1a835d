import { FormControl, FormGroup } from '@angular/forms';
import { NewJob } from '@tetrad/contracts';
import type { FigureChoice, SymptomName } from '@tetrad/core';
import { bodyOf } from '../../kit/forms/body-form';
import { countOf } from '../../kit/forms/count';
import { fitsFigure, figureOf } from '../../kit/forms/figure';
import { systemForm, systemOf } from '../../label/system-draft';
import { celsiusRule } from '../../label/celsius-rule';
import { vinControl, vinOf } from '../../label/vin-field';
import { newId } from '../../device/new-id';

const text = (): FormControl<string> => new FormControl('', { nonNullable: true });

/** What a new job asks for, as it is typed. */
export const newJobForm = (choice: FigureChoice) =>
  new FormGroup({
    vehicle: new FormGroup({ name: text(), plate: text(), year: text() }),
    vin: vinControl(),
    system: systemForm(),
    celsius: new FormControl('', { nonNullable: true, validators: [fitsFigure(celsiusRule(choice))] }),
    symptoms: new FormControl<readonly SymptomName[]>([], { nonNullable: true }),
    replaced: new FormControl<readonly string[]>([], { nonNullable: true }),
  });
export type NewJobForm = ReturnType<typeof newJobForm>;

/** The body that opens the job, or null where something does not fit: the field says what. */
export function newJobOf(form: NewJobForm, choice: FigureChoice, vehicleId: string | null): NewJob | null {
  const typed = form.getRawValue();
  const vin = vinOf(typed.vin);
  const { name, plate, year } = typed.vehicle;
  const modelYear = year.trim() || (vin?.ok && vin.year ? String(vin.year) : '');
  const celsius = figureOf(typed.celsius, celsiusRule(choice));
  return bodyOf(NewJob, form, {
    id: newId(),
    vehicle: {
      id: vehicleId ?? newId(),
      name: name.trim(),
      ...(plate.trim() && { plate: plate.trim() }),
      ...(vin?.ok && { vin: vin.vin }),
      ...(modelYear && { year: countOf(modelYear) }),
    },
    system: systemOf(typed.system),
    complaint: {
      symptoms: [...typed.symptoms],
      ...(typed.replaced.length > 0 && { partsAlreadyReplaced: [...typed.replaced] }),
    },
    conditions: celsius === undefined ? {} : { batteryCelsius: celsius, ambientCelsius: celsius },
  });
}
