import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
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

  protected readonly segments = computed(() => {
    const { segments, seconds } = this.capture();
    return segments.map(({ kind, fromS, toS }, at) => {
      const [x, width] = [(WIDTH * fromS) / seconds, (WIDTH * (toS - fromS)) / seconds];
      return { x, width, odd: at % 2 === 0, name: width > NAMED_FROM ? kind.replace('-', ' ') : '' };
    });
  });
  protected readonly volts = computed(() => outline(this.capture().outline?.volts ?? []));
  protected readonly amps = computed(() => {
    const { amps } = this.capture().outline ?? {};
    return amps && amps.length > 0 ? outline(amps) : null;
  });
}

/** A closed shape between the lowest and the highest of every stretch. @param pairs Lowest and highest in turn. */
function outline(pairs: readonly number[]): string {
  if (pairs.length < 4) return '';
  const low = Math.min(...pairs);
  const span = Math.max(...pairs) - low || 1;
  const count = pairs.length / 2;
  const point = (at: number, value: number): string =>
    `${((WIDTH * (at + 0.5)) / count).toFixed(1)},${(HEIGHT - 4 - ((HEIGHT - TOP - 8) * (value - low)) / span).toFixed(1)}`;
  const up = Array.from({ length: count }, (_, at) => point(at, pairs[2 * at + 1]!));
  const down = Array.from({ length: count }, (_, at) => point(count - 1 - at, pairs[2 * (count - 1 - at)]!));
  return `M${[...up, ...down].join('L')}Z`;
}
