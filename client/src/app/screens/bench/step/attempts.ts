import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { VoidReading } from '@tetrad/contracts';
import { PASSES, countedReadings, readingWords } from '@tetrad/core';
import type { Assessment } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { FocusFirst } from '../../../kit/focus-first';
import { bodyOf } from '../../../kit/forms/body-form';
import { GradeMark } from '../../../kit/grade-mark';
import { Sentences } from '../../../device/sentences';

/** All readings of this step, voided ones too: evidence is kept. */
@Component({
  selector: 'tt-attempts',
  imports: [Button, DatePipe, Field, FocusFirst, GradeMark, InputText, ReactiveFormsModule],
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
              @if (entry.id !== shown()) {
                {{ say()(entry.because) }}
              }
            </span>
            <span class="figure soft time">
              @if (pending().has(entry.id)) {
                not stored yet
              } @else {
                {{ entry.reading.at | date: 'HH:mm' }}
              }
            </span>
            @if (entry.reading.void === undefined && !isClosed()) {
              @if (voiding() === entry.id) {
                <form class="reason" [formGroup]="form" (ngSubmit)="confirm(entry.id)">
                  <tt-field label="Why is it void?">
                    <input pInputText maxlength="200" ttFocusFirst formControlName="reason" />
                  </tt-field>
                  <button pButton type="submit">Void it</button>
                  <button pButton kind="bare" (click)="voiding.set(null)">Back</button>
                </form>
              } @else {
                <button
                  pButton
                  kind="bare"
                  class="soft"
                  (click)="begin(entry.id)"
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
      grid-template-columns: auto auto minmax(0, 1fr) auto;
      gap: 0 12px;
      align-items: center;
      min-height: 44px;
      border-top: 1px solid var(--line-soft);
      font-size: var(--text-sm);
    }
    .value {
      font-size: var(--text-base);
    }
    .time {
      white-space: nowrap;
    }
    .voided .value {
      text-decoration: line-through;
    }
    .why {
      grid-column: 1 / -1;
      grid-row: 2;
      line-height: 1.25;
      padding-bottom: 4px;
    }
    .reason {
      grid-column: 1 / -1;
      display: flex;
      gap: 8px;
      align-items: end;
      padding-bottom: 8px;
    }
    .reason tt-field {
      flex: 1;
    }
  `,
})
export class Attempts {
  readonly #voice = inject(Sentences);
  readonly attempts = input.required<readonly Assessment[]>();
  readonly pending = input.required<ReadonlySet<string>>();
  /** The reading that stands above with its sentence; it is not said twice. */
  readonly shown = input<string | null>(null);
  /** Of a closed job nothing is voided. */
  readonly isClosed = input(false);
  readonly voided = output<{ id: string; reason: string }>();

  /** The rule: of several attempts the newest that is not void counts, for each battery and pass. */
  protected readonly counts = computed(
    () => new Set(PASSES.flatMap((pass) => countedReadings(this.attempts(), pass)).map(({ id }) => id)),
  );
  protected readonly say = computed(() => this.#voice.voice().say);
  protected readonly voiding = signal<string | null>(null);
  protected readonly form = new FormGroup({ reason: new FormControl('', { nonNullable: true }) });

  protected show({ reading }: Assessment): string {
    return readingWords(reading, this.#voice.voice());
  }
  protected begin(id: string): void {
    this.form.reset();
    this.voiding.set(id);
  }
  protected confirm(id: string): void {
    const body = bodyOf(VoidReading, this.form, { reason: this.form.getRawValue().reason.trim() });
    if (body === null) return;
    this.voided.emit({ id, reason: body.reason });
    this.voiding.set(null);
  }
}
