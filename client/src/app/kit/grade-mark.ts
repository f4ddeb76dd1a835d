import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Grade } from '@tetrad/core';

const WORDS: Readonly<Record<Grade, string>> = {
  within: 'Within',
  near: 'Borderline',
  outside: 'Outside',
  void: 'Void',
  noted: 'Noted',
};

/** A grade by shape and word first, colour second. */
@Component({
  selector: 'tt-grade',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg viewBox="0 0 16 16" aria-hidden="true" fill="none" stroke="currentColor" stroke-width="2">
      @switch (grade()) {
        @case ('within') {
          <circle cx="8" cy="8" r="6" fill="currentColor" stroke="none" />
        }
        @case ('near') {
          <circle cx="8" cy="8" r="6" />
          <path d="M8 2a6 6 0 0 0 0 12z" fill="currentColor" stroke="none" />
        }
        @case ('outside') {
          <rect x="3" y="3" width="10" height="10" />
        }
        @case ('void') {
          <circle cx="8" cy="8" r="6" stroke-width="1.5" />
          <path d="M3 13 13 3" />
        }
        @default {
          <path d="M4 8h8" />
        }
      }
    </svg>
    <span [class.sr-only]="!labelled()">{{ word() }}</span>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 6px;
      font-family: var(--sans);
      font-weight: 600;
    }
    svg {
      width: 1em;
      height: 1em;
      flex: none;
    }
  `,
  host: { '[class]': '"grade-" + grade()' },
})
export class GradeMark {
  readonly grade = input.required<Grade>();
  /** Shows the word beside the shape; else it is for screen readers. */
  readonly labelled = input(false);
  readonly word = computed(() => WORDS[this.grade()]);
}
