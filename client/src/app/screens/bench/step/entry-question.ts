import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { Answer, Question } from '@tetrad/core';
import { Button } from '../../../kit/button';

const KEYS = 'abc';

/** What is asked with a figure before it is saved: one key answers, another Enter saves it without. */
@Component({
  selector: 'tt-entry-question',
  imports: [Button],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>{{ question().asks }}</p>
    <div class="answers" role="group" aria-label="Answer">
      @for (answer of question().answers; track answer.says; let i = $index) {
        <button pButton type="button" (click)="answered.emit(answer)">
          <span class="key figure" [attr.data-key]="KEYS[i]"></span>{{ answer.says }}
        </button>
      }
    </div>
    <p class="soft">Enter saves it without an answer.</p>
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      padding: 8px 12px;
      border-left: 3px solid var(--near);
      background: var(--shade);
    }
    .answers {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
    .key::before {
      content: attr(data-key); /* drawn, and no part of the answer's name */
    }
    .key {
      margin-right: 8px;
      color: var(--ink-soft);
    }
  `,
  host: { role: 'alert', '(document:keydown)': 'press($event)' },
})
export class EntryQuestion {
  readonly question = input.required<Question>();
  readonly answered = output<Answer>();
  protected readonly KEYS = KEYS;

  protected press(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const answer = event.key.length === 1 ? this.question().answers[KEYS.indexOf(event.key.toLowerCase())] : undefined;
    if (!answer) return;
    event.preventDefault();
    this.answered.emit(answer);
  }
}
