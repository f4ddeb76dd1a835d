import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { CalibrationGroup } from '@tetrad/core/outcomes';
import { Chart, LineController, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import { Figures } from '../../device/figures';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';

Chart.register(LineController, LineElement, LinearScale, PointElement, Tooltip);

/** What was said against what was true: a point for each group, its band, and the line on which both are the same. */
@Component({
  selector: 'tt-calibration-chart',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<tt-chart label="How sure Tetrad was against how often it was right" [drawn]="drawn()" />`,
})
export class CalibrationChart {
  readonly #figures = inject(Figures);
  readonly groups = input.required<readonly CalibrationGroup[]>();

  protected readonly drawn = computed((): Drawn => {
    const groups = this.groups();
    const { share: percent } = this.#figures.format();
    return ({ amps, line, soft, sans }) => {
      const font = { family: sans, size: 13 };
      const axis = (text: string) => ({
        type: 'linear' as const,
        min: 0,
        max: 1,
        ticks: { color: soft, font, stepSize: 0.25, callback: (value: string | number) => percent(Number(value)) },
        grid: { color: line },
        title: { display: true, text, color: soft, font },
      });
      return {
        type: 'line',
        data: {
          datasets: [
            {
              data: groups.map(({ said, true: share }) => ({ x: said, y: share })),
              ...{ borderColor: amps, backgroundColor: amps, pointRadius: 6, showLine: false, clip: false as const },
            },
            ...groups.map(({ said, low, high }) => ({
              data: [low, high].map((y) => ({ x: said, y })),
              ...{ borderColor: amps, borderWidth: 2, pointRadius: 0, pointHitRadius: 0 },
            })),
            {
              data: [0, 1].map((share) => ({ x: share, y: share })),
              ...{ borderColor: soft, borderDash: [4, 4], borderWidth: 1, pointRadius: 0, pointHitRadius: 0 },
            },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: { x: axis('said'), y: axis('was right') },
          plugins: {
            legend: { display: false },
            tooltip: {
              filter: ({ datasetIndex }) => datasetIndex === 0,
              callbacks: {
                title: () => '',
                label: ({ dataIndex }) => {
                  const { jobs, said, true: share } = groups[dataIndex]!;
                  return `said ${percent(said)}, right ${percent(share)} of ${jobs}`;
                },
              },
            },
          },
        },
      };
    };
  });
}
