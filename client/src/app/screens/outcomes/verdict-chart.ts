import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { OutcomeCount } from '@tetrad/core/outcomes';
import { BarController, BarElement, CategoryScale, Chart, Legend, LinearScale, Tooltip } from 'chart.js';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';

Chart.register(BarController, BarElement, CategoryScale, Legend, LinearScale, Tooltip);

export interface VerdictBar {
  readonly name: string;
  readonly count: OutcomeCount;
}
const ROW_PX = 36;
const AROUND_PX = 72;

/** Jobs of each verdict, by what became of the complaint. */
@Component({
  selector: 'tt-verdict-chart',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<tt-chart
    label="Jobs of each verdict by what became of the complaint"
    [drawn]="drawn()"
    [style.height.px]="high()"
  />`,
})
export class VerdictChart {
  readonly bars = input.required<readonly VerdictBar[]>();
  protected readonly high = computed(() => AROUND_PX + ROW_PX * this.bars().length);

  protected readonly drawn = computed((): Drawn => {
    const bars = this.bars();
    return ({ within, outside, line, soft, sans }) => {
      const font = { family: sans, size: 13 };
      const set = (label: string, color: string, of: (count: OutcomeCount) => number) => ({
        label,
        data: bars.map(({ count }) => of(count)),
        backgroundColor: color,
        maxBarThickness: 20,
      });
      return {
        type: 'bar',
        data: {
          labels: bars.map(({ name }) => name),
          datasets: [
            set('gone', within, ({ gone }) => gone),
            set('still there or back', outside, ({ back }) => back),
            set('not recorded', line, ({ unknown }) => unknown),
          ],
        },
        options: {
          animation: false,
          indexAxis: 'y',
          maintainAspectRatio: false,
          scales: {
            x: { stacked: true, ticks: { color: soft, font, precision: 0 }, grid: { color: line } },
            y: { stacked: true, ticks: { color: soft, font }, grid: { display: false } },
          },
          plugins: { legend: { position: 'bottom', labels: { color: soft, font, boxWidth: 14 } } },
        },
      };
    };
  });
}
