import { ChangeDetectionStrategy, Component, computed, effect, input, output, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { SYMPTOMS, SYMPTOM_NAMES } from '@tetrad/core';
import type { Case, SymptomName } from '@tetrad/core';
import { Textarea } from 'primeng/textarea';
import { merge } from 'rxjs';
import { CheckList } from '../../../kit/check-list';
import { Field } from '../../../kit/field';
import { PARTS_REPLACED } from '../../../label/parts-replaced';

type Complaint = NonNullable<Case['complaint']>;

/** The complaint in plain words, and what has been replaced already. */
@Component({
  selector: 'tt-complaint-entry',
  imports: [CheckList, Field, ReactiveFormsModule, Textarea],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form">
      <tt-check-list label="What it does" formControlName="symptoms" [options]="symptoms" />
      <tt-check-list label="Already replaced" formControlName="partsAlreadyReplaced" [options]="replaced()" />
      <tt-field label="Note">
        <textarea pTextarea rows="2" maxlength="2000" formControlName="note" (change)="tell()"></textarea>
      </tt-field>
    </form>
  `,
  styles: `
    form {
      display: grid;
      gap: 8px;
    }
  `,
})
export class ComplaintEntry {
  readonly subject = input.required<Case>();
  readonly changed = output<Complaint>();

  protected readonly form = new FormGroup({
    symptoms: new FormControl<readonly SymptomName[]>([], { nonNullable: true }),
    partsAlreadyReplaced: new FormControl<readonly string[]>([], { nonNullable: true }),
    note: new FormControl('', { nonNullable: true }),
  });
  protected readonly symptoms = SYMPTOM_NAMES.map((value) => ({ value, label: SYMPTOMS[value].name }));
  /** The usual parts, and whatever else was noted. */
  protected readonly replaced = computed(() => {
    const given = this.subject().complaint?.partsAlreadyReplaced ?? [];
    return [...new Set([...PARTS_REPLACED, ...given])].map((value) => ({ value, label: value }));
  });

  constructor() {
    effect(() => {
      const { symptoms = [], partsAlreadyReplaced = [], note = '' } = this.subject().complaint ?? {};
      untracked(() => this.form.setValue({ symptoms, partsAlreadyReplaced, note }, { emitEvent: false }));
    });
    const { symptoms, partsAlreadyReplaced } = this.form.controls;
    merge(symptoms.valueChanges, partsAlreadyReplaced.valueChanges)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.tell());
  }

  protected tell(): void {
    const { symptoms, partsAlreadyReplaced, note } = this.form.getRawValue();
    const before = this.subject().complaint ?? {};
    this.changed.emit({
      ...before,
      symptoms: [...symptoms],
      ...((partsAlreadyReplaced.length > 0 || before.partsAlreadyReplaced) && {
        partsAlreadyReplaced: [...partsAlreadyReplaced],
      }),
      ...((note !== '' || before.note !== undefined) && { note }),
    });
  }
}
