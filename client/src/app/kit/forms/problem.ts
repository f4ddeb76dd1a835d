import type { AbstractControl, ValidationErrors } from '@angular/forms';

/** A problem of a control, in words: what was found and what is allowed. */
export const problem = (text: string): ValidationErrors => ({ problem: text });

/** The words of a control's first problem, or null. */
export function problemOf({ errors }: AbstractControl): string | null {
  if (errors === null) return null;
  return typeof errors['problem'] === 'string' ? errors['problem'] : 'This does not fit.';
}

/** Tells a control's problem once it was touched, and every change of it. @returns what ends it. */
export function watchProblem(control: AbstractControl, tell: (problem: string | null) => void): () => void {
  const told = (): void => tell(control.touched ? problemOf(control) : null);
  told();
  const events = control.events.subscribe(told);
  return () => events.unsubscribe();
}
