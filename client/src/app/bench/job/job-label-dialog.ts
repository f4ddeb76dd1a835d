import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import type { JobView } from '@tetrad/contracts';
import { SCHOOLS, parseEntry, readVin } from '@tetrad/core';
import { Dialog } from 'primeng/dialog';
import { draftOf, systemOf } from '../../label/system-draft';
import type { DraftProblem, SystemDraft } from '../../label/system-draft';
import { SystemFields } from '../../label/system-fields';
import { VinField } from '../../label/vin-field';
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
    this.celsius.set(celsius === undefined ? '' : String(celsius));
    this.vin.set(job.vehicle.vin ?? '');
    this.assignee.set(job.assignee ?? '');
    this.criteria.set(job.criteria);
  }

  protected save(event: Event): void {
    event.preventDefault();
    const system = systemOf(this.system(), this.job().case.system);
    this.systemProblems.set(system.ok ? [] : system.problems);
    const problems: Record<string, string> = {};
    const celsius = parseEntry(this.celsius(), '°C');
    if (!celsius.ok && celsius.fault.code !== 'empty')
      problems['celsius'] = `Found “${this.celsius()}”; allowed is a number in °C.`;
    const vin = this.vin().trim() === '' ? null : readVin(this.vin(), new Date().getFullYear());
    if (vin && !vin.ok) problems['vin'] = vin.problem;
    this.problems.set(problems);
    if (!system.ok || Object.keys(problems).length > 0) return;
    const before = this.job();
    this.changed.emit({
      system: system.system,
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
