import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { HttpErrorResponse } from '@angular/common/http';
import type { VehicleView } from '@tetrad/contracts';
import { VehicleChanges, VehicleUse } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { forkJoin, of } from 'rxjs';
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

/** What is told of a vehicle, and the group it belongs to. */
@Component({
  selector: 'tt-vehicle-edit',
  imports: [Button, Dialog, Field, FocusFirst, InputText, Message, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Vehicle" (closed)="closed.emit()">
      <form [formGroup]="form" (ngSubmit)="save()">
        <tt-field label="Name"><input pInputText ttFocusFirst maxlength="80" formControlName="name" /></tt-field>
        <tt-field label="Plate"><input pInputText class="figure" maxlength="16" formControlName="plate" /></tt-field>
        <tt-field label="VIN"><input pInputText class="figure" maxlength="17" formControlName="vin" /></tt-field>
        <tt-field label="Year"><input pInputText class="figure" inputmode="numeric" formControlName="year" /></tt-field>
        <tt-field label="Group"><input pInputText maxlength="40" formControlName="group" /></tt-field>
        <tt-field label="Battery fitted on, before its first visit" hint="As 2024-03-31">
          <input pInputText class="figure" maxlength="10" formControlName="batteryFittedOn" />
        </tt-field>
        <div class="pair">
          <tt-field label="Odometer today, km"
            ><input pInputText class="figure" inputmode="numeric" formControlName="km"
          /></tt-field>
          <tt-field label="Engine hours today"
            ><input pInputText class="figure" inputmode="numeric" formControlName="hours"
          /></tt-field>
        </div>
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
    .pair {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
    }
    form {
      display: grid;
      gap: 12px;
      width: min(420px, calc(100vw - 72px));
    }
  `,
})
export class VehicleEdit implements OnInit {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly vehicle = input.required<VehicleView>();
  readonly saved = output();
  readonly closed = output();
  protected readonly refused = signal<string | null>(null);
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    plate: new FormControl('', { nonNullable: true }),
    vin: new FormControl('', { nonNullable: true }),
    year: new FormControl('', { nonNullable: true }),
    group: new FormControl('', { nonNullable: true }),
    batteryFittedOn: new FormControl('', { nonNullable: true }),
    km: new FormControl('', { nonNullable: true }),
    hours: new FormControl('', { nonNullable: true }),
  });

  ngOnInit(): void {
    const { name, plate, vin, year, group, batteryFittedOn } = this.vehicle();
    this.form.patchValue({
      name,
      plate: plate ?? '',
      vin: vin ?? '',
      year: String(year ?? ''),
      group: group ?? '',
      batteryFittedOn: batteryFittedOn ?? '',
    });
  }

  protected save(): void {
    const { name, plate, vin, year, group, batteryFittedOn, km, hours } = this.form.getRawValue();
    const body = bodyOf(VehicleChanges, this.form, {
      name: name.trim(),
      plate: plate.trim(),
      group: group.trim(),
      ...(vin.trim() && { vin: vin.trim().toUpperCase() }),
      year: countOf(year),
      ...(batteryFittedOn.trim() && { batteryFittedOn: batteryFittedOn.trim() }),
    });
    const use = bodyOf(VehicleUse, this.form, { km: countOf(km), hours: countOf(hours) });
    const [shop, id] = [this.#shop(), this.vehicle().id];
    if (!body || !use || shop === null) return;
    const isUsed = use.km !== undefined || use.hours !== undefined;
    const noted = isUsed ? this.#api.noteUse(shop, id, newId(), use) : of(undefined);
    forkJoin([this.#api.changeVehicle(shop, id, body), noted]).subscribe({
      next: () => this.saved.emit(),
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }
}
