import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { JobVehicle } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { bodyOf } from '../../../kit/forms/body-form';
import { newId } from '../../../device/new-id';

export interface QuickVehicle {
  readonly name: string;
  readonly plate?: string;
}

/** A quick check: no vehicle, kept on this device; named, it becomes a job with all that was read. */
@Component({
  selector: 'tt-quick-strip',
  imports: [Button, Field, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="keep()">
      <p><strong>Quick check.</strong> Kept on this device only.</p>
      <tt-field label="Vehicle" [quiet]="true">
        <input pInputText placeholder="Vehicle" maxlength="80" formControlName="name" />
      </tt-field>
      <tt-field class="plate" label="Plate" [quiet]="true">
        <input pInputText class="figure" placeholder="Plate" maxlength="16" formControlName="plate" />
      </tt-field>
      <button pButton kind="main" type="submit">Make it a job</button>
      <button pButton kind="bare" (click)="discarded.emit()">Discard</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      padding: 4px 16px;
      border-bottom: 1px solid var(--line);
      background: var(--shade);
    }
    p {
      margin-right: auto;
    }
    .plate {
      width: 120px;
    }
  `,
})
export class QuickStrip {
  readonly kept = output<QuickVehicle>();
  readonly discarded = output();
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    plate: new FormControl('', { nonNullable: true }),
  });

  protected keep(): void {
    const { name, plate } = this.form.getRawValue();
    const body = bodyOf(JobVehicle, this.form, {
      id: newId(),
      name: name.trim(),
      ...(plate.trim() && { plate: plate.trim() }),
    });
    if (body) this.kept.emit({ name: body.name, ...(body.plate && { plate: body.plate }) });
  }
}
