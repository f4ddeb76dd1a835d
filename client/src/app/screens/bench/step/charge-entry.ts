import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { LONGEST_WAIT_S, numberShape } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { Figure, figureOf, fitsFigure } from '../../../kit/forms/figure';
import type { FigureRule } from '../../../kit/forms/figure';

const HOURS: FigureRule = { shape: numberShape({ above: 0, max: LONGEST_WAIT_S / 3600, unit: 'h' }), unit: 'h' };

/** A battery goes on the charger, or has been on it. */
@Component({
  selector: 'tt-charge-entry',
  imports: [Button, Field, Figure, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="begin()">
      <tt-field label="Look again after, hours"><input pInputText ttFigure formControlName="hours" /></tt-field>
      <button pButton kind="main" type="submit">On the charger</button>
      <button pButton (click)="charged.emit()">It is charged: read the resting voltage</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 12px;
      margin-top: 8px;
    }
    tt-field {
      width: 168px;
    }
  `,
})
export class ChargeEntry {
  readonly begun = output<{ kind: 'charge'; seconds?: number }>();
  readonly charged = output();
  protected readonly form = new FormGroup({
    hours: new FormControl('4', { nonNullable: true, validators: [fitsFigure(HOURS)] }),
  });

  protected begin(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const hours = figureOf(this.form.getRawValue().hours, HOURS);
    this.begun.emit({ kind: 'charge', ...(hours !== undefined && { seconds: Math.round(hours * 3600) }) });
  }
}
