import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { CHEMISTRIES, RATING_STANDARDS, SCHOOLS, formatQuantity, parseEntry } from '@tetrad/core';
import type { Chemistry, CriteriaSet, RatingStandard } from '@tetrad/core';
import type { JobChanges, JobView } from '@tetrad/contracts';
import { Dialog } from 'primeng/dialog';
import { FocusFirst } from '../parts/focus-first';

export type LabelChanges = Omit<JobChanges, 'version'>;

/** What the bench knows of the battery, the temperature and the criteria, and the place to correct it. */
@Component({
  selector: 'tt-job-label',
  imports: [Dialog, FocusFirst],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job-label.html',
  styleUrl: './job-label.css',
})
export class JobLabel {
  readonly job = input.required<JobView>();
  readonly criteria = input.required<CriteriaSet>();
  readonly changed = output<LabelChanges>();

  protected readonly chemistries = CHEMISTRIES;
  protected readonly standards = RATING_STANDARDS;
  protected readonly schools = SCHOOLS;
  protected readonly editing = signal(false);
  protected readonly problem = signal<string | null>(null);

  protected readonly summary = computed(() => {
    const { system, conditions } = this.job().case;
    const { rating, chemistry } = system.battery;
    const celsius = conditions?.batteryCelsius ?? conditions?.ambientCelsius;
    return [
      `${system.nominalVolts} V ${chemistry}`,
      rating ? `${rating.value} A ${rating.standard}` : 'rating not known',
      celsius === undefined ? 'temperature not known' : formatQuantity(celsius, '°C'),
    ].join(' · ');
  });

  protected save(event: Event): void {
    event.preventDefault();
    const fields = new FormData(event.target as HTMLFormElement);
    const { system } = this.job().case;
    const rating = this.#number(String(fields.get('rating')), 'A');
    const celsius = this.#number(String(fields.get('celsius')), '°C');
    const alternator = this.#number(String(fields.get('alternator')), 'A');
    const cylinders = this.#number(String(fields.get('cylinders')), '');
    if (rating === undefined || celsius === undefined || alternator === undefined || cylinders === undefined) return;
    const { rating: _rating, ...battery } = system.battery;
    const fuel = fields.get('fuel') === 'diesel' ? 'diesel' : 'petrol';
    const regulation = fields.get('regulation') === 'commanded' ? 'commanded' : 'fixed';
    const changes: LabelChanges = {
      system: {
        ...system,
        battery: {
          ...battery,
          chemistry: fields.get('chemistry') as Chemistry,
          ...(rating !== null && { rating: { value: rating, standard: fields.get('standard') as RatingStandard } }),
        },
        engine: { ...system.engine, fuel, ...(cylinders !== null && { cylinders }) },
        alternator: { ...system.alternator, regulation, ...(alternator !== null && { ratedAmps: alternator }) },
      },
      conditions: celsius === null ? {} : { batteryCelsius: celsius, ambientCelsius: celsius },
      criteria: String(fields.get('criteria')),
    };
    this.changed.emit(changes);
    this.editing.set(false);
  }

  #number(typed: string, unit: 'A' | '°C' | ''): number | null | undefined {
    const entry = parseEntry(typed, unit);
    if (entry.ok && (unit === '°C' || entry.value > 0)) return entry.value;
    if (!entry.ok && entry.fault.code === 'empty') return null;
    this.problem.set(`“${typed}” does not fit: allowed is a number${unit === '°C' ? ' in °C' : ' above 0'}.`);
    return undefined;
  }
}
