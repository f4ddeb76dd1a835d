import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { JobView } from '@tetrad/contracts';
import { LABEL_FIGURES, SCHOOLS, allowedWords, checkShape, labelDoubt, readVin } from '@tetrad/core';
import type { System } from '@tetrad/core';
import { Dialog } from 'primeng/dialog';
import { draftOf, systemOf } from '../../label/system-draft';
import type { DraftProblem, SystemDraft } from '../../label/system-draft';
import { SystemFields } from '../../label/system-fields';
import { VinField } from '../../label/vin-field';
import { Figures } from '../../state/figures';
import { celsiusOf, typedCelsius } from '../../label/typed-celsius';
import type { LabelChanges } from './job-label';

/** Corrects what is known of the vehicle, its battery, its engine, the temperature and the criteria. */
@Component({
  selector: 'tt-job-label-dialog',
  imports: [Dialog, SystemFields, VinField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job-label-dialog.html',
  styleUrl: './job-label-dialog.css',
})
export class JobLabelDialog implements OnInit {
  readonly #figures = inject(Figures);
  readonly job = input.required<JobView>();
  readonly changed = output<LabelChanges>();
  readonly closed = output();

  protected readonly schools = SCHOOLS;
  protected readonly system = signal<SystemDraft>(draftOf({ nominalVolts: 12, battery: { chemistry: 'flooded' } }));
  protected readonly systemProblems = signal<readonly DraftProblem[]>([]);
  protected readonly celsius = signal('');
  protected readonly vin = signal('');
  protected readonly assignee = signal('');
  protected readonly criteria = signal('balanced');
  protected readonly problems = signal<Readonly<Record<string, string>>>({});

  ngOnInit(): void {
    const job = this.job();
    const { system, conditions } = job.case;
    this.system.set(draftOf(system));
    const celsius = conditions?.batteryCelsius ?? conditions?.ambientCelsius;
    this.celsius.set(celsius === undefined ? '' : typedCelsius(celsius, this.#figures.choice()));
    this.vin.set(job.vehicle.vin ?? '');
    this.assignee.set(job.assignee ?? '');
    this.criteria.set(job.criteria);
  }

  /** Why the label is doubted, where it is: saving it confirms it. */
  protected readonly doubt = computed(() => {
    const why = labelDoubt(this.job().case.system);
    return why && this.#figures.voice().say(why);
  });
  protected readonly temperatureUnit = computed(() => (this.#figures.choice().temperature === 'F' ? '°F' : '°C'));

  protected save(event: Event): void {
    event.preventDefault();
    const system = systemOf(this.system(), this.job().case.system);
    this.systemProblems.set(system.ok ? [] : system.problems);
    const problems: Record<string, string> = {};
    const celsius = celsiusOf(this.celsius(), this.#figures.choice());
    const isNone = !celsius.ok && celsius.fault.code === 'empty';
    const fits = celsius.ok && checkShape(LABEL_FIGURES.celsius, celsius.value).misfits.length === 0;
    if (!isNone && !fits)
      problems['celsius'] = `Found “${this.celsius()}”; allowed is ${allowedWords(LABEL_FIGURES.celsius.wanted)}.`;
    const vin = this.vin().trim() === '' ? null : readVin(this.vin(), new Date().getFullYear());
    if (vin && !vin.ok) problems['vin'] = vin.problem;
    this.problems.set(problems);
    if (!system.ok || Object.keys(problems).length > 0) return;
    const before = this.job();
    this.changed.emit({
      system: confirmed(system.system),
      conditions: celsius.ok ? { batteryCelsius: celsius.value, ambientCelsius: celsius.value } : {},
      criteria: this.criteria(),
      ...(this.assignee().trim() !== (before.assignee ?? '') && { assignee: this.assignee().trim() }),
      ...(vin?.ok &&
        vin.vin !== before.vehicle.vin && {
          vehicle: { vin: vin.vin, ...(vin.year !== null && before.vehicle.year === null && { year: vin.year }) },
        }),
    });
  }
}

/** Somebody has looked at the label: what still looks odd is meant. */
const confirmed = (system: System): System => {
  const { rating } = system.battery;
  if (!rating || !labelDoubt(system)) return system;
  return { ...system, battery: { ...system.battery, rating: { ...rating, confirmed: true } } };
};
