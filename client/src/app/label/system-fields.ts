import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { CHEMISTRIES, CHEMISTRY_WORDS, NOMINAL_VOLTS, RATING_STANDARDS, capital, convertRating } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Field } from '../kit/field';
import { Fold } from '../kit/fold';
import { controlValue } from '../kit/forms/control-value';
import { Figure, figureOf } from '../kit/forms/figure';
import { Select } from '../kit/select';
import type { SystemForm } from './system-draft';
import type { SystemDraft } from './typed-system';
import { SYSTEM_FIGURES, SYSTEM_ROWS } from './system-rows';

/** The battery's label, and behind it the pack, the engine, the alternator and the maker's figures. */
@Component({
  selector: 'tt-system-fields',
  imports: [Field, Figure, Fold, InputText, ReactiveFormsModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './system-fields.html',
  styleUrl: './system-fields.css',
})
export class SystemFields {
  readonly form = input.required<SystemForm>();
  /** Shows the engine, the alternator and the maker's figures without being asked. */
  readonly unfolded = input(false);

  protected readonly chemistries = CHEMISTRIES.map((value) => ({ value, label: capital(CHEMISTRY_WORDS[value]) }));
  protected readonly standards = RATING_STANDARDS.map((value) => ({
    value,
    label: value === 'SAE' ? 'SAE (CCA)' : value,
  }));
  protected readonly volts = NOMINAL_VOLTS.map((value) => ({ value, label: `${value} V` }));

  readonly #now = controlValue<SystemDraft>(() => this.form());

  /** How many is asked of a pack only. */
  protected readonly rows = computed(() =>
    SYSTEM_ROWS.filter(({ field }) => field !== 'count' || this.#now().arrangement !== 'single'),
  );

  /** The rating trap: CA is measured at 0 °C and is about a quarter more than CCA. */
  protected readonly ratingNote = computed(() => {
    const { standard, rating } = this.#now();
    if (standard === 'JIS') return 'A JIS code holds no amperes; leave the rating empty.';
    const value = figureOf(rating, SYSTEM_FIGURES.rating);
    if (standard === 'SAE' || value === undefined || value <= 0)
      return 'CCA and CA stand side by side on many labels: CA is the larger one, at 0 °C.';
    const sae = convertRating({ value, standard }, 'SAE');
    return sae === null ? '' : `About ${Math.round(sae)} A CCA (SAE), approximate.`;
  });
  /** Something behind the fold does not fit. */
  protected readonly hasProblem = computed(() => {
    this.#now();
    const { controls } = this.form();
    return SYSTEM_ROWS.some(({ field }) => controls[field].touched && controls[field].invalid);
  });
}
