import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { CLAMP_SCALES_MV_PER_A, clampAmps, crankingRpm, parseEntry } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Field } from '../../../kit/field';
import { Fold } from '../../../kit/fold';
import { controlValue } from '../../../kit/forms/control-value';
import { Enter } from '../../../kit/forms/enter';
import { Figure, figureOf, fitsFigure } from '../../../kit/forms/figure';
import { Select } from '../../../kit/select';
import { SYSTEM_FIGURES } from '../../../label/system-rows';
import { Figures } from '../../../device/figures';

const CYLINDERS = SYSTEM_FIGURES.cylinders;

/** A figure that was worked out is no finer than its meter. */
const SHOWN_DIGITS = 4;

/** Works a reading out of what the instrument shows: rpm from compression peaks, amps from a clamp's volts. */
@Component({
  selector: 'tt-work-out',
  imports: [Enter, Field, Figure, Fold, InputText, ReactiveFormsModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-fold [says]="kind() === 'rpm' ? 'From peaks …' : 'From the clamp’s volts …'">
      <form [formGroup]="form" ttEnter (ngSubmit)="take()">
        @if (kind() === 'rpm') {
          <tt-field label="Peaks per second"><input pInputText ttFigure formControlName="shown" /></tt-field>
          <tt-field label="Cylinders"><input pInputText ttFigure formControlName="cylinders" /></tt-field>
        } @else {
          <tt-field label="Meter shows, V"><input pInputText ttFigure formControlName="shown" /></tt-field>
          <tt-select label="Scale" formControlName="scale" [options]="scales" />
        }
        <button pButton type="submit" [disabled]="result() === null">
          {{ result() === null ? 'Take it' : 'Take ' + words() }}
        </button>
      </form>
    </tt-fold>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: end;
    }
    tt-field {
      width: 116px;
    }
  `,
})
export class WorkOut {
  readonly #figures = inject(Figures);
  readonly test = input.required<TestName>();
  readonly cylinders = input<number | undefined>();
  readonly taken = output<number>();

  protected readonly form = new FormGroup({
    shown: new FormControl('', { nonNullable: true }),
    scale: new FormControl<number>(CLAMP_SCALES_MV_PER_A[0], { nonNullable: true }),
    cylinders: new FormControl('4', { nonNullable: true, validators: [fitsFigure(CYLINDERS)] }),
  });
  readonly #typed = controlValue(() => this.form);
  protected readonly kind = computed(() => (this.test() === 'cranking-speed' ? 'rpm' : 'amps'));
  protected readonly scales = CLAMP_SCALES_MV_PER_A.map((value) => ({ value, label: `${value} mV per A` }));

  protected readonly result = computed((): number | null => {
    const { shown, scale, cylinders } = this.#typed();
    const entry = parseEntry(shown, this.kind() === 'rpm' ? '' : 'V');
    if (!entry.ok || entry.value <= 0) return null;
    if (this.kind() === 'amps') return clampAmps(entry.value, scale);
    const count = figureOf(cylinders, CYLINDERS);
    return count === undefined || this.form.controls.cylinders.invalid ? null : crankingRpm(entry.value, count);
  });
  protected readonly words = computed(() =>
    this.#figures.format().quantity(this.result() ?? 0, this.kind() === 'rpm' ? 'rpm' : 'A'),
  );

  constructor() {
    effect(() => {
      const cylinders = this.cylinders();
      if (cylinders !== undefined) this.form.controls.cylinders.setValue(String(cylinders));
    });
  }

  protected take(): void {
    const result = this.result();
    if (result !== null) this.taken.emit(Number(result.toPrecision(SHOWN_DIGITS)));
  }
}
