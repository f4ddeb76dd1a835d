import { ChangeDetectionStrategy, Component, input, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { AutoComplete } from 'primeng/autocomplete';
import type { AutoCompleteSelectEvent } from 'primeng/autocomplete';
import { ValueControl, asControl, pageId } from './value-control';

/** A text with suggestions: anything may be typed, what is known is offered. */
@Component({
  selector: 'tt-suggest',
  imports: [AutoComplete, ReactiveFormsModule],
  providers: [asControl(() => Suggest)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="kit-label" [for]="id">{{ label() }}</label>
    <p-autocomplete
      [formControl]="inner"
      [suggestions]="offered()"
      (completeMethod)="offer($event.query)"
      (onSelect)="select($event)"
      (onBlur)="touched()"
      [inputId]="id"
      [maxlength]="maxlength()"
      [showEmptyMessage]="false"
      [minQueryLength]="1"
      [delay]="0"
      appendTo="body"
    />
    @if (problem(); as text) {
      <span class="kit-error" role="alert">{{ text }}</span>
    }
  `,
  host: { class: 'kit-field' },
})
export class Suggest extends ValueControl<string> {
  readonly label = input.required<string>();
  /** What is known. */
  readonly known = input.required<readonly string[]>();
  readonly maxlength = input(80);
  readonly picked = output<string>();
  protected readonly id = pageId('suggest');
  protected readonly offered = signal<string[]>([]);

  /** A text that was deleted is an empty one. */
  protected override choose(value: string | null): void {
    super.choose(value ?? '');
  }
  protected offer(query: string): void {
    const words = query.toLowerCase().split(/\s+/).filter(Boolean);
    this.offered.set(this.known().filter((entry) => words.every((word) => entry.toLowerCase().includes(word))));
  }
  protected select({ value }: AutoCompleteSelectEvent): void {
    this.picked.emit(String(value));
  }
}
