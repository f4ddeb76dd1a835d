import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { captureOutline } from '@tetrad/core';
import type { OutlinePoint } from '@tetrad/core';
import type { Capture } from '@tetrad/core/capture-format';

const WIDTH = 800;
const HEIGHT = 200;
/** Room for the names of the segments. */
const TOP = 20;
/** A segment narrower than this is not named. */
const NAMED_FROM = 44;

/** A recorded start as a small picture: volts and amps in outline, the segments named. */
@Component({
  selector: 'tt-capture-picture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + WIDTH + ' ' + HEIGHT" role="img" [attr.aria-label]="label()">
      @for (segment of segments(); track segment.x) {
        <rect
          [attr.x]="segment.x"
          y="0"
          [attr.width]="segment.width"
          [attr.height]="HEIGHT"
          [class.odd]="segment.odd"
        />
        @if (segment.name) {
          <text [attr.x]="segment.x + segment.width / 2" y="14">{{ segment.name }}</text>
        }
      }
      @if (amps(); as path) {
        <path class="amps" [attr.d]="path" />
      }
      <path class="volts" [attr.d]="volts()" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      border: 1px solid var(--line);
    }
    rect {
      fill: none;
    }
    rect.odd {
      fill: var(--shade);
    }
    text {
      fill: var(--ink-soft);
      font-size: 12px;
      text-anchor: middle;
    }
    path {
      stroke-width: 1;
    }
    .volts {
      fill: var(--ink);
      stroke: var(--ink);
    }
    .amps {
      fill: var(--copper);
      stroke: var(--copper);
    }
  `,
})
export class CapturePicture {
  readonly capture = input.required<Capture>();
  readonly label = input.required<string>();
  protected readonly WIDTH = WIDTH;
  protected readonly HEIGHT = HEIGHT;

  readonly #outline = computed(() => captureOutline(this.capture()));
  protected readonly segments = computed(() =>
    this.#outline().segments.map(({ kind, x, width }, at) => ({
      x: x * WIDTH,
      width: width * WIDTH,
      odd: at % 2 === 0,
      name: width * WIDTH > NAMED_FROM ? kind.replace('-', ' ') : '',
    })),
  );
  protected readonly volts = computed(() => path(this.#outline().volts));
  protected readonly amps = computed(() => path(this.#outline().amps) || null);
}

const path = (points: readonly OutlinePoint[]): string =>
  points.length === 0
    ? ''
    : `M${points.map(({ x, y }) => `${(x * WIDTH).toFixed(1)},${(TOP + y * (HEIGHT - TOP - 4)).toFixed(1)}`).join('L')}Z`;
