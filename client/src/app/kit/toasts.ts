import { Injectable, inject } from '@angular/core';
import { MessageService } from 'primeng/api';

const LIFE_MS = 6000;

/** What a toast carries: how it is taken back, where it can be. */
export interface ToastData {
  readonly undo: (() => void) | null;
}

/** Says what was just done, in a corner, for a few seconds; what can be taken back has its button there. */
@Injectable({ providedIn: 'root' })
export class Toasts {
  readonly #messages = inject(MessageService);

  say(summary: string, undo: (() => void) | null = null): void {
    this.#messages.clear();
    this.#messages.add({
      summary,
      life: LIFE_MS,
      severity: 'secondary',
      styleClass: 'kit-toast-said',
      closable: false, // the library's own cross takes the focus from what is typed into
      data: { undo } satisfies ToastData,
    });
  }
}
