import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { InstrumentBody, InstrumentView } from '@tetrad/contracts';
import { INSTRUMENTS, INSTRUMENT_KINDS, KIND_FUNCTIONS } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { focusProblem } from '../../kit/forms/body-form';
import { controlValue } from '../../kit/forms/control-value';
import { Figure } from '../../kit/forms/figure';
import { Select } from '../../kit/select';
import { instrumentForm, instrumentOf, unitsOf } from './instrument-form';

/** Adds an instrument of the shop, or changes it. */
@Component({
  selector: 'tt-instrument-dialog',
  imports: [Button, Dialog, Field, Figure, FocusFirst, InputText, ReactiveFormsModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog [header]="known()?.name ?? 'A new instrument'" (closed)="closed.emit()">
      <form [formGroup]="form()" (ngSubmit)="submit()">
        <tt-field label="Name" hint="As it is written on it: bench meter 2">
          <input pInputText ttFocusFirst maxlength="80" autocomplete="off" formControlName="name" />
        </tt-field>
        <tt-select label="Kind" formControlName="kind" [options]="kinds" />
        <div class="units" formGroupName="uncertainty">
          @for (unit of units(); track unit) {
            <tt-field [label]="'Accuracy ±, ' + (unit === 'ohm' ? 'Ω' : unit)">
              <input pInputText ttFigure [formControlName]="unit" />
            </tt-field>
          }
        </div>
        @if (canBeLive()) {
          <tt-field label="Address, where it is read live" hint="tcp://192.168.1.20:5025; empty: read by eye">
            <input pInputText autocomplete="off" autocapitalize="none" spellcheck="false" formControlName="address" />
          </tt-field>
          @if (hasClamp()) {
            <tt-field label="Scale, mV per A" hint="Of a clamp that gives volts; empty: it gives amps">
              <input pInputText ttFigure formControlName="scale" />
            </tt-field>
          }
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
      gap: 16px;
      width: min(420px, calc(100vw - 72px));
    }
    .units {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
    }
  `,
})
export class InstrumentDialog implements OnInit {
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly known = input.required<InstrumentView | null>();
  readonly stored = output<InstrumentBody>();
  readonly closed = output();
  protected readonly form = signal(instrumentForm(null));
  readonly #typed = controlValue(() => this.form());
  protected readonly kinds = INSTRUMENT_KINDS.map((value) => ({ value, label: INSTRUMENTS[value].name }));
  protected readonly canBeLive = computed(() => {
    const { kind } = this.#typed();
    return KIND_FUNCTIONS[kind].length > 0 || kind === 'scope';
  });
  protected readonly hasClamp = computed(() => KIND_FUNCTIONS[this.#typed().kind].includes('amps-dc'));
  protected readonly units = computed(() => unitsOf(this.#typed().kind));

  ngOnInit(): void {
    this.form.set(instrumentForm(this.known()));
  }
  protected submit(): void {
    const body = instrumentOf(this.form());
    if (body) this.stored.emit(body);
    else focusProblem(this.#host.ownerDocument.body);
  }
}
