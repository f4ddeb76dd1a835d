import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { System } from '@tetrad/core';
import { USUAL_TRIPS, shortTrips } from '@tetrad/core/trends';
import type { Measure, TripAssumptions } from '@tetrad/core/trends';
import { Figures } from '../../device/figures';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';

const options = <T>(values: readonly T[], words: (value: T) => string) =>
  values.map((value) => ({ value, label: words(value) }));

/** Short trips: what starts take, what driving puts back, and how long the vehicle may stand. Assumptions are changed here. */
@Component({
  selector: 'tt-trip-balance',
  imports: [Segmented, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <tt-select
        label="Starts a day"
        [options]="starts"
        [value]="given().startsADay"
        (valueChange)="set({ startsADay: $event! })"
      />
      <tt-select
        label="Seconds a start"
        [options]="seconds"
        [value]="given().secondsAStart"
        (valueChange)="set({ secondsAStart: $event! })"
      />
      <tt-select
        label="Weather"
        [options]="weathers"
        [value]="given().celsius"
        (valueChange)="set({ celsius: $event! })"
      />
      <tt-select
        label="Of driving at idle"
        [options]="idles"
        [value]="given().idleShare"
        (valueChange)="set({ idleShare: $event! })"
      />
      <tt-segmented label="Loads" [options]="loads" [value]="given().loads" (valueChange)="set({ loads: $event! })" />
    </div>
    <dl>
      <dt>Driving that keeps it charged</dt>
      <dd class="figure">{{ told().minutes }}</dd>
      <dt>May stand</dt>
      <dd class="figure">{{ told().stands }}</dd>
      <dt>A start takes</dt>
      <dd class="figure">{{ told().start }}</dd>
      <dt>Into the battery at idle, at speed</dt>
      <dd class="figure">{{ told().back }}</dd>
    </dl>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    .row {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(140px, max-content));
      gap: 8px 16px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 6px 24px;
      margin: 0;
    }
    dt {
      color: var(--ink-soft);
    }
    dd {
      margin: 0;
    }
  `,
})
export class TripBalance {
  readonly #figures = inject(Figures);
  readonly system = input.required<System>();
  readonly measures = input.required<readonly Measure[]>();
  protected readonly given = signal<TripAssumptions>(USUAL_TRIPS);
  protected readonly starts = options([2, 4, 8, 16, 30], String);
  protected readonly seconds = options([1, 1.5, 3, 6], (value) => this.#figures.format().plain(value, 1));
  protected readonly weathers = options([-20, -10, 0, 10, 20, 30], (value) => this.#figures.format().celsius(value));
  protected readonly idles = options([0, 0.3, 0.6, 1], (value) => `${value * 100} %`);
  protected readonly loads = [
    { value: 'off' as const, label: 'Few' },
    { value: 'on' as const, label: 'Lamps, blower' },
    { value: 'full' as const, label: 'All' },
  ];
  protected readonly told = computed(() => {
    const { plain } = this.#figures.format();
    const { minutesADay, standsDays, ahAStart, idleAmps, drivingAmps } = shortTrips(
      this.system(),
      this.measures(),
      this.given(),
    );
    return {
      minutes:
        minutesADay === null ? 'no driving does: more is used than comes back' : `${plain(minutesADay, 0)} min a day`,
      stands: standsDays === null ? 'the drain was not read' : `${plain(standsDays, 0)} days`,
      start: `${plain(ahAStart, 2)} Ah`,
      back: `${plain(idleAmps, 0)} A, ${plain(drivingAmps, 0)} A`,
    };
  });
  protected set(change: Partial<TripAssumptions>): void {
    this.given.update((before) => ({ ...before, ...change }));
  }
}
