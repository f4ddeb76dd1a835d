import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { BudgetPiece } from '@tetrad/core';
import { Figures } from '../state/figures';

/** Pieces narrower than this, %, are drawn this wide: a tenth of a volt must still be seen. */
const NARROWEST = 1.2;

/** Where the volts went: what each piece lost, and what is left, on one bar. */
@Component({
  selector: 'tt-budget',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar" aria-hidden="true">
      @for (entry of pieces(); track entry.piece) {
        <span [class.left]="entry.isLeft" [style.flex-grow]="entry.width"></span>
      }
    </div>
    <dl>
      @for (entry of pieces(); track entry.piece) {
        <div [class.left]="entry.isLeft">
          <dt>{{ entry.piece }}</dt>
          <dd class="figure">{{ entry.volts }}</dd>
          <dd class="figure soft">{{ entry.ohms }}</dd>
        </div>
      }
    </dl>
  `,
  styles: `
    :host {
      display: grid;
      align-content: center;
      gap: 12px;
      height: 100%;
    }
    .bar {
      display: flex;
      gap: 2px;
      height: 40px;
    }
    .bar span {
      flex-basis: 0;
      background: var(--ink-soft);
    }
    .bar span.left {
      background: var(--copper);
    }
    dl {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 28px;
      margin: 0;
    }
    dt {
      font-size: 0.8125rem;
      color: var(--ink-soft);
    }
    dt::first-letter {
      text-transform: uppercase;
    }
    dd {
      margin: 0;
      font-size: 1.0625rem;
      line-height: 1.25;
    }
    dd.soft {
      font-size: 0.8125rem;
    }
    .left dd:first-of-type {
      color: var(--copper);
      font-weight: 500;
    }
  `,
})
export class BudgetView {
  readonly #figures = inject(Figures);
  readonly budget = input.required<readonly BudgetPiece[]>();

  protected readonly pieces = computed(() =>
    this.budget().map(({ piece, kind, volts, ohms, share }) => ({
      piece,
      isLeft: kind === 'left',
      width: Math.max(NARROWEST, share * 100),
      volts: this.#figures.voice().smallVolts(volts),
      ohms: ohms === undefined ? '' : this.#figures.voice().ohms(ohms),
    })),
  );
}
