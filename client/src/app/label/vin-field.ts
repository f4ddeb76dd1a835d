import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { readVin } from '@tetrad/core';
import { ScanButton } from './scan-button';

/** The VIN, typed or scanned, with its check digit looked at. */
@Component({
  selector: 'tt-vin-field',
  imports: [ScanButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="field">
      VIN
      <input
        class="figure"
        autocomplete="off"
        autocapitalize="characters"
        maxlength="24"
        [value]="vin()"
        (input)="vin.set($any($event.target).value)"
        [attr.aria-invalid]="!!problem()"
      />
    </label>
    <tt-scan label="Scan VIN" (scanned)="vin.set($event.trim())" />
    <p class="note" [class.grade-outside]="problem()" [class.soft]="!problem()" role="status">
      {{ problem() ?? note() }}
    </p>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      gap: 4px 12px;
      align-items: end;
    }
    .note {
      grid-column: 1 / -1;
      font-size: 0.875rem;
    }
  `,
})
export class VinField {
  readonly vin = model.required<string>();
  /** What the form found wrong when it was sent. */
  readonly refused = input<string | null>(null);

  readonly #read = computed(() => (this.vin().trim() === '' ? null : readVin(this.vin(), new Date().getFullYear())));
  protected readonly problem = computed(() => {
    const read = this.#read();
    return this.refused() ?? (read && !read.ok && this.vin().trim().length >= 17 ? read.problem : null);
  });
  protected readonly note = computed(() => {
    const read = this.#read();
    if (!read?.ok) return '';
    if (!read.checkDigitFits)
      return `Check digit is ${read.vin[8]}, by the sum it would be ${read.checkDigit}: look again, some makers do not use it.`;
    return `Check digit fits.${read.year ? ` Model year ${read.year}.` : ''}`;
  });
}
