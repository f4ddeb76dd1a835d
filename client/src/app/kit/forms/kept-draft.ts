import { DestroyRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { FormGroup } from '@angular/forms';

const PREFIX = 'tetrad.draft.';

/**
 * Keeps what is typed into a form over a reload, until it is sent or dropped. Call it where injection is allowed.
 *
 * @returns what drops it.
 */
export function keptDraft(form: FormGroup, name: string): () => void {
  const key = PREFIX + name;
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(key) ?? 'null');
    if (typeof kept === 'object' && kept !== null) form.patchValue(kept);
  } catch {
    // something else wrote there: begin anew
  }
  form.valueChanges
    .pipe(takeUntilDestroyed(inject(DestroyRef)))
    .subscribe(() => sessionStorage.setItem(key, JSON.stringify(form.getRawValue())));
  return () => sessionStorage.removeItem(key);
}
