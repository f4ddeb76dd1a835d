import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FAULTS, stepName } from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import type { Done } from '@tetrad/core/practice';
import {
  CategoryScale,
  Chart,
  Legend,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
} from 'chart.js';
import { ChartCanvas } from '../kit/chart-canvas';
import type { Drawn } from '../kit/chart-canvas';

Chart.register(CategoryScale, Legend, LineController, LineElement, LinearScale, PointElement, Tooltip);

/** Faults that are drawn: more lines cannot be told apart. */
const MAX_LINES = 4;
const DASHES = [[], [8, 4], [2, 3], [10, 3, 2, 3]] as const;

/** What was believed after each step of a visit. */
@Component({
  selector: 'tt-belief-chart',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<tt-chart label="Probability of the likeliest faults after each step" [drawn]="drawn()" />`,
})
export class BeliefChart {
  readonly done = input.required<readonly Done[]>();

  protected readonly drawn = computed((): Drawn => {
    const done = this.done();
    return ({ amps, volts, cursor, other, soft, line, sans }) => {
      const highest = new Map<FaultName, number>();
      for (const { believed } of done)
        for (const { fault, probability } of believed)
          highest.set(fault, Math.max(highest.get(fault) ?? 0, probability));
      const told = [...highest].sort((a, b) => b[1] - a[1]).slice(0, MAX_LINES);
      const colors = [amps, volts, cursor, other];
      const percentAt = ({ believed }: Done, fault: FaultName): number =>
        100 * (believed.find((one) => one.fault === fault)?.probability ?? 0);
      const font = { family: sans, size: 13 };
      const axis = { ticks: { color: soft, font }, grid: { color: line } };
      return {
        type: 'line',
        data: {
          labels: done.map(({ step }) => stepName(step)),
          datasets: told.map(([fault], at) => ({
            label: FAULTS[fault].name,
            data: done.map((one) => percentAt(one, fault)),
            borderColor: colors[at],
            borderDash: [...DASHES[at]!],
            pointRadius: 2,
          })),
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: axis,
            y: { ...axis, min: 0, max: 100, title: { display: true, text: '%', color: soft, font } },
          },
          plugins: { legend: { labels: { color: volts, font, boxHeight: 0 } } },
        },
      };
    };
  });
}
