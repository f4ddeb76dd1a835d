import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterRenderEffect,
  inject,
  input,
  viewChild,
} from '@angular/core';
import { Chart } from 'chart.js';
import type { ChartConfiguration } from 'chart.js';
import { chartTheme } from './chart-theme';
import type { ChartTheme } from './chart-theme';

/** How a chart is drawn in the colors around it. */
export type Drawn = (theme: ChartTheme) => ChartConfiguration;

/** A chart of the library in the theme's colors, drawn anew when what it shows changes. Whoever uses it registers its parts. */
@Component({
  selector: 'tt-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<canvas #canvas role="img" [attr.aria-label]="label()"></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 260px;
    }
  `,
})
export class ChartCanvas {
  readonly label = input.required<string>();
  readonly drawn = input.required<Drawn>();
  protected readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  #chart: Chart | null = null;

  constructor() {
    afterRenderEffect(() => {
      const canvas = this.canvas().nativeElement;
      const drawn = this.drawn();
      this.#chart?.destroy();
      this.#chart = new Chart(canvas, drawn(chartTheme(canvas)));
    });
    inject(DestroyRef).onDestroy(() => this.#chart?.destroy());
  }
}
