import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { Message as PMessage } from 'primeng/message';

/** Something that must be known here; a `problem` is told to screen readers at once. */
@Component({
  selector: 'tt-message',
  imports: [PMessage],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-message
      [severity]="kind() === 'problem' ? 'error' : 'secondary'"
      [attr.role]="kind() === 'problem' ? 'alert' : 'note'"
    >
      <div class="kit-message" [class.problem]="kind() === 'problem'"><ng-content /></div>
    </p-message>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
})
export class Message {
  readonly kind = input<'problem' | 'note'>('problem');
}
