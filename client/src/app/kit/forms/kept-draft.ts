import { DestroyRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { FormGroup } from '@angular/forms';
import { storedObject } from '../../device/stored-object';

const PREFIX = 'tetrad.draft.';

/**
 * Keeps what is typed into a form over a reload, until it is sent or dropped. Call it where injection is allowed.
 *
 * @returns what drops it.
 */
export function keptDraft(form: FormGroup, name: string): () => void {
  const key = PREFIX + name;
  restoreForm(form, key);
  form.valueChanges
    .pipe(takeUntilDestroyed(inject(DestroyRef)))
    .subscribe(() => sessionStorage.setItem(key, JSON.stringify(form.getRawValue())));
  return () => sessionStorage.removeItem(key);
}

/** Fills a form with what was typed before a reload; of another shape it is passed over. */
export function restoreForm(form: FormGroup, key: string): void {
  const kept = storedObject(sessionStorage, key);
  try {
    if (kept) form.patchValue(kept);
  } catch {
    // something else wrote there: begin anew
  }
}
