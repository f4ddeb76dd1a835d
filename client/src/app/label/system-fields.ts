import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { CHEMISTRIES, NOMINAL_VOLTS, RATING_STANDARDS, convertRating, parseEntry } from '@tetrad/core';
import type { Chemistry } from '@tetrad/core';
import type { DraftProblem, SystemDraft } from './system-draft';
import { RATING_ROW, SYSTEM_ROWS } from './system-rows';

const CHEMISTRY_WORDS: Readonly<Record<Chemistry, string>> = {
  flooded: 'Flooded',
  efb: 'EFB',
  agm: 'AGM',
  gel: 'Gel',
  tppl: 'Thin-plate pure lead',
};

/** The battery's label, and behind it the pack, the engine, the alternator and the maker's figures. */
@Component({
  selector: 'tt-system-fields',
  imports: [NgTemplateOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './system-fields.html',
  styleUrl: './system-fields.css',
})
export class SystemFields {
  readonly draft = model.required<SystemDraft>();
  readonly problems = input<readonly DraftProblem[]>([]);
  /** Shows the engine, the alternator and the maker's figures without being asked. */
  readonly unfolded = input(false);

  protected readonly chemistries = CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_WORDS[value] }));
  protected readonly standards = RATING_STANDARDS;
  protected readonly volts = NOMINAL_VOLTS;

  protected readonly ratingRow = RATING_ROW;
  /** How many is asked of a pack only. */
  protected readonly rows = computed(() =>
    SYSTEM_ROWS.filter(({ field }) => field !== 'count' || this.draft().arrangement !== 'single'),
  );

  /** The rating trap: CA is measured at 0 °C and is about a quarter more than CCA. */
  protected readonly ratingNote = computed(() => {
    const { standard, rating } = this.draft();
    if (standard === 'JIS') return 'A JIS code holds no amperes; leave the rating empty.';
    const entry = parseEntry(rating, 'A');
    if (standard === 'SAE' || !entry.ok || entry.value <= 0)
      return 'CCA and CA stand side by side on many labels: CA is the larger one, at 0 °C.';
    const sae = convertRating({ value: entry.value, standard }, 'SAE');
    return sae === null ? '' : `About ${Math.round(sae)} A CCA (SAE), approximate.`;
  });

  protected set(field: keyof SystemDraft, value: string): void {
    this.draft.update((before) => ({ ...before, [field]: field === 'nominal' ? Number(value) : value }) as SystemDraft);
  }
  protected readonly valueOf = (field: keyof SystemDraft): string => String(this.draft()[field]);
  protected problem(field: keyof SystemDraft): string | undefined {
    return this.problems().find((entry) => entry.field === field)?.text;
  }
  protected readonly hidden = computed(() => this.problems().some(({ field }) => field !== 'rating'));
}
