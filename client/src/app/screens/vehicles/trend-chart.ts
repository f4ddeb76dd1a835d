import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { SERIES } from '@tetrad/core/trends';
import type { FittedBattery, KindBand, Projection, Trend } from '@tetrad/core/trends';
import { Chart, Filler, LineController, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import type { ChartConfiguration } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import { Figures } from '../../device/figures';
import { ChartCanvas } from '../../kit/chart-canvas';
import type { Drawn } from '../../kit/chart-canvas';
import type { ChartTheme } from '../../kit/chart-theme';
import { SHOWN } from '../../vehicles/series-figures';

Chart.register(Filler, LineController, LineElement, LinearScale, PointElement, Tooltip, annotation);

const dateOf = (ms: number): string =>
  new Date(ms).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });
const monthOf = (ms: number): string => new Date(ms).toLocaleDateString(undefined, { month: 'short', year: '2-digit' });

/** One series over the visits, with what each figure may be wrong, battery changes, and when its limit is reached. */
@Component({
  selector: 'tt-trend-chart',
  imports: [ChartCanvas],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<tt-chart [label]="label()" [drawn]="drawn()" />`,
})
export class TrendChart {
  readonly #figures = inject(Figures);
  readonly trend = input.required<Trend>();
  readonly batteries = input.required<readonly FittedBattery[]>();
  /** Where the series has a limit. */
  readonly limit = input<number | null>(null);
  readonly projection = input<Projection | null>(null);
  /** What vehicles of the same kind show. */
  readonly kind = input<KindBand | null>(null);
  protected readonly label = computed(() => `${SERIES[this.trend().series].name} over the visits`);

  protected readonly drawn = computed((): Drawn => {
    const { series, segments } = this.trend();
    const { unit } = SERIES[series];
    const { times, sign, decimals } = SHOWN[unit];
    const { plain } = this.#figures.format();
    const [limit, projection, batteries] = [this.limit(), this.projection(), this.batteries()];
    const kind = this.kind();
    return (theme) => {
      const { amps, soft, line, sans } = theme;
      const font = { family: sans, size: 13 };
      const sets = segments.flatMap((segment): ChartConfiguration['data']['datasets'] => {
        const at = (shift: -1 | 0 | 1) =>
          segment.map(({ at: when, value, spread }) => ({ x: Date.parse(when), y: (value + shift * spread) * times }));
        const edge = { borderWidth: 0, pointRadius: 0, pointHitRadius: 0, backgroundColor: theme.band };
        return [
          { data: at(0), borderColor: amps, backgroundColor: amps, pointRadius: 4, borderWidth: 2 },
          { data: at(1), ...edge, fill: '+1' },
          { data: at(-1), ...edge },
        ];
      });
      return {
        type: 'line',
        data: { datasets: sets },
        options: {
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              type: 'linear',
              grace: '3%',
              ticks: { color: soft, font, maxTicksLimit: 8, callback: (value) => monthOf(Number(value)) },
              grid: { color: line },
              ...(projection && { suggestedMax: (projection.late ?? projection.early).getTime() }),
            },
            y: {
              grace: '10%',
              ticks: { color: soft, font, callback: (value) => plain(Number(value), decimals) },
              grid: { color: line },
              title: { display: true, text: sign, color: soft, font },
              ...(limit !== null && { suggestedMin: limit * times * 0.95 }),
            },
          },
          plugins: {
            legend: { display: false },
            tooltip: {
              callbacks: {
                title: ([item]) => (item ? dateOf(Number(item.parsed.x)) : ''),
                label: ({ parsed }) => `${plain(Number(parsed.y), decimals)} ${sign}`,
              },
            },
            annotation: {
              annotations: [
                ...(kind ? [kindMark(theme, kind.low * times, kind.high * times)] : []),
                ...marks(theme, limit === null ? null : limit * times, projection, batteries),
              ],
            },
          },
        },
      };
    };
  });
}

/** The band of the vehicles of the same kind, behind everything. */
const kindMark = ({ line }: ChartTheme, low: number, high: number): AnnotationOptions => ({
  type: 'box',
  yMin: low,
  yMax: high,
  backgroundColor: line,
  borderWidth: 0,
  drawTime: 'beforeDatasetsDraw',
});

/** The limit, the band in which it is reached, and each new battery. */
function marks(
  { cursor, soft, amps, sans }: ChartTheme,
  limit: number | null,
  projection: Projection | null,
  batteries: readonly FittedBattery[],
): AnnotationOptions[] {
  const font = { family: sans, size: 12 };
  const changes = batteries.slice(1).map((battery): AnnotationOptions => ({
    type: 'line',
    xMin: Date.parse(battery.at),
    xMax: Date.parse(battery.at),
    borderColor: soft,
    borderDash: [4, 4],
    borderWidth: 1,
    label: {
      display: true,
      content: 'new battery',
      position: 'start',
      font,
      color: soft,
      backgroundColor: 'transparent',
    },
  }));
  if (limit === null) return changes;
  const line: AnnotationOptions = { type: 'line', yMin: limit, yMax: limit, borderColor: cursor, borderWidth: 1 };
  if (!projection) return [...changes, line];
  const reached: AnnotationOptions = {
    type: 'line',
    yMin: limit,
    yMax: limit,
    xMin: projection.early.getTime(),
    ...(projection.late && { xMax: projection.late.getTime() }),
    borderColor: amps,
    borderWidth: 6,
  };
  return [...changes, line, reached];
}
