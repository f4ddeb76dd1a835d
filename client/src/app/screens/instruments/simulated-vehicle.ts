import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { HttpErrorResponse } from '@angular/common/http';
import { SimulatedHands } from '@tetrad/contracts';
import { FAULTS, FAULT_NAMES } from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { Fold } from '../../kit/fold';
import { bodyOf } from '../../kit/forms/body-form';
import { countOf } from '../../kit/forms/count';
import { Message } from '../../kit/message';
import { Select } from '../../kit/select';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { selectShop } from '../../state/session/session.feature';

const SEVERITIES = [
  { value: 0.3, label: 'slight' },
  { value: 0.6, label: 'plain' },
  { value: 0.9, label: 'severe' },
] as const;

/** Which vehicle stands at the simulated instruments. */
@Component({
  selector: 'tt-simulated-vehicle',
  imports: [Button, Field, Fold, InputText, Message, ReactiveFormsModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-fold says="Simulated vehicle">
      <form [formGroup]="form" (ngSubmit)="place()">
        <p class="soft">The simulated instruments are connected to it. A job’s bench turns its key.</p>
        <tt-select label="Fault" formControlName="fault" [options]="faults" />
        <tt-select label="How severe" formControlName="severity" [options]="severities" />
        <tt-field label="Vehicle number" hint="The same number is the same vehicle">
          <input pInputText inputmode="numeric" autocomplete="off" formControlName="seed" />
        </tt-field>
        @if (refused(); as why) {
          <tt-message>{{ why }}</tt-message>
        }
        <button pButton type="submit">Use this vehicle</button>
      </form>
    </tt-fold>
  `,
  styles: `
    form {
      display: grid;
      gap: 12px;
      justify-items: start;
      max-width: 420px;
    }
    tt-field,
    tt-select {
      width: 100%;
    }
  `,
})
export class SimulatedVehicle {
  readonly #api = inject(Api);
  readonly #toasts = inject(Toasts);
  readonly #shop = inject(Store).selectSignal(selectShop);
  protected readonly refused = signal<string | null>(null);
  protected readonly faults = FAULT_NAMES.map((value) => ({ value, label: FAULTS[value].name }));
  protected readonly severities = [...SEVERITIES];
  protected readonly form = new FormGroup({
    fault: new FormControl<FaultName>('none', { nonNullable: true }),
    severity: new FormControl<number>(0.6, { nonNullable: true }),
    seed: new FormControl('1', { nonNullable: true }),
  });

  constructor() {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.moveSimulatedVehicle(shop, {}).subscribe({
      next: ({ fault, severity, seed }) => {
        const nearest = SEVERITIES.reduce((best, one) =>
          Math.abs(one.value - severity) < Math.abs(best.value - severity) ? one : best,
        );
        this.form.setValue({ fault, severity: nearest.value, seed: String(seed) });
      },
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }

  protected place(): void {
    const shop = this.#shop();
    if (shop === null) return;
    const { seed, ...chosen } = this.form.getRawValue();
    const body = bodyOf(SimulatedHands, this.form, { ...chosen, seed: countOf(seed) ?? '' });
    if (!body) return;
    this.#api.moveSimulatedVehicle(shop, body).subscribe({
      next: () => {
        this.refused.set(null);
        this.#toasts.say(`Simulated vehicle ${seed}: ${FAULTS[chosen.fault].name}`);
      },
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }
}
