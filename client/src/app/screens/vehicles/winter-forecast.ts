import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { System } from '@tetrad/core';
import { FIRES_FROM_RPM, willItStart } from '@tetrad/core/trends';
import type { Change, Measure } from '@tetrad/core/trends';
import { Chart, Filler, LineController, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import { Figures } from '../../device/figures';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';
import { Segmented } from '../../kit/segmented';

Chart.register(Filler, LineController, LineElement, LinearScale, PointElement, Tooltip);

const CHARGES = [
  { value: 1, label: 'Full' },
  { value: 0.75, label: '75 %' },
  { value: 0.5, label: 'Half' },
];
const CHANGES: readonly { readonly value: Change | 'none'; readonly label: string }[] = [
  { value: 'none', label: 'As it is' },
  { value: 'new-battery', label: 'New battery' },
  { value: 'repaired-ground', label: 'Ground repaired' },
];

/** Will it start: cranking speed by temperature from the newest readings, and what a repair would change. */
@Component({
  selector: 'tt-winter-forecast',
  imports: [ChartCanvas, Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="row">
      <tt-segmented label="Battery charge" [options]="charges" [value]="charge()" (valueChange)="charge.set($event!)" />
      <tt-segmented label="With" [options]="changes" [value]="change()" (valueChange)="change.set($event!)" />
      <p role="status">
        <strong>{{ says() }}</strong>
      </p>
    </div>
    <tt-chart label="Cranking speed by temperature" [drawn]="drawn()" />
    <p class="soft">
      From the newest readings; what was not read is taken as in a sound vehicle. An engine fires from about
      {{ firesFrom }} rpm. The band holds four of five.
    </p>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 12px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: 8px 24px;
    }
    p {
      margin: 0;
    }
  `,
})
export class WinterForecast {
  readonly #figures = inject(Figures);
  readonly system = input.required<System>();
  readonly measures = input.required<readonly Measure[]>();
  protected readonly charges = CHARGES;
  protected readonly changes = CHANGES;
  protected readonly firesFrom = FIRES_FROM_RPM;
  protected readonly charge = signal(1);
  protected readonly change = signal<Change | 'none'>('none');

  readonly #forecast = computed(() => {
    const change = this.change();
    const assumed = { charge: this.charge() };
    return willItStart(this.system(), this.measures(), assumed, change === 'none' ? undefined : change);
  });
  protected readonly says = computed(() => {
    const { startsDownTo, points } = this.#forecast();
    const coldest = points[0]!.celsius;
    if (startsDownTo === null) return 'It does not start at any temperature.';
    const celsius = this.#figures.format().celsius(startsDownTo);
    return startsDownTo <= coldest ? `Starts at ${celsius} and colder.` : `Starts down to ${celsius}.`;
  });
  protected readonly drawn = computed((): Drawn => {
    const { points } = this.#forecast();
    const format = this.#figures.format();
    return ({ amps, soft, line, band, sans }) => {
      const font = { family: sans, size: 13 };
      const edge = { borderWidth: 0, pointRadius: 0, pointHitRadius: 0, backgroundColor: band };
      return {
        type: 'line',
        data: {
          datasets: [
            {
              data: points.map(({ celsius, rpm }) => ({ x: celsius, y: rpm })),
              borderColor: amps,
              backgroundColor: amps,
              pointRadius: 3,
            },
            { data: points.map(({ celsius, fastest }) => ({ x: celsius, y: fastest })), ...edge, fill: '+1' },
            { data: points.map(({ celsius, slowest }) => ({ x: celsius, y: slowest })), ...edge },
            {
              data: points.map(({ celsius }) => ({ x: celsius, y: FIRES_FROM_RPM })),
              borderColor: soft,
              borderDash: [6, 4],
              borderWidth: 1,
              pointRadius: 0,
              pointHitRadius: 0,
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              min: points[0]!.celsius,
              max: points.at(-1)!.celsius,
              ticks: { color: soft, font, stepSize: 10, callback: (value) => format.celsius(Number(value)) },
              grid: { color: line },
            },
            y: {
              min: 0,
              ticks: { color: soft, font },
              grid: { color: line },
              title: { display: true, text: 'rpm while cranking', color: soft, font },
            },
          },
          plugins: {
            legend: { display: false },
            tooltip: {
              callbacks: {
                title: ([item]) => (item ? format.celsius(Number(item.parsed.x)) : ''),
                label: ({ dataIndex }) => {
                  const { volts, rpm } = points[dataIndex]!;
                  return `${format.plain(rpm, 0)} rpm, ${format.volts(volts)} at the posts`;
                },
              },
            },
          },
        },
      };
    };
  });
}
