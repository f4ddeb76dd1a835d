import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Grade, RulerScale } from '@tetrad/core';

/** Drawing units along the ruler. */
const WIDE = 400;

/** A small ruler: the allowed range, its borderline zone, and where the reading stands in it. */
@Component({
  selector: 'tt-ruler',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let on = at();
    <svg viewBox="0 0 400 40" preserveAspectRatio="none" aria-hidden="true">
      <line class="base" x1="0" x2="400" y1="28" y2="28" />
      <rect class="allowed" [attr.x]="on.from" [attr.width]="on.to - on.from" y="16" height="12" />
      @for (edge of on.edges; track $index) {
        <line class="edge" [attr.x1]="edge" [attr.x2]="edge" y1="8" y2="34" />
      }
      <path [class]="'hand grade-' + grade()" [attr.d]="'M' + on.value + ' 2V34'" />
    </svg>
    @for (mark of marks(); track mark.words) {
      <span class="figure mark" [class.end]="mark.at > 0.85" [style.left.%]="mark.at * 100">{{ mark.words }}</span>
    }
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      height: 40px;
    }
    :host:has(.mark) {
      height: 56px;
    }
    .mark {
      position: absolute;
      top: 38px;
      font-size: var(--text-sm);
      line-height: 1;
      color: var(--ink-soft);
      transform: translateX(-50%);
      white-space: nowrap;
    }
    .mark.end {
      transform: translateX(-100%);
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
  readonly scale = input.required<RulerScale>();
  readonly grade = input.required<Grade>();
  /** How a figure of the reading is written; without it the ruler has no figures. */
  readonly write = input<((figure: number) => string) | null>(null);
  protected readonly marks = computed(() => {
    const { edges, figures } = this.scale();
    const write = this.write();
    return write ? figures.map((figure, i) => ({ at: edges[i]!, words: write(figure) })) : [];
  });
  protected readonly at = computed(() => {
    const { value, from, to, edges } = this.scale();
    return { value: value * WIDE, from: from * WIDE, to: to * WIDE, edges: edges.map((edge) => edge * WIDE) };
  });
}
