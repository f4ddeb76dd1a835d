import { ChangeDetectionStrategy, Component, computed, output, signal } from '@angular/core';
import { NewJob, checkBody } from '@tetrad/contracts';
import {
  CHEMISTRIES,
  NOMINAL_VOLTS,
  RATING_STANDARDS,
  SYMPTOMS,
  SYMPTOM_NAMES,
  convertRating,
  parseEntry,
} from '@tetrad/core';
import type { Chemistry, NominalVolts, RatingStandard, SymptomName } from '@tetrad/core';
import { Dialog } from 'primeng/dialog';
import { FocusFirst } from '../parts/focus-first';

/** A job as the dialog hands it over: a body that fits its class. */
export type JobDraft = NewJob;

const CHEMISTRY_WORDS: Readonly<Record<Chemistry, string>> = {
  flooded: 'Flooded',
  efb: 'EFB',
  agm: 'AGM',
  gel: 'Gel',
  tppl: 'Thin-plate pure lead',
};

/** Three fields open a job: the vehicle, the battery's rating, what is wrong. The rest has defaults. */
@Component({
  selector: 'tt-new-job-dialog',
  imports: [Dialog, FocusFirst],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-job-dialog.html',
  styleUrl: './new-job-dialog.css',
})
export class NewJobDialog {
  readonly opened = output<JobDraft>();
  readonly closed = output();

  protected readonly chemistries = CHEMISTRIES.map((value) => ({ value, label: CHEMISTRY_WORDS[value] }));
  protected readonly standards = RATING_STANDARDS;
  protected readonly volts = NOMINAL_VOLTS;
  protected readonly symptoms = SYMPTOM_NAMES.map((value) => ({ value, label: SYMPTOMS[value] }));

  protected readonly name = signal('');
  protected readonly plate = signal('');
  protected readonly rating = signal('');
  protected readonly standard = signal<RatingStandard>('SAE');
  protected readonly chemistry = signal<Chemistry>('flooded');
  protected readonly nominal = signal<NominalVolts>(12);
  protected readonly celsius = signal('');
  protected readonly chosen = signal<ReadonlySet<SymptomName>>(new Set());
  protected readonly problems = signal<Readonly<Record<string, string>>>({});

  /** The rating trap: CA is measured at 0 °C and is about a quarter more than CCA. */
  protected readonly ratingNote = computed(() => {
    if (this.standard() === 'JIS') return 'A JIS code holds no amperes; leave the rating empty.';
    const entry = parseEntry(this.rating(), 'A');
    if (this.standard() === 'SAE' || !entry.ok || entry.value <= 0)
      return 'CCA and CA stand side by side on many labels: CA is the larger one, at 0 °C.';
    const sae = convertRating({ value: entry.value, standard: this.standard() }, 'SAE');
    return sae === null ? '' : `About ${Math.round(sae)} A CCA (SAE), approximate.`;
  });

  protected toggle(symptom: SymptomName): void {
    this.chosen.update((before) => {
      const after = new Set(before);
      if (!after.delete(symptom)) after.add(symptom);
      return after;
    });
  }

  protected submit(event: Event): void {
    event.preventDefault();
    const rating = this.#number('rating', this.rating(), 'A');
    const celsius = this.#number('temperature', this.celsius(), '°C');
    if (rating === undefined || celsius === undefined) return;
    const draft = {
      id: crypto.randomUUID(),
      vehicle: {
        id: crypto.randomUUID(),
        name: this.name().trim(),
        ...(this.plate().trim() && { plate: this.plate().trim() }),
      },
      system: {
        nominalVolts: this.nominal(),
        battery: {
          chemistry: this.chemistry(),
          ...(rating !== null && this.standard() !== 'JIS' && { rating: { value: rating, standard: this.standard() } }),
        },
      },
      complaint: { symptoms: [...this.chosen()] },
      conditions: celsius === null ? {} : { batteryCelsius: celsius, ambientCelsius: celsius },
    };
    const result = checkBody(NewJob, draft);
    if (result.ok) this.opened.emit(draft);
    else
      this.problems.set(
        Object.fromEntries(
          result.errors.map(({ field, found, allowed }) => [field, `Found ${found}; allowed is ${allowed}.`]),
        ),
      );
  }

  /** A number, null where the field is empty, undefined where it is none (and says so). */
  #number(field: string, typed: string, unit: 'A' | '°C'): number | null | undefined {
    const entry = parseEntry(typed, unit);
    if (entry.ok) return entry.value;
    if (entry.fault.code === 'empty') return null;
    this.problems.set({
      [field === 'rating' ? 'system.battery.rating.value' : 'conditions.batteryCelsius']:
        `Found “${typed}”; allowed is a number in ${unit}.`,
    });
    return undefined;
  }
}
