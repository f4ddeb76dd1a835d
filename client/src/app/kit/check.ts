import { ChangeDetectionStrategy, Component } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Checkbox } from 'primeng/checkbox';
import { ValueControl, asControl, pageId, sendForm } from './value-control';

/** Holds or does not; its words stand between the tags. */
@Component({
  selector: 'tt-check',
  imports: [FormsModule, Checkbox],
  providers: [asControl(() => Check)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-checkbox
      [ngModel]="value() === true"
      (ngModelChange)="choose($event)"
      [binary]="true"
      [inputId]="id"
      [disabled]="disabled()"
    />
    <label [for]="id"><ng-content /></label>
  `,
  host: { class: 'kit-check', '(keydown.enter)': 'send($event)' },
})
export class Check extends ValueControl<boolean> {
  protected readonly id = pageId('check');
  protected readonly send = sendForm;
}
