import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { readVin } from '@tetrad/core';
import type { VinResult } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Field } from '../kit/field';
import { controlValue } from '../kit/forms/control-value';
import { problem } from '../kit/forms/problem';
import { ScanButton } from './scan-button';

/** What a VIN as it is typed means today; null for an empty one. */
export const vinOf = (typed: string): VinResult | null =>
  typed.trim() === '' ? null : readVin(typed, new Date().getFullYear());

/** A VIN as it is typed: empty, or one that can be. */
export const vinControl = (typed = ''): FormControl<string> =>
  new FormControl(typed, {
    nonNullable: true,
    validators: [
      ({ value }) => {
        const read = vinOf(String(value));
        return read === null || read.ok ? null : problem(read.problem);
      },
    ],
  });

/** The VIN, typed or scanned, with its check digit looked at. */
@Component({
  selector: 'tt-vin-field',
  imports: [Field, InputText, ReactiveFormsModule, ScanButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-field label="VIN" [hint]="note()">
      <input
        pInputText
        class="figure"
        autocomplete="off"
        autocapitalize="characters"
        maxlength="24"
        [formControl]="control()"
      />
    </tt-field>
    <tt-scan label="Scan VIN" (scanned)="take($event)" />
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 4px 12px;
      align-items: start;
    }
    tt-scan {
      margin-top: 24px;
    }
  `,
})
export class VinField {
  readonly control = input.required<FormControl<string>>();
  readonly #typed = controlValue<string>(() => this.control());
  protected readonly note = computed(() => {
    const read = vinOf(this.#typed());
    if (!read?.ok) return '';
    if (!read.checkDigitFits)
      return `Check digit is ${read.vin[8]}, by the sum it would be ${read.checkDigit}: look again, some makers do not use it.`;
    return `Check digit fits.${read.year ? ` Model year ${read.year}.` : ''}`;
  });

  protected take(scanned: string): void {
    this.control().setValue(scanned.trim());
    this.control().markAsTouched();
  }
}
