import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { JobView } from '@tetrad/contracts';
import { batteryLabelWords } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import { Figures } from '../../../device/figures';
import type { ChosenChanges } from '../../../job/commands';
import { Button } from '../../../kit/button';
import { NotLoaded } from '../../../kit/not-loaded';
import { JobLabelDialog } from './job-label-dialog';

/** What the bench knows of the battery, the temperature and the criteria, and the way to correct it. */
@Component({
  selector: 'tt-job-label',
  imports: [Button, JobLabelDialog, NotLoaded],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button pButton kind="bare" class="label" (click)="editing.set(true)">
      <span class="figure">{{ summary() }}</span>
      <span class="soft">{{ criteria().name }}</span>
    </button>
    @defer (when editing(); prefetch on timer(2s)) {
      @if (editing()) {
        <tt-job-label-dialog
          [job]="job()"
          (changed)="editing.set(false); changed.emit($event)"
          (closed)="editing.set(false)"
        />
      }
    } @error {
      <tt-not-loaded what="The label" />
    }
  `,
  styles: `
    .label {
      display: grid;
      justify-items: end;
      gap: 0;
      font-weight: 400;
      font-size: var(--text-sm);
      text-align: right;
      border-color: var(--line-soft);
      padding: 2px 12px;
    }
  `,
})
export class JobLabel {
  readonly #figures = inject(Figures);
  readonly job = input.required<JobView>();
  readonly criteria = input.required<CriteriaSet>();
  readonly changed = output<ChosenChanges>();
  readonly editing = signal(false);

  protected readonly summary = computed(() => {
    const { system, conditions } = this.job().case;
    const celsius = conditions?.batteryCelsius ?? conditions?.ambientCelsius;
    const figures = this.#figures.format();
    const known = celsius === undefined ? 'temperature not known' : figures.celsius(celsius);
    return [...batteryLabelWords(system, figures), known].join(' · ');
  });
}
