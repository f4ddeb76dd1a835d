import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { PracticeResult } from '@tetrad/core';
import { Chart, LineController, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';

Chart.register(LineController, LineElement, LinearScale, PointElement, Tooltip);

const dayOf = (ms: number): string => new Date(ms).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** The points of each call of one person over time. */
@Component({
  selector: 'tt-points-chart',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<tt-chart [label]="'Points of ' + who() + ' over time'" [drawn]="drawn()" />`,
  styles: `
    tt-chart {
      height: 200px;
    }
  `,
})
export class PointsChart {
  readonly who = input.required<string>();
  /** The oldest first. */
  readonly results = input.required<readonly PracticeResult[]>();

  protected readonly drawn = computed((): Drawn => {
    const results = this.results();
    return ({ amps, soft, line, sans }) => {
      const font = { family: sans, size: 13 };
      const axis = { grid: { color: line } };
      return {
        type: 'line',
        data: {
          datasets: [
            {
              data: results.map(({ at, points }) => ({ x: Date.parse(at), y: points })),
              borderColor: amps,
              backgroundColor: amps,
              pointRadius: 4,
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              ...axis,
              type: 'linear',
              grace: '5%',
              ticks: { color: soft, font, maxTicksLimit: 6, callback: (value) => dayOf(Number(value)) },
            },
            y: { ...axis, min: 0, max: 100, ticks: { color: soft, font, stepSize: 25 } },
          },
          plugins: {
            legend: { display: false },
            tooltip: {
              callbacks: {
                title: ([item]) => (item ? dayOf(Number(item.parsed.x)) : ''),
                label: ({ dataIndex }) => {
                  const { title, points } = results[dataIndex]!;
                  return `${title}: ${points} points`;
                },
              },
            },
          },
        },
      };
    };
  });
}
