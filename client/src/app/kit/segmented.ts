import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { SelectButton } from 'primeng/selectbutton';
import { ChoiceControl, asControl, pageId } from './value-control';

/** One of a few words, all of them seen. */
@Component({
  selector: 'tt-segmented',
  imports: [ReactiveFormsModule, SelectButton],
  providers: [asControl(() => Segmented)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span [class]="quiet() ? 'sr-only' : 'kit-label'" [id]="id">{{ label() }}</span>
    <p-selectbutton
      [formControl]="inner"
      [options]="list()"
      optionLabel="label"
      optionValue="value"
      [allowEmpty]="false"
      [ariaLabelledBy]="id"
    />
  `,
  host: { class: 'kit-field' },
})
export class Segmented<T> extends ChoiceControl<T> {
  /** The label is for screen readers only: the words beside it say it already. */
  readonly quiet = input(false);
  protected readonly id = pageId('segmented');
}
