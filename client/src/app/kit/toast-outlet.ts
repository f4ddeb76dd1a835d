import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { ToastMessageOptions } from 'primeng/api';
import { MessageService, PrimeTemplate } from 'primeng/api';
import { Toast } from 'primeng/toast';
import { Button } from './button';
import type { ToastData } from './toasts';

/** Where toasts appear; one stands in the frame of the application. */
@Component({
  selector: 'tt-toast-outlet',
  imports: [Button, PrimeTemplate, Toast],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-toast position="bottom-left" styleClass="kit-toast">
      <ng-template pTemplate="message" let-message>
        <span class="says">{{ message.summary }}</span>
        @if (undoOf(message); as undo) {
          <button pButton kind="bare" (click)="take(undo)">Undo</button>
        }
      </ng-template>
    </p-toast>
  `,
  styles: `
    .says {
      flex: 1;
      align-self: center;
    }
  `,
})
export class ToastOutlet {
  readonly #messages = inject(MessageService);
  protected readonly undoOf = ({ data }: ToastMessageOptions): (() => void) | null => (data as ToastData).undo;
  protected take(undo: () => void): void {
    this.#messages.clear();
    undo();
  }
}
