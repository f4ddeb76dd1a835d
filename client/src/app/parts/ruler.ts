import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Assessment } from '@tetrad/core';

/** Room left on each side of what must be seen, as a share of it. */
const ROOM = 0.35;

/** A small ruler: the allowed range, its borderline zone, and where the reading stands in it. */
@Component({
  selector: 'tt-ruler',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (scale(); as at) {
      <svg viewBox="0 0 400 40" preserveAspectRatio="none" aria-hidden="true">
        <line class="base" x1="0" x2="400" y1="28" y2="28" />
        <rect class="allowed" [attr.x]="at.from" [attr.width]="at.to - at.from" y="16" height="12" />
        @for (edge of at.edges; track edge) {
          <line class="edge" [attr.x1]="edge" [attr.x2]="edge" y1="8" y2="34" />
        }
        <path [class]="'hand grade-' + at.grade" [attr.d]="'M' + at.value + ' 2V34'" />
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
      height: 40px;
    }
    svg {
      width: 100%;
      height: 40px;
    }
    .base {
      stroke: var(--line);
      vector-effect: non-scaling-stroke;
    }
    .allowed {
      fill: var(--band);
    }
    .edge {
      stroke: var(--ink-soft);
      stroke-width: 1.5;
      vector-effect: non-scaling-stroke;
    }
    .hand {
      stroke: currentColor;
      stroke-width: 4;
      vector-effect: non-scaling-stroke;
    }
  `,
})
export class Ruler {
  readonly assessment = input.required<Assessment>();

  protected readonly scale = computed(() => {
    const { resolved, grade } = this.assessment();
    if (!resolved) return null;
    const { value, min, max } = resolved;
    const marks = [value, min, max].filter(Number.isFinite);
    const low = Math.min(...marks);
    const high = Math.max(...marks);
    const room = Math.max((high - low) * ROOM, Math.abs(high) * 0.02, 1e-6);
    const from = low - room;
    const width = high + room - from;
    const x = (figure: number): number => Math.min(400, Math.max(0, ((figure - from) / width) * 400));
    return { value: x(value), from: x(min), to: x(max), edges: [min, max].filter(Number.isFinite).map(x), grade };
  });
}
