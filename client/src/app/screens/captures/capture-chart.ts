import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  model,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { Chart, LineController, LineElement, LinearScale, PointElement, Tooltip } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import type { AnnotationOptions } from 'chartjs-plugin-annotation';
import zoom from 'chartjs-plugin-zoom';
import type { Capture } from '@tetrad/core/capture-format';
import type { OpenCapture } from '../../captures/open-capture';
import { Theme } from '../../device/theme';
import { bindKeys, isWriting } from '../../kit/keys/bind-keys';
import { chartTheme } from '../../kit/chart-theme';
import { axes, dataset, markCursors, points, segmentBoxes } from './chart-dress';
import type { Cursors } from './chart-dress';
import { CLOSEST_S, panned, within, zoomed } from './stretch';
import type { Stretch } from './stretch';

Chart.register(LineController, LineElement, LinearScale, PointElement, Tooltip, annotation, zoom);

/** Another capture beneath, moved so that both cranks begin together. */
export interface Beneath {
  readonly open: OpenCapture;
  /** Added to its times, s. */
  readonly shiftS: number;
}

/** Choices that move with the arrows themselves. */
const OWN_ARROWS = '[role=combobox], [role=listbox], [role=radio], [role=radiogroup], [role=group], textarea';
/** A key moves a cursor by this share of what is seen. */
const CURSOR_STEP = 1 / 200;
const ZOOM_STEP = 1.4;
const WHEEL_STEP = 1.18;
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
    [attr.aria-label]="label() + ', ' + seenWords()"
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
  /** What the chart was dressed for: colours, axes and segments change with these only. */
  #dressed: readonly unknown[] = [];

  constructor() {
    afterNextRender(() => this.#ready.set(this.#make()));
    inject(DestroyRef).onDestroy(() => this.#ready()?.destroy());
    const unlessWriting = (act: () => void) => (event: KeyboardEvent) => (isWriting(event) ? false : act());
    bindKeys('Captures', {
      closer: unlessWriting(() => this.#zoomBy(1 / ZOOM_STEP)),
      further: unlessWriting(() => this.#zoomBy(ZOOM_STEP)),
      whole: unlessWriting(() => this.whole()),
      left: this.#sideways(-1),
      right: this.#sideways(1),
      back: unlessWriting(() => this.#pan(-1)),
      onward: unlessWriting(() => this.#pan(1)),
      a: unlessWriting(() => this.moving.set('a')),
      b: unlessWriting(() => this.moving.set('b')),
    });
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

  /** Which stretch is seen, s, for who cannot see the axis. */
  protected readonly seenWords = computed(() => {
    const seen = this.seen();
    return seen ? `seen from ${seen.fromS.toFixed(4)} to ${seen.toS.toFixed(4)} s` : 'all of it seen';
  });

  /** Shows all of the record. */
  whole(): void {
    this.seen.set(null);
  }

  /** A turn of the wheel goes closer or further around the place under the pointer. */
  protected turn(event: WheelEvent): void {
    const x = this.#ready()?.scales['x'];
    const at = x?.getValueForPixel(event.offsetX);
    if (at === undefined) return;
    event.preventDefault();
    this.#zoomBy(event.deltaY < 0 ? 1 / WHEEL_STEP : WHEEL_STEP, at);
  }

  /** Left and right belong to choices that have them. */
  readonly #sideways = (by: number) => (event: KeyboardEvent) => {
    if (isWriting(event) || (event.target as Element).closest?.(OWN_ARROWS)) return false;
    const { fromS, toS } = this.#range();
    this.#put((this.cursors()[this.moving()] ?? (fromS + toS) / 2) + by * (toS - fromS) * CURSOR_STEP);
    return undefined;
  };
  #pan(by: 1 | -1): void {
    this.#see(panned(this.#range(), by));
  }

  #make(): Chart<'line'> {
    const follow = ({ chart }: { readonly chart: Chart }): void => {
      const x = chart.scales['x'];
      if (x) this.#see({ fromS: x.min, toS: x.max });
    };
    // a drag moves what is seen and never spreads it
    const shift = ({ chart }: { readonly chart: Chart }): void => {
      const { fromS, toS } = this.#range();
      const from = chart.scales['x']?.min ?? fromS;
      this.#see({ fromS: from, toS: from + toS - fromS });
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
            pan: { enabled: true, mode: 'x', onPan: shift },
            // the wheel is ours: the plugin would draw every turn once more than is needed
            zoom: { wheel: { enabled: false }, pinch: { enabled: true }, mode: 'x', onZoom: follow },
            limits: { x: { minRange: CLOSEST_S } },
          },
        },
      },
    });
  }

  #range(): Stretch {
    return this.seen() ?? { fromS: 0, toS: this.capture().seconds };
  }
  #see(stretch: Stretch): void {
    this.seen.set(within(stretch, this.capture().seconds));
  }
  /** @param around Where the time stays; the cursor where it is seen. */
  #zoomBy(factor: number, around: number | null = null): void {
    const range = this.#range();
    const at = around ?? this.cursors()[this.moving()] ?? (range.fromS + range.toS) / 2;
    this.#see(zoomed(range, factor, at));
  }
  #put(at: number): void {
    const place = Math.max(0, Math.min(this.capture().seconds, at));
    this.cursors.update((cursors) => ({ ...cursors, [this.moving()]: place }));
  }

  async #draw(chart: Chart<'line'>, what: What): Promise<void> {
    const { open, beneath, coupled, fromS, toS, capture } = what;
    const asked = ++this.#asked;
    const columns = Math.max(200, Math.min(1600, Math.round(chart.width)));
    const shift = beneath?.shiftS ?? 0;
    const [own, other] = await Promise.all([
      open.view(fromS, toS, columns, coupled),
      beneath ? beneath.open.view(fromS - shift, toS - shift, columns, coupled) : [],
    ]);
    if (asked !== this.#asked) return; // something newer is being drawn
    const dressed = [capture, this.#theme.name(), coupled, own.length, other.length];
    if (dressed.some((part, at) => part !== this.#dressed[at])) {
      this.#dressed = dressed;
      const theme = chartTheme(this.canvas().nativeElement);
      chart.data.datasets = [
        ...own.map((drawn) => dataset(drawn, theme, false)),
        ...other.map((drawn) => dataset(drawn, theme, true)),
      ];
      const hasAmps = chart.data.datasets.some(({ yAxisID }) => yAxisID === 'amps');
      chart.options.scales = axes(theme, coupled, hasAmps);
      chart.options.plugins!.annotation!.annotations = segmentBoxes(theme, capture);
      this.#mark(chart, this.cursors());
    }
    [...own, ...other].forEach((drawn, at) => {
      chart.data.datasets[at]!.data = points(drawn, at < own.length ? 0 : shift);
    });
    Object.assign(chart.options.scales!['x']!, { min: fromS, max: toS });
    chart.update('none');
  }

  #mark(chart: Chart<'line'>, cursors: Cursors): void {
    const marks = chart.options.plugins!.annotation!.annotations as Record<string, AnnotationOptions>;
    markCursors(marks, chartTheme(this.canvas().nativeElement), cursors);
  }
}

interface What extends Stretch {
  readonly open: OpenCapture;
  readonly beneath: Beneath | null;
  readonly coupled: boolean;
  readonly capture: Capture;
}
