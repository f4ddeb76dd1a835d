import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Select as PSelect } from 'primeng/select';
import { ChoiceControl, asControl, pageId } from './value-control';

/** One of many words, from a list that opens. */
@Component({
  selector: 'tt-select',
  imports: [ReactiveFormsModule, PSelect],
  providers: [asControl(() => Select)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span [class]="quiet() ? 'sr-only' : 'kit-label'" [id]="id">{{ label() }}</span>
    <p-select
      [formControl]="inner"
      [options]="list()"
      optionLabel="label"
      optionValue="value"
      [ariaLabelledBy]="id"
      [placeholder]="placeholder()"
      [invalid]="problem() !== null"
      (onBlur)="touched()"
      appendTo="body"
    />
    @if (problem(); as text) {
      <span class="kit-error" role="alert">{{ text }}</span>
    }
  `,
  host: { class: 'kit-field' },
})
export class Select<T> extends ChoiceControl<T> {
  readonly placeholder = input('');
  /** The label is for screen readers: what stands around tells the rest. */
  readonly quiet = input(false);
  protected readonly id = pageId('select');
}
