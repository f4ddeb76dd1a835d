import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { System } from '@tetrad/core';
import { Button } from '../../../kit/button';
import { FocusFirst } from '../../../kit/focus-first';
import { ratingWords, withConfirmedRating } from '../../../label/rating';

/** What the battery's label was taken to say, large: one press confirms it, another corrects it. */
@Component({
  selector: 'tt-label-entry',
  imports: [Button, FocusFirst],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="rating figure" [class.soft]="!rating()">{{ rating() ?? 'rating not known' }}</p>
    <p class="soft">{{ beside() }}</p>
    <div class="kit-answers" role="group" aria-label="What the label says">
      @if (isConfirmed()) {
        <p class="soft">Confirmed: this is what the label says.</p>
      } @else if (rating()) {
        <button pButton ttFocusFirst (click)="confirm()">
          <span class="figure number" aria-hidden="true">1</span><span>Confirm label</span>
        </button>
      }
      <button pButton (click)="correct.emit()">
        <span class="figure number" aria-hidden="true">2</span><span>Correct label</span>
      </button>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .rating {
      font-size: var(--text-figure);
      line-height: 1.1;
    }
    .kit-answers {
      align-items: center;
      margin-top: 8px;
    }
  `,
})
export class LabelEntry {
  readonly system = input.required<System>();
  readonly confirmed = output<System>();
  readonly correct = output();

  readonly #battery = computed(() => this.system().battery);
  protected readonly isConfirmed = computed(() => this.#battery().rating?.confirmed === true);
  protected readonly rating = computed(() => {
    const { rating } = this.#battery();
    return rating ? ratingWords(rating) : null;
  });
  protected readonly beside = computed(() => {
    const { chemistry, capacityAh } = this.#battery();
    return [chemistry, capacityAh === undefined ? null : `${capacityAh} Ah`]
      .filter((part) => part !== null)
      .join(' · ');
  });

  /** The label says so; nothing to confirm where no rating is known, or where it was confirmed. */
  confirm(): void {
    if (this.#battery().rating && !this.isConfirmed()) this.confirmed.emit(withConfirmedRating(this.system()));
  }
}
