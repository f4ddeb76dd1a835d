import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { BALANCED, limitsOf } from '@tetrad/core';
import { SERIES, projectFall } from '@tetrad/core/trends';
import type { SeriesName } from '@tetrad/core/trends';
import { Figures } from '../../device/figures';
import { Select } from '../../kit/select';
import { seriesFigure } from '../../vehicles/series-figures';
import { VehicleHistory } from '../../vehicles/vehicle-history';
import { TrendChart } from './trend-chart';

const monthOf = (date: Date): string => date.toLocaleDateString('en', { month: 'long', year: 'numeric' });

/** One series at a time over the visits, with its newest figure and when its limit is reached. */
@Component({
  selector: 'tt-vehicle-trends',
  imports: [Select, TrendChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (trend(); as shown) {
      <div class="row">
        <tt-select
          label="What is followed"
          [quiet]="true"
          [options]="names()"
          [value]="shown.series"
          (valueChange)="chosen.set($event!)"
        />
        <p>
          <span class="figure now">{{ newest() }}</span> <span class="soft">{{ conditions() }}</span>
        </p>
        @if (kind(); as band) {
          <p class="soft">pale: four of five of {{ band.vehicles }} vehicles of its kind</p>
        }
        @if (ahead(); as words) {
          <p role="status">
            <strong>{{ words }}</strong>
          </p>
        }
      </div>
      <tt-trend-chart
        [trend]="shown"
        [batteries]="changes()"
        [limit]="limit()"
        [projection]="projection()"
        [kind]="kind()"
      />
    } @else {
      <p class="soft">Nothing was measured yet that can be followed.</p>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 24px;
    }
    tt-select {
      flex: 0 1 320px;
    }
    p {
      display: flex;
      align-items: baseline;
      gap: 8px;
      margin: 0;
    }
    .now {
      font-size: var(--text-lg);
    }
  `,
})
export class VehicleTrends {
  readonly #figures = inject(Figures);
  readonly #history = inject(VehicleHistory);
  protected readonly names = computed(() =>
    this.#history.trends().trends.map(({ series }) => ({ value: series, label: SERIES[series].name })),
  );
  protected readonly chosen = linkedSignal<SeriesName | null>(() => this.names()[0]?.value ?? null);
  protected readonly trend = computed(
    () => this.#history.trends().trends.find(({ series }) => series === this.chosen()) ?? null,
  );
  protected readonly changes = computed(() => {
    const trend = this.trend();
    return trend && SERIES[trend.series].isOfBattery ? this.#history.trends().batteries : [];
  });
  /** The limit of a battery's health, from the limit set. */
  protected readonly limit = computed(() => {
    if (!this.trend()?.series.startsWith('health-')) return null;
    const [limit] = limitsOf(BALANCED, 'conductance');
    return limit?.rule.kind === 'rated-share' ? limit.rule.minShare : null;
  });
  /** What four of five vehicles of the same kind show. */
  protected readonly kind = computed(
    () => this.#history.bands().find(({ series }) => series === this.trend()?.series) ?? null,
  );
  readonly #current = computed(() => this.trend()?.segments.at(-1) ?? []);
  protected readonly projection = computed(() => {
    const limit = this.limit();
    return limit === null ? null : projectFall(this.#current(), limit);
  });
  protected readonly newest = computed(() => {
    const trend = this.trend();
    const last = this.#current().at(-1);
    return trend && last ? seriesFigure(this.#figures.format(), SERIES[trend.series].unit, last.value) : '';
  });
  protected readonly conditions = computed(() => {
    const trend = this.trend();
    const count = this.#current().length;
    const visits = count === 1 ? 'one visit' : `${count} visits`;
    return trend && [SERIES[trend.series].conditions, visits].filter(Boolean).join(', ');
  });
  /** When the limit is reached; that nothing can be said yet. */
  protected readonly ahead = computed(() => {
    const [limit, projection] = [this.limit(), this.projection()];
    if (limit === null) return null;
    const percent = `${this.#figures.format().plain(limit * 100, 0)} %`;
    if (projection === null) return `${percent}: nothing can be said yet`;
    const { early, late } = projection;
    if (late === null) return `${percent}: not before ${monthOf(early)}`;
    const [from, to] = [monthOf(early), monthOf(late)];
    return from === to ? `${percent}: ${from}` : `${percent}: ${from} to ${to}`;
  });
}
