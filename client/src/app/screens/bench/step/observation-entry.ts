import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Case, ObservationStep, Pass } from '@tetrad/core';
import { Button } from '../../../kit/button';
import { FocusFirst } from '../../../kit/focus-first';
import { findingWords, findingsOf } from '../../../job/finding-words';

/** Something looked at or tried by hand: one press says what was found. */
@Component({
  selector: 'tt-observation-entry',
  imports: [Button, FocusFirst],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="soft how">{{ step().how }}</p>
    <div class="findings kit-answers" ttFocusFirst role="group" [attr.aria-label]="'What was found'">
      @for (finding of findings(); track step().about + finding) {
        <button pButton [attr.aria-pressed]="finding === now()" (click)="found.emit(finding)">
          <span class="figure number" aria-hidden="true">{{ $index + 1 }}</span>
          <span class="words">{{ words(finding) }}</span>
        </button>
      }
    </div>
    @if (earlier().length > 1) {
      <p class="soft">Seen before in this order: {{ earlier().join(', ') }}. The last counts.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 16px;
    }
    .how {
      max-width: 68ch;
    }
    .words::first-letter {
      text-transform: uppercase;
    }
  `,
})
export class ObservationEntry {
  readonly step = input.required<ObservationStep>();
  readonly subject = input.required<Case>();
  readonly pass = input.required<Pass>();
  readonly found = output<string>();

  protected readonly words = findingWords;
  protected readonly findings = computed(() => findingsOf(this.step().about));
  readonly #own = computed(() =>
    (this.subject().observations ?? []).filter(
      ({ about, pass = 'before' }) => about === this.step().about && pass === this.pass(),
    ),
  );
  protected readonly now = computed(() => this.#own().at(-1)?.finding ?? null);
  protected readonly earlier = computed(() => this.#own().map(({ finding }) => findingWords(finding)));
}
