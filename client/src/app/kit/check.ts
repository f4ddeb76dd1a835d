import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { ValueControl, asControl, pageId, sendForm } from './value-control';

/** Holds or does not; its words stand between the tags. */
@Component({
  selector: 'tt-check',
  imports: [ReactiveFormsModule, Checkbox],
  providers: [asControl(() => Check)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-checkbox [formControl]="inner" [binary]="true" [inputId]="id" [tabindex]="tabindex()" />
    <label [for]="id"><ng-content /></label>
  `,
  host: { class: 'kit-check', '(keydown.enter)': 'send($event)' },
})
export class Check extends ValueControl<boolean> {
  /** −1 where a list is one stop of the Tab key, and its arrows lead here. */
  readonly tabindex = input<number | undefined>(undefined);
  protected readonly id = pageId('check');
  protected readonly send = sendForm;
}
