import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { workOut } from '@tetrad/core/desk';
import type { Sum, SumEntries } from '@tetrad/core/desk';
import { Chart, LineController, LineElement, LinearScale, PointElement } from 'chart.js';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';

Chart.register(LineController, LineElement, LinearScale, PointElement);

const POINTS = 60;

/** A result of a sum along one of its entries, with the point that is entered. */
@Component({
  selector: 'tt-desk-picture',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<tt-chart [label]="label()" [drawn]="drawn()" />`,
  styles: `
    tt-chart {
      height: 180px;
    }
  `,
})
export class DeskPicture {
  readonly sum = input.required<Sum>();
  readonly entries = input.required<SumEntries>();
  readonly #along = computed(() => {
    const { inputs, picture } = this.sum();
    const found = inputs.find(({ name }) => name === picture?.along);
    if (found?.kind !== 'figure') throw new Error(`${this.sum().id} has no figure ${picture?.along}`);
    return found;
  });
  protected readonly label = computed(() => `${this.sum().name} along ${this.#along().label.toLowerCase()}`);
  /** Around what is entered: the whole domain of most sums is much wider than anybody asks. */
  readonly #points = computed(() => {
    const { name, min, max } = this.#along();
    const now = Number(this.entries()[name]);
    const reach = Math.max(Math.abs(now), (max - min) / 20);
    const [from, to] = [Math.max(min, now - reach), Math.min(max, now + reach)];
    const at = this.sum().picture!.shows;
    return Array.from({ length: POINTS + 1 }, (_, step) => {
      const x = from + ((to - from) * step) / POINTS;
      const worked = workOut(this.sum(), { ...this.entries(), [name]: x });
      return { x, y: worked.ok ? (worked.results[at]?.value ?? null) : null };
    });
  });
  readonly #now = computed(() => {
    const worked = workOut(this.sum(), this.entries());
    const y = worked.ok ? (worked.results[this.sum().picture!.shows]?.value ?? null) : null;
    return { x: Number(this.entries()[this.#along().name]), y };
  });
  protected readonly drawn = computed((): Drawn => {
    const [points, now, { unit: across }] = [this.#points(), this.#now(), this.#along()];
    const worked = workOut(this.sum(), this.entries());
    const up = worked.ok ? (worked.results[this.sum().picture!.shows]?.unit ?? '') : '';
    return ({ volts, amps, soft, line, sans }) => {
      const font = { family: sans, size: 12 };
      const axis = (text: string) => ({
        type: 'linear' as const,
        ticks: { color: soft, font },
        grid: { color: line },
        title: { display: true, text, color: soft, font },
      });
      return {
        type: 'line',
        data: {
          datasets: [
            { data: points, borderColor: volts, borderWidth: 2, pointRadius: 0 },
            { data: [now], borderColor: amps, backgroundColor: amps, pointRadius: 5, showLine: false },
          ],
        },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: { x: axis(across), y: axis(up) },
          plugins: { legend: { display: false }, tooltip: { enabled: false } },
        },
      };
    };
  });
}
