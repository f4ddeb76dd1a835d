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
import { countOf } from '../../kit/forms/count';
import { Message } from '../../kit/message';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { selectShop } from '../../state/session/session.feature';

const text = (value = ''): FormControl<string> => new FormControl(value, { nonNullable: true });

/** How often the vehicles of a group are checked, and by whom. What is told first becomes due first. */
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
        <p class="soft">How often: fill in what counts. With several, the first to come is the due date.</p>
        <div class="row">
          <tt-field label="Days"
            ><input pInputText class="figure" inputmode="numeric" formControlName="everyDays"
          /></tt-field>
          <tt-field label="Kilometers"
            ><input pInputText class="figure" inputmode="numeric" formControlName="everyKm"
          /></tt-field>
          <tt-field label="Engine hours"
            ><input pInputText class="figure" inputmode="numeric" formControlName="everyHours"
          /></tt-field>
          <tt-field label="Before winter, by" hint="Month and day: 10-15"
            ><input pInputText class="figure" maxlength="5" placeholder="10-15" formControlName="beforeWinter"
          /></tt-field>
        </div>
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
      width: min(460px, calc(100vw - 72px));
    }
    .row {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
      gap: 12px 16px;
    }
    p {
      margin: 0;
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
    group: text(),
    everyDays: text('180'),
    everyKm: text(),
    everyHours: text(),
    beforeWinter: text(),
    assignee: text(),
  });

  ngOnInit(): void {
    const round = this.round();
    if (!round) return;
    const { group, everyDays, everyKm, everyHours, beforeWinter, assignee } = round;
    const shown = (value: number | null): string => (value === null ? '' : String(value));
    this.form.setValue({
      group,
      everyDays: shown(everyDays),
      everyKm: shown(everyKm),
      everyHours: shown(everyHours),
      beforeWinter: beforeWinter ?? '',
      assignee: assignee ?? '',
    });
  }
  protected save(): void {
    const { group, ...typed } = this.form.getRawValue();
    const told = {
      everyDays: countOf(typed.everyDays),
      everyKm: countOf(typed.everyKm),
      everyHours: countOf(typed.everyHours),
      beforeWinter: typed.beforeWinter.trim() || undefined,
      assignee: typed.assignee.trim() || undefined,
    };
    const given = Object.fromEntries(Object.entries(told).filter(([, value]) => value !== undefined));
    const body = bodyOf(RoundPlan, this.form, { group: group.trim(), ...given });
    const shop = this.#shop();
    if (!body || shop === null) return;
    this.#api.planRound(shop, this.round()?.id ?? newId(), body).subscribe({
      next: () => this.saved.emit(),
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }
}
