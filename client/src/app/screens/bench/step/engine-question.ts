import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal, untracked } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { FUELS, engineFromName } from '@tetrad/core';
import type { System } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { Figure, figureOf, fitsFigure } from '../../../kit/forms/figure';
import { SYSTEM_FIGURES } from '../../../label/system-rows';
import { Segmented } from '../../../kit/segmented';

const { cylinders: CYLINDERS, litres: LITRES } = SYSTEM_FIGURES;

/** Which engine it is, before it is first cranked: without it no usual amps and no usual speed are known. */
@Component({
  selector: 'tt-engine-question',
  imports: [Button, Field, Figure, InputText, ReactiveFormsModule, Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="send()" aria-label="Which engine is it?">
      <p><strong>Which engine is it?</strong> Without it no usual amps and no usual speed are known.</p>
      <tt-segmented label="Fuel" formControlName="fuel" [options]="fuels" />
      <tt-field label="Cylinders"><input pInputText ttFigure formControlName="cylinders" /></tt-field>
      <tt-field label="Litres"><input pInputText ttFigure formControlName="litres" /></tt-field>
      <button pButton kind="main" type="submit" [disabled]="!canSend()">
        {{ isOffered() ? 'Confirm' : 'Use these' }}
      </button>
      <button pButton (click)="passed.emit()">Not known</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 12px;
      margin: 4px 0;
      padding: 6px 12px 8px;
      border-left: 3px solid var(--accent);
      background: var(--shade);
    }
    p {
      flex-basis: 100%;
    }
    tt-field {
      width: 72px;
    }
  `,
})
export class EngineQuestion {
  readonly vehicle = input.required<string>();
  readonly system = input.required<System>();
  readonly told = output<System>();
  readonly passed = output();

  protected readonly fuels = FUELS.map((value) => ({ value, label: value }));
  protected readonly isOffered = signal(false);
  protected readonly form = new FormGroup({
    fuel: new FormControl('', { nonNullable: true }),
    cylinders: new FormControl('', { nonNullable: true, validators: [fitsFigure(CYLINDERS)] }),
    litres: new FormControl('', { nonNullable: true, validators: [fitsFigure(LITRES)] }),
  });
  readonly #typed = signal(0);
  protected readonly canSend = computed(() => {
    this.#typed();
    const { fuel, cylinders } = this.form.getRawValue();
    return this.form.valid && fuel !== '' && cylinders !== '';
  });

  constructor() {
    this.form.valueChanges.subscribe(() => this.#typed.update((count) => count + 1));
    effect(() => {
      const known = { ...engineFromName(this.vehicle()), ...this.system().engine };
      untracked(() => {
        this.isOffered.set(known.fuel !== undefined && known.cylinders !== undefined);
        this.form.setValue({
          fuel: known.fuel ?? '',
          cylinders: known.cylinders === undefined ? '' : String(known.cylinders),
          litres: known.displacementLitres === undefined ? '' : String(known.displacementLitres),
        });
      });
    });
  }

  protected send(): void {
    const { fuel, cylinders, litres } = this.form.getRawValue();
    if (!this.canSend()) return;
    const displacementLitres = figureOf(litres, LITRES);
    this.told.emit({
      ...this.system(),
      engine: {
        ...this.system().engine,
        fuel: fuel as (typeof FUELS)[number],
        cylinders: figureOf(cylinders, CYLINDERS)!,
        ...(displacementLitres !== undefined && { displacementLitres }),
      },
    });
  }
}
