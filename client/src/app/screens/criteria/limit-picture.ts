import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { TESTS, temperatureWords } from '@tetrad/core';
import type { Limit } from '@tetrad/core';
import { Chart, Filler, LineController, LineElement, LinearScale, PointElement } from 'chart.js';
import { limitOverTemperature } from '../../criteria/limit-over-temperature';
import { Figures } from '../../device/figures';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';

Chart.register(Filler, LineController, LineElement, LinearScale, PointElement);

/** A limit over temperature, for a usual 12 V vehicle: the allowed range, and the borderline zone inside of it. */
@Component({
  selector: 'tt-limit-picture',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (points().length > 0) {
      <tt-chart [label]="label()" [drawn]="drawn()" />
      <p class="soft">
        For a usual 12 V vehicle: the allowed range, dashed where it is borderline. {{ temperature() }}
      </p>
    } @else {
      <p class="soft">It depends on more than temperature, or has no range to draw. {{ temperature() }}</p>
    }
  `,
  styles: `
    tt-chart {
      height: 200px;
    }
  `,
})
export class LimitPicture {
  readonly #figures = inject(Figures);
  readonly limit = input.required<Limit>();
  protected readonly label = computed(() => `${TESTS[this.limit().test].name} over temperature`);
  protected readonly temperature = computed(() => temperatureWords(this.limit().temperature));
  protected readonly points = computed(() => limitOverTemperature(this.limit()));
  protected readonly drawn = computed((): Drawn => {
    const points = this.points();
    const format = this.#figures.format();
    const { unit } = TESTS[this.limit().test];
    return ({ volts, soft, line, band, sans }) => {
      const font = { family: sans, size: 12 };
      const edge = (key: 'min' | 'max', fill: false | string) => ({
        data: points.map((point) => ({ x: point.celsius, y: point[key] })),
        borderColor: volts,
        backgroundColor: band,
        borderWidth: 2,
        pointRadius: 0,
        fill,
        spanGaps: false,
      });
      const zone = (key: 'nearMin' | 'nearMax') => ({
        data: points.map((point) => ({ x: point.celsius, y: point[key] })),
        borderColor: soft,
        borderDash: [4, 4],
        borderWidth: 1,
        pointRadius: 0,
        spanGaps: false,
      });
      return {
        type: 'line',
        data: { datasets: [edge('min', '+1'), edge('max', false), zone('nearMin'), zone('nearMax')] },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              ticks: { color: soft, font, callback: (value) => format.celsius(Number(value)) },
              grid: { color: line },
            },
            y: {
              grace: '10%',
              ticks: { color: soft, font },
              grid: { color: line },
              title: { display: true, text: unit, color: soft, font },
            },
          },
          plugins: { legend: { display: false }, tooltip: { enabled: false } },
        },
      };
    };
  });
}
