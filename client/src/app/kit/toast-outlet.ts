import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { ToastMessageOptions } from 'primeng/api';
import { MessageService, PrimeTemplate } from 'primeng/api';
import { TimesIcon } from 'primeng/icons';
import { Toast } from 'primeng/toast';
import { Button } from './button';
import type { ToastData } from './toasts';

/** Where toasts appear; one stands in the frame of the application. */
@Component({
  selector: 'tt-toast-outlet',
  imports: [Button, PrimeTemplate, TimesIcon, Toast],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p-toast position="top-center" styleClass="kit-toast">
      <ng-template pTemplate="message" let-message>
        <span class="says">{{ message.summary }}</span>
        @if (undoOf(message); as undo) {
          <button pButton kind="bare" (click)="take(undo)">Undo</button>
        }
        <button pButton kind="bare" class="close" aria-label="Dismiss" (click)="close()">
          <svg data-p-icon="times" aria-hidden="true"></svg>
        </button>
      </ng-template>
    </p-toast>
  `,
  styles: `
    .says {
      flex: 1;
      align-self: center;
    }
    .close {
      width: 44px;
      padding: 0;
    }
  `,
})
export class ToastOutlet {
  readonly #messages = inject(MessageService);
  protected readonly undoOf = ({ data }: ToastMessageOptions): (() => void) | null => (data as ToastData).undo;
  protected take(undo: () => void): void {
    this.close();
    undo();
  }
  protected close(): void {
    this.#messages.clear();
  }
}
