import { Injectable } from '@angular/core';
import type { ReadingStep } from '@tetrad/core';
import { keptEntryKey } from '../../../job/kept-entry';
import { restoreForm } from '../../../kit/forms/kept-draft';
import { keyOf } from '../route/step-key';
import type { ReadingForm } from './reading-form';

const keyFor = (job: string | null, step: ReadingStep): string => keptEntryKey(job, keyOf(step));

/** What is typed and not saved yet, over a reload and a look at another step. */
@Injectable({ providedIn: 'root' })
export class KeptEntries {
  keep(job: string | null, step: ReadingStep, form: ReadingForm): void {
    const { typed } = form.getRawValue();
    const key = keyFor(job, step);
    if (typed.every((text) => text === '')) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, JSON.stringify(form.getRawValue()));
  }
  drop(job: string | null, step: ReadingStep): void {
    sessionStorage.removeItem(keyFor(job, step));
  }
  restore(job: string | null, step: ReadingStep, form: ReadingForm): void {
    restoreForm(form, keyFor(job, step));
  }
}
