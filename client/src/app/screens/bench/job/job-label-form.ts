import { FormControl, FormGroup } from '@angular/forms';
import type { JobView } from '@tetrad/contracts';
import { labelDoubt } from '@tetrad/core';
import type { FigureChoice, System } from '@tetrad/core';
import type { LabelChanges } from '../../../job/commands';
import { fitsFigure, figureOf } from '../../../kit/forms/figure';
import { withConfirmedRating } from '../../../label/rating';
import { draftOf, systemForm, systemOf } from '../../../label/system-draft';
import { typedCelsius } from '../../../label/typed-celsius';
import { vinControl, vinOf } from '../../../label/vin-field';
import { celsiusRule } from '../../../label/celsius-rule';

/** What is known of a job, as it can be corrected. */
export function jobLabelForm(job: JobView, choice: FigureChoice) {
  const { system, conditions } = job.case;
  const celsius = conditions?.batteryCelsius ?? conditions?.ambientCelsius;
  const text = (value: string) => new FormControl(value, { nonNullable: true });
  return new FormGroup({
    system: systemForm(draftOf(system)),
    celsius: new FormControl(celsius === undefined ? '' : typedCelsius(celsius, choice), {
      nonNullable: true,
      validators: [fitsFigure(celsiusRule(choice))],
    }),
    vin: vinControl(job.vehicle.vin ?? ''),
    criteria: text(job.criteria),
    assignee: text(job.assignee ?? ''),
  });
}
export type JobLabelForm = ReturnType<typeof jobLabelForm>;

/** The changes a form that fits asks for. */
export function labelChangesOf(form: JobLabelForm, before: JobView, choice: FigureChoice): LabelChanges {
  const typed = form.getRawValue();
  const celsius = figureOf(typed.celsius, celsiusRule(choice));
  const vin = vinOf(typed.vin);
  const assignee = typed.assignee.trim();
  return {
    system: confirmed(systemOf(typed.system, before.case.system), before.case.system),
    conditions: celsius === undefined ? {} : { batteryCelsius: celsius, ambientCelsius: celsius },
    criteria: typed.criteria,
    ...(assignee !== (before.assignee ?? '') && { assignee }),
    ...(vin?.ok &&
      vin.vin !== before.vehicle.vin && {
        vehicle: { vin: vin.vin, ...(vin.year !== null && before.vehicle.year === null && { year: vin.year }) },
      }),
  };
}

/** Somebody has looked at the label: what was corrected there, or still looks odd, is meant. */
const confirmed = (system: System, { battery: { rating: before } }: System): System => {
  const { rating } = system.battery;
  const isCorrected = before && rating && (before.value !== rating.value || before.standard !== rating.standard);
  return isCorrected || labelDoubt(system) ? withConfirmedRating(system) : system;
};
