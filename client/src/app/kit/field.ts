import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  contentChild,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { NgControl } from '@angular/forms';
import { watchProblem } from './forms/problem';
import { pageId } from './value-control';

/**
 * A text to fill in: its label with the unit, a hint, and what does not fit. The text itself stands between the
 * tags; where it belongs to a form, its problem is shown once it was touched.
 */
@Component({
  selector: 'tt-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label>
      <span [class]="quiet() ? 'sr-only' : 'kit-label'">{{ label() }}{{ unit() ? ', ' + unit() : '' }}</span>
      <ng-content />
    </label>
    @if (shown(); as text) {
      <span class="kit-error" role="alert" [id]="id">{{ text }}</span>
    } @else if (hint(); as text) {
      <span class="kit-hint">{{ text }}</span>
    }
    <ng-content select="[beside]" />
  `,
  host: { class: 'kit-field' },
})
export class Field {
  readonly label = input.required<string>();
  readonly unit = input('');
  readonly hint = input('');
  /** A problem that no form tells. */
  readonly error = input<string | null>(null);
  readonly quiet = input(false);
  protected readonly control = contentChild(NgControl);
  readonly #problem = signal<string | null>(null);
  protected readonly id = pageId('problem');
  protected readonly shown = computed(() => this.error() ?? this.#problem());

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    effect((onCleanup) => {
      const control = this.control()?.control;
      if (control) onCleanup(watchProblem(control, (found) => this.#problem.set(found)));
    });
    effect(() => {
      const text = host.querySelector('input, textarea');
      if (this.shown() === null) {
        text?.removeAttribute('aria-invalid');
        text?.removeAttribute('aria-describedby');
      } else {
        text?.setAttribute('aria-invalid', 'true');
        text?.setAttribute('aria-describedby', this.id);
      }
    });
  }
}
