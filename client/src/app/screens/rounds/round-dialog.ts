import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import type { HttpErrorResponse } from '@angular/common/http';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { RoundPlan } from '@tetrad/contracts';
import type { RoundView } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { bodyOf } from '../../kit/forms/body-form';
import { Message } from '../../kit/message';
import { Api } from '../../state/api';
import { problemOf } from '../../state/loading';
import { newId } from '../../state/new-id';
import { selectShop } from '../../state/session/session.feature';

/** How often the vehicles of a group are checked, and by whom. */
@Component({
  selector: 'tt-round-dialog',
  imports: [Button, Dialog, Field, FocusFirst, InputText, Message, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Round" (closed)="closed.emit()">
      <form [formGroup]="form" (ngSubmit)="save()">
        <tt-field label="Group of vehicles"
          ><input pInputText ttFocusFirst maxlength="40" formControlName="group"
        /></tt-field>
        <tt-field label="Every so many days"
          ><input pInputText class="figure" inputmode="numeric" formControlName="everyDays"
        /></tt-field>
        <tt-field label="Who does it"><input pInputText maxlength="80" formControlName="assignee" /></tt-field>
        @if (refused(); as why) {
          <tt-message>{{ why }}</tt-message>
        }
        <div class="kit-end">
          <button pButton (click)="closed.emit()">Cancel</button>
          <button pButton kind="main" type="submit">Save</button>
        </div>
      </form>
    </tt-dialog>
  `,
  styles: `
    form {
      display: grid;
      gap: 12px;
      width: min(380px, calc(100vw - 72px));
    }
  `,
})
export class RoundDialog implements OnInit {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  /** The plan that is changed; null for a new one. */
  readonly round = input.required<RoundView | null>();
  readonly saved = output();
  readonly closed = output();
  protected readonly refused = signal<string | null>(null);
  protected readonly form = new FormGroup({
    group: new FormControl('', { nonNullable: true }),
    everyDays: new FormControl('180', { nonNullable: true }),
    assignee: new FormControl('', { nonNullable: true }),
  });

  ngOnInit(): void {
    const round = this.round();
    if (round)
      this.form.setValue({
        group: round.group,
        everyDays: String(round.everyDays),
        assignee: round.assignee ?? '',
      });
  }
  protected save(): void {
    const { group, everyDays, assignee } = this.form.getRawValue();
    const body = bodyOf(RoundPlan, this.form, {
      group: group.trim(),
      everyDays: Number(everyDays),
      ...(assignee.trim() && { assignee: assignee.trim() }),
    });
    const shop = this.#shop();
    if (!body || shop === null) return;
    this.#api.putRound(shop, this.round()?.id ?? newId(), body).subscribe({
      next: () => this.saved.emit(),
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }
}
