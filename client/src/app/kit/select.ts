import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Select as PSelect } from 'primeng/select';
import { ValueControl, asControl, pageId } from './value-control';
import type { Option } from './value-control';

/** One of many words, from a list that opens. */
@Component({
  selector: 'tt-select',
  imports: [FormsModule, PSelect],
  providers: [asControl(() => Select)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="kit-label" [id]="id">{{ label() }}</span>
    <p-select
      [ngModel]="value()"
      (ngModelChange)="choose($event)"
      [options]="list()"
      optionLabel="label"
      optionValue="value"
      [ariaLabelledBy]="id"
      [placeholder]="placeholder()"
      [disabled]="disabled()"
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
export class Select<T> extends ValueControl<T> {
  readonly label = input.required<string>();
  readonly options = input.required<readonly Option<T>[]>();
  readonly placeholder = input('');
  protected readonly id = pageId('select');
  /** A list of its own: the library writes into what it is given. */
  protected readonly list = computed(() => this.options().map((option) => ({ ...option })));
}
