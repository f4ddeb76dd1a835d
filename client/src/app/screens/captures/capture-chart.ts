import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  effect,
  inject,
  input,
  model,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Chart, LineController, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import type { ChartDataset } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import zoom from 'chartjs-plugin-zoom';
import type { Capture, SegmentKind } from '@tetrad/core/capture-format';
import type { OpenCapture } from '../../captures/open-capture';
import type { Drawn } from '../../captures/worker-messages';
import { Theme } from '../../device/theme';
import { chartTheme } from './chart-theme';
import type { ChartTheme } from './chart-theme';

Chart.register(LineController, LineElement, LinearScale, PointElement, Tooltip, annotation, zoom);

/** A stretch of time, s from the begin of the record. */
export interface Stretch {
  readonly fromS: number;
  readonly toS: number;
}
/** Two places in time; null for one that is not set. */
export interface Cursors {
  readonly a: number | null;
  readonly b: number | null;
}

/** Another capture beneath, moved so that both cranks begin together. */
export interface Beneath {
  readonly open: OpenCapture;
  /** Added to its times, s. */
  readonly shiftS: number;
}

export const SEGMENT_NAMES: Readonly<Record<SegmentKind, string>> = {
  rest: 'Rest',
  'key-on': 'Key on',
  inrush: 'Inrush',
  crank: 'Crank',
  recovery: 'Recovery',
  charging: 'Charging',
};
/** Closer than this nothing more is seen, s. */
const CLOSEST_S = 2e-4;
/** A key moves a cursor, and pans, by these shares of what is seen. */
const CURSOR_STEP = 1 / 200;
const PAN_STEP = 1 / 8;
const ZOOM_STEP = 1.4;
/** A segment narrower than this share of what is seen is not named. */
const NAMED_FROM = 0.045;

/**
 * The waveform: volts and amps on their own axes, segments shaded, two cursors. The worker gives what is seen, a
 * few thousand points however long the record.
 */
@Component({
  selector: 'tt-capture-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas
    #canvas
    tabindex="0"
    role="img"
    [attr.aria-label]="label()"
    (keydown)="key($event)"
    (dblclick)="whole()"
  ></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      min-height: 0;
    }
    canvas {
      position: absolute;
      inset: 0;
    }
  `,
})
export class CaptureChart {
  readonly open = input.required<OpenCapture>();
  readonly capture = input.required<Capture>();
  readonly beneath = input<Beneath | null>(null);
  /** Volts without their level. */
  readonly coupled = input(false);
  readonly label = input.required<string>();
  /** What is seen; null is all of it. */
  readonly seen = model<Stretch | null>(null);
  readonly cursors = model<Cursors>({ a: null, b: null });
  /** Which cursor a click or an arrow moves. */
  readonly moving = model<'a' | 'b'>('a');

  protected readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  readonly #theme = inject(Theme);
  readonly #ready = signal<Chart<'line'> | null>(null);
  #asked = 0;

  constructor() {
    afterNextRender(() => this.#ready.set(this.#make()));
    inject(DestroyRef).onDestroy(() => this.#ready()?.destroy());
    effect(() => {
      const chart = this.#ready();
      const capture = this.capture();
      const all = { fromS: 0, toS: capture.seconds };
      const { fromS, toS } = this.seen() ?? all;
      const [open, beneath, coupled] = [this.open(), this.beneath(), this.coupled()];
      this.#theme.name();
      if (chart) untracked(() => void this.#draw(chart, { open, beneath, coupled, fromS, toS, capture }));
    });
    effect(() => {
      const chart = this.#ready();
      const cursors = this.cursors();
      if (!chart) return;
      untracked(() => this.#mark(chart, cursors));
      chart.update('none');
    });
  }

  /** Shows all of the record. */
  whole(): void {
    this.seen.set(null);
  }

  protected key(event: KeyboardEvent): void {
    const { fromS, toS } = this.#range();
    const span = toS - fromS;
    const sideways = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    if (sideways !== 0 && event.shiftKey)
      this.#see(fromS + sideways * span * PAN_STEP, toS + sideways * span * PAN_STEP);
    else if (sideways !== 0) {
      const at = this.cursors()[this.moving()] ?? (fromS + toS) / 2;
      this.#put(at + sideways * span * CURSOR_STEP);
    } else if (event.key === '+' || event.key === '=') this.#zoomBy(1 / ZOOM_STEP);
    else if (event.key === '-') this.#zoomBy(ZOOM_STEP);
    else if (event.key === '0') this.whole();
    else if (event.key === 'a' || event.key === 'b') this.moving.set(event.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  #make(): Chart<'line'> {
    const follow = ({ chart }: { readonly chart: Chart }): void => {
      const x = chart.scales['x'];
      if (x) this.#see(x.min, x.max);
    };
    return new Chart(this.canvas().nativeElement, {
      type: 'line',
      data: { datasets: [] },
      options: {
        animation: false,
        parsing: false,
        normalized: true,
        responsive: true,
        maintainAspectRatio: false,
        elements: { point: { radius: 0, hitRadius: 0 }, line: { borderWidth: 1.25, tension: 0 } },
        scales: { x: { type: 'linear' }, volts: { position: 'left' }, amps: { position: 'right' } },
        onClick: (event, _elements, chart) => {
          const at = event.x === null ? undefined : chart.scales['x']?.getValueForPixel(event.x);
          if (at !== undefined) this.#put(at);
        },
        plugins: {
          tooltip: { enabled: false },
          annotation: { annotations: {} },
          zoom: {
            pan: { enabled: true, mode: 'x', onPan: follow },
            zoom: { wheel: { enabled: true, speed: 0.15 }, pinch: { enabled: true }, mode: 'x', onZoom: follow },
            limits: { x: { minRange: CLOSEST_S } },
          },
        },
      },
    });
  }

  #range(): Stretch {
    return this.seen() ?? { fromS: 0, toS: this.capture().seconds };
  }
  #see(fromS: number, toS: number): void {
    const end = this.capture().seconds;
    const span = Math.min(end, Math.max(CLOSEST_S, toS - fromS));
    const from = Math.max(0, Math.min(end - span, fromS));
    this.seen.set(span >= end ? null : { fromS: from, toS: from + span });
  }
  #zoomBy(factor: number): void {
    const { fromS, toS } = this.#range();
    const at = this.cursors()[this.moving()] ?? (fromS + toS) / 2;
    const middle = at >= fromS && at <= toS ? at : (fromS + toS) / 2;
    this.#see(middle - (middle - fromS) * factor, middle + (toS - middle) * factor);
  }
  #put(at: number): void {
    const place = Math.max(0, Math.min(this.capture().seconds, at));
    this.cursors.update((cursors) => ({ ...cursors, [this.moving()]: place }));
  }

  async #draw(chart: Chart<'line'>, what: What): Promise<void> {
    const { open, beneath, coupled, fromS, toS } = what;
    const asked = ++this.#asked;
    const columns = Math.max(200, Math.min(1600, Math.round(chart.width)));
    const shift = beneath?.shiftS ?? 0;
    const [own, other] = await Promise.all([
      open.view(fromS, toS, columns, coupled),
      beneath ? beneath.open.view(fromS - shift, toS - shift, columns, coupled) : [],
    ]);
    if (asked !== this.#asked) return; // something newer is being drawn
    const theme = chartTheme(this.canvas().nativeElement);
    chart.data.datasets = [
      ...own.map((drawn) => dataset(drawn, theme, 0, false)),
      ...other.map((drawn) => dataset(drawn, theme, shift, true)),
    ];
    this.#axes(
      chart,
      theme,
      what,
      chart.data.datasets.some(({ yAxisID }) => yAxisID === 'amps'),
    );
    this.#shade(chart, theme, what);
    chart.update('none');
  }

  #axes(chart: Chart<'line'>, theme: ChartTheme, { fromS, toS, coupled }: What, hasAmps: boolean): void {
    const font = { family: theme.mono, size: 12 };
    const axis = (text: string, color: string) => ({
      type: 'linear' as const,
      title: { display: true, text, color, font },
      ticks: { color, font, maxTicksLimit: 8 },
      border: { color: theme.line },
    });
    chart.options.scales = {
      x: {
        ...axis('s', theme.soft),
        min: fromS,
        max: toS,
        grid: { color: theme.line },
        ticks: { color: theme.soft, font, maxTicksLimit: 10, includeBounds: false },
      },
      volts: {
        ...axis(coupled ? 'Ripple, V' : 'V', theme.volts),
        position: 'left',
        grace: '4%',
        grid: { color: theme.line },
      },
      amps: { ...axis('A', theme.amps), position: 'right', grace: '4%', display: hasAmps, grid: { display: false } },
    };
  }

  #shade(chart: Chart<'line'>, theme: ChartTheme, { capture, fromS, toS }: What): void {
    const boxes = capture.segments.map((segment, at): [string, AnnotationOptions] => {
      const share = (Math.min(toS, segment.toS) - Math.max(fromS, segment.fromS)) / (toS - fromS);
      return [
        `segment-${at}`,
        {
          type: 'box',
          xMin: segment.fromS,
          xMax: segment.toS,
          backgroundColor: at % 2 === 0 ? theme.band : 'transparent',
          borderWidth: 0,
          drawTime: 'beforeDatasetsDraw',
          label: {
            display: share > NAMED_FROM,
            content: SEGMENT_NAMES[segment.kind],
            position: { x: 'center', y: 'start' },
            color: theme.soft,
            font: { size: 12, weight: 'normal' },
            padding: 4,
          },
        },
      ];
    });
    chart.options.plugins!.annotation!.annotations = Object.fromEntries(boxes);
    this.#mark(chart, this.cursors());
  }

  #mark(chart: Chart<'line'>, cursors: Cursors): void {
    const theme = chartTheme(this.canvas().nativeElement);
    const annotations = chart.options.plugins!.annotation!.annotations as Record<string, AnnotationOptions>;
    for (const name of ['a', 'b'] as const) {
      const at = cursors[name];
      if (at === null) delete annotations[`cursor-${name}`];
      else
        annotations[`cursor-${name}`] = {
          type: 'line',
          xMin: at,
          xMax: at,
          borderColor: theme.cursor,
          borderWidth: 1.5,
          borderDash: name === 'a' ? [] : [4, 3],
          label: {
            display: true,
            content: name.toUpperCase(),
            position: 'end',
            backgroundColor: theme.cursor,
            color: theme.band,
            padding: 3,
            font: { size: 11 },
          },
        };
    }
  }
}

interface What extends Stretch {
  readonly open: OpenCapture;
  readonly beneath: Beneath | null;
  readonly coupled: boolean;
  readonly capture: Capture;
}

function dataset(
  { role, name, seconds, values }: Drawn,
  theme: ChartTheme,
  shiftS: number,
  isBeneath: boolean,
): ChartDataset<'line'> {
  const data = Array.from(seconds, (x, at) => ({ x: x + shiftS, y: values[at]! }));
  const isAmps = role === 'amps';
  return {
    label: name,
    data,
    yAxisID: isAmps ? 'amps' : 'volts',
    borderColor: isAmps ? theme.amps : role === 'volts' ? theme.volts : theme.other,
    ...(isBeneath && { borderDash: [3, 3], borderWidth: 1 }),
  };
}
