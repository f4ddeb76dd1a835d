import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { NewOutcome } from '@tetrad/contracts';
import { CAUSES, COMPLAINT_STATES } from '@tetrad/core/outcomes';
import type { Cause, ComplaintState } from '@tetrad/core/outcomes';
import { Textarea } from 'primeng/textarea';
import { Button } from '../kit/button';
import { Dialog } from '../kit/dialog';
import { Field } from '../kit/field';
import { FocusFirst } from '../kit/focus-first';
import { bodyOf } from '../kit/forms/body-form';
import { Segmented } from '../kit/segmented';
import { Select } from '../kit/select';
import { Toasts } from '../kit/toasts';
import { OutboxActions } from '../outbox/outbox.actions';
import { queued } from '../outbox/outbox-item';
import { newId } from '../device/new-id';
import { selectShop, selectWho } from '../state/session/session.feature';
import { CAUSE_WORDS, COMPLAINT_WORDS } from './outcome-words';

/** Records what became of a job: whether the complaint is gone, and what was at fault after all. Kept while offline. */
@Component({
  selector: 'tt-outcome-dialog',
  imports: [Button, Dialog, Field, FocusFirst, ReactiveFormsModule, Segmented, Select, Textarea],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Record the outcome" (closed)="closed.emit()">
      <form [formGroup]="form" (ngSubmit)="save()">
        <p>
          <strong>{{ vehicle() }}</strong> <span class="soft">{{ done() }}</span>
        </p>
        <tt-segmented label="The complaint is" ttFocusFirst formControlName="complaint" [options]="states" />
        <tt-select label="At fault after all" formControlName="cause" [options]="causes" />
        <tt-field label="Note, for the shop">
          <textarea pTextarea rows="2" maxlength="2000" formControlName="note"></textarea>
        </tt-field>
        <div class="kit-end">
          <button pButton (click)="closed.emit()">Cancel</button>
          <button pButton kind="main" type="submit">Record the outcome</button>
        </div>
      </form>
    </tt-dialog>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 16px;
    }
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 0 12px;
      margin: 0;
    }
  `,
})
export class OutcomeDialog {
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly job = input.required<string>();
  readonly vehicle = input.required<string>();
  /** What was done when it was signed off. */
  readonly done = input.required<string>();
  readonly closed = output();

  protected readonly states = COMPLAINT_STATES.map((value) => ({ value, label: COMPLAINT_WORDS[value] }));
  protected readonly causes = [
    { value: null, label: 'not known' },
    ...CAUSES.map((value) => ({ value, label: CAUSE_WORDS[value] })),
  ];
  protected readonly form = new FormGroup({
    complaint: new FormControl<ComplaintState>('gone', { nonNullable: true }),
    cause: new FormControl<Cause | null>(null),
    note: new FormControl('', { nonNullable: true }),
  });
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #who = this.#store.selectSignal(selectWho);

  protected save(): void {
    const { complaint, cause, note } = this.form.getRawValue();
    const shop = this.#shop();
    const body = bodyOf(NewOutcome, this.form, {
      id: newId(),
      complaint,
      ...(cause !== null && { cause }),
      ...(note.trim() && { note: note.trim() }),
    });
    if (body === null || shop === null) return;
    const draft = { kind: 'outcome', shop, job: this.job(), body: { ...body }, by: this.#who() } as const;
    this.#store.dispatch(OutboxActions.queued({ item: queued(draft) }));
    this.#toasts.say('Outcome recorded');
    this.closed.emit();
  }
}
