import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { readingWords } from '@tetrad/core';
import type { Assessment } from '@tetrad/core';
import { FocusFirst } from '../../parts/focus-first';
import { GradeMark } from '../../parts/grade-mark';
import { Figures } from '../../state/figures';

/** All readings of this step, voided ones too: evidence is kept. */
@Component({
  selector: 'tt-attempts',
  imports: [GradeMark, DatePipe, FocusFirst],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (attempts().length > 0) {
      <h2>Read so far</h2>
      <ol>
        @for (entry of attempts(); track entry.id) {
          <li [class.voided]="entry.grade === 'void'">
            <span class="figure value">{{ show(entry) }}</span>
            <tt-grade [grade]="entry.grade" [labelled]="true" />
            <span class="soft why">
              @if (counts().has(entry.id) && attempts().length > 1) {
                <strong>Counts.</strong>
              }
              @if (entry.reading.battery) {
                Battery {{ entry.reading.battery }}.
              }
              @if (entry.reading.pass === 'after') {
                After the repair.
              }
              {{ say()(entry.because) }}
            </span>
            <span class="figure soft time">
              @if (pending().has(entry.id)) {
                not stored yet
              } @else {
                {{ entry.reading.at | date: 'HH:mm' }}
              }
            </span>
            @if (entry.reading.void === undefined) {
              @if (voiding() === entry.id) {
                <form class="reason" (submit)="confirm($event, entry.id)">
                  <label class="field">
                    Why is it void?
                    <input
                      name="reason"
                      maxlength="200"
                      required
                      ttFocusFirst
                      [value]="reason()"
                      (input)="reason.set($any($event.target).value)"
                    />
                  </label>
                  <button type="submit" class="btn" [disabled]="!reason().trim()">Void it</button>
                  <button type="button" class="btn bare" (click)="voiding.set(null)">Back</button>
                </form>
              } @else {
                <button
                  type="button"
                  class="btn bare"
                  (click)="voiding.set(entry.id); reason.set('')"
                  [attr.aria-label]="'Void ' + show(entry)"
                >
                  Void …
                </button>
              }
            }
          </li>
        }
      </ol>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 8px;
    }
    ol {
      list-style: none;
      margin: 8px 0 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: 92px 92px 1fr auto auto;
      gap: 4px 12px;
      align-items: center;
      min-height: 44px;
      border-top: 1px solid var(--line-soft);
      font-size: 0.875rem;
    }
    .value {
      font-size: 1rem;
    }
    .voided .value {
      text-decoration: line-through;
    }
    .why {
      line-height: 1.25;
      padding: 4px 0;
    }
    .reason {
      grid-column: 1 / -1;
      display: flex;
      gap: 8px;
      align-items: end;
      padding-bottom: 8px;
    }
    .reason .field {
      flex: 1;
    }
    @media (max-width: 600px) {
      li {
        grid-template-columns: 84px 1fr auto;
      }
      .why {
        grid-column: 1 / -1;
      }
    }
  `,
})
export class Attempts {
  readonly #figures = inject(Figures);
  readonly attempts = input.required<readonly Assessment[]>();
  readonly pending = input.required<ReadonlySet<string>>();
  readonly voided = output<{ id: string; reason: string }>();

  /** The rule: of several attempts the newest that is not void counts, for each battery and pass. */
  protected readonly counts = computed(
    () =>
      new Set(
        new Map(
          this.attempts()
            .filter(({ grade }) => grade !== 'void')
            .map(({ id, reading }) => [`${reading.pass ?? 'before'} ${reading.battery ?? ''}`, id]),
        ).values(),
      ),
  );
  protected readonly say = computed(() => this.#figures.voice().say);
  protected readonly voiding = signal<string | null>(null);
  protected readonly reason = signal('');

  protected show({ reading }: Assessment): string {
    return readingWords(reading, this.#figures.voice());
  }
  protected confirm(event: Event, id: string): void {
    event.preventDefault();
    const reason = this.reason().trim();
    if (!reason) return;
    this.voided.emit({ id, reason });
    this.voiding.set(null);
  }
}
