import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { batteryLabelWords } from '@tetrad/core';
import type { System } from '@tetrad/core';
import type { FittedBattery } from '@tetrad/core/trends';
import { Figures } from '../../device/figures';

const HOW = { first: 'first seen', label: 'another label seen', fitted: 'fitted' } as const;

/** Which battery was in the vehicle when, and who fitted it. */
@Component({
  selector: 'tt-battery-list',
  imports: [DatePipe, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ol>
      @for (one of listed(); track $index) {
        <li>
          <a [routerLink]="['/jobs', one.job, 'report']" class="figure">{{ one.at | date: 'd MMM y' }}</a>
          <span class="figure">{{ one.label }}</span> <span class="soft">{{ one.how }}</span>
          @if (one.fittedOn; as day) {
            <span class="soft">fitted {{ day | date: 'd MMM y' }}</span>
          }
        </li>
      }
    </ol>
  `,
  styles: `
    ol {
      display: grid;
      gap: 6px;
      margin: 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 16px;
    }
  `,
})
export class BatteryList {
  readonly #figures = inject(Figures);
  readonly batteries = input.required<readonly FittedBattery[]>();
  readonly system = input.required<System>();
  /** When the first was fitted, where somebody told. */
  readonly fittedOn = input<string | null>(null);
  /** The newest first. */
  protected readonly listed = computed(() =>
    [...this.batteries()].reverse().map(({ label, job, at, how, by }) => ({
      fittedOn: how === 'first' ? this.fittedOn() : null,
      job,
      at,
      label: batteryLabelWords({ ...this.system(), battery: label }, this.#figures.format()).join(' · '),
      how: by === null ? HOW[how] : `${HOW[how]} by ${by}`,
    })),
  );
}
