import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { voltStair } from '@tetrad/core';
import type { BudgetPiece } from '@tetrad/core';
import { Figures } from '../device/figures';

/** Drawing units across and down; the drawing is stretched to its place. */
const WIDE = 1000;
const HIGH = 100;
/** The volts along the path, piece by piece: each step down is what a piece took, the deepest is marked. */
@Component({
  selector: 'tt-volt-steps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + wide + ' ' + high" preserveAspectRatio="none" aria-hidden="true">
      @for (step of steps(); track step.key) {
        <line class="edge" [attr.x1]="step.x" [attr.x2]="step.x" y1="0" [attr.y2]="high" />
        @if (step.isDeepest) {
          <rect
            class="lost"
            [attr.x]="step.x"
            [attr.width]="step.width"
            [attr.y]="step.from"
            [attr.height]="step.to - step.from"
          />
        }
      }
      <path class="line" [attr.d]="line()" />
    </svg>
    <ol [style.grid-template-columns]="'repeat(' + (steps().length + 1) + ', minmax(0, 1fr))'">
      <li>
        <span class="name">{{ from() }}</span>
        <span class="figure">{{ whole() }}</span>
      </li>
      @for (step of steps(); track step.key) {
        <li [class.deepest]="step.isDeepest" [class.left]="step.isLeft">
          <span class="name">{{ step.name }}</span>
          <span class="figure">{{ step.shown }}</span>
          <span class="figure soft ohms">{{ step.ohms }}</span>
        </li>
      }
    </ol>
  `,
  styleUrl: './volt-steps.css',
})
export class VoltSteps {
  readonly #figures = inject(Figures);
  readonly budget = input.required<readonly BudgetPiece[]>();
  /** Where the volts begin. */
  readonly from = input('at rest');
  protected readonly wide = WIDE;
  protected readonly high = HIGH;

  readonly #stair = computed(() => voltStair(this.budget()));
  protected readonly whole = computed(() => this.#figures.format().volts(this.#stair().volts));
  protected readonly steps = computed(() => {
    const { smallVolts, volts, ohms } = this.#figures.format();
    return this.#stair().steps.map(({ piece, x, width, from, to, isDeepest }, i) => ({
      key: `${i} ${piece.piece}`,
      name: piece.piece,
      isLeft: piece.kind === 'left',
      isDeepest,
      x: x * WIDE,
      width: width * WIDE,
      from: from * HIGH,
      to: to * HIGH,
      shown: piece.kind === 'left' ? volts(piece.volts) : `−${smallVolts(piece.volts)}`,
      ohms: piece.ohms === undefined ? '' : ohms(piece.ohms),
    }));
  });
  /** Level, down, level: a stair. */
  protected readonly line = computed(() => {
    const steps = this.steps();
    if (steps.length === 0) return '';
    const begin = `M0 ${steps[0]!.from.toFixed(1)}`;
    return (
      begin + steps.map(({ x, width, to }) => `H${x.toFixed(1)}V${to.toFixed(1)}H${(x + width).toFixed(1)}`).join('')
    );
  });
}
