/** A form checked by the class of the body it sends: the rule and its words stand with that class alone. */
import type { FormGroup } from '@angular/forms';
import { checkBody } from '@tetrad/contracts';
import { problem } from './problem';

/**
 * Checks what a form would send. What does not fit is told at the field it was typed in.
 *
 * @param places Where a field of the body stands in the form, where the two have other names; a field that is in
 *   no form at all (an id, say) fails as a fault of the program.
 * @returns the body, or null where something does not fit.
 * @throws Error for a misfit that no field of the form can mend.
 */
export function bodyOf<T extends object>(
  type: new () => T,
  form: FormGroup,
  body: object,
  places: Readonly<Record<string, string>> = {},
): T | null {
  form.markAllAsTouched();
  if (form.invalid) return null;
  const result = checkBody(type, body);
  if (result.ok) return result.body;
  for (const { field, found, allowed } of result.errors) {
    const control = form.get(places[field] ?? field);
    if (!control) throw new Error(`${type.name}.${field}: found ${found}, allowed is ${allowed}`);
    control.setErrors(problem(found === '""' ? `Needed: ${allowed}.` : `Found ${found}; allowed is ${allowed}.`));
  }
  return null;
}

/** Moves the focus to the first text that does not fit, once its problem is shown. */
export function focusProblem(host: HTMLElement): void {
  setTimeout(() => host.querySelector<HTMLElement>('[aria-invalid=true]')?.focus());
}
