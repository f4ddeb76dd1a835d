import { DestroyRef, inject } from '@angular/core';
import { tinykeys } from 'tinykeys';
import { isDialogOpen } from './behind-dialogs';
import { KEY_TABLE } from './key-table';
import type { KeyScope } from './key-table';

/** What a key of a scope does; false where it does nothing here, and is left to the browser. */
export type KeyHandlers<S extends KeyScope> = {
  readonly [K in keyof (typeof KEY_TABLE)[S]]: (event: KeyboardEvent) => void | false;
};

/** Binds the keys of a scope while the caller is in the page. Call it where injection is allowed. */
export function bindKeys<S extends KeyScope>(scope: S, handlers: KeyHandlers<S>): void {
  const bindings: Record<string, (event: KeyboardEvent) => void> = {};
  for (const [name, { press }] of Object.entries<{ readonly press: string }>(KEY_TABLE[scope])) {
    const run = handlers[name as keyof (typeof KEY_TABLE)[S]];
    const pressed = (event: KeyboardEvent): void => {
      // a dialog has the keys to itself
      if (scope !== 'Anywhere' && isDialogOpen()) return;
      if (run(event) !== false) event.preventDefault();
    };
    bindings[press] = pressed;
    // a sign may need Shift on one keyboard and not on another
    if (press.length === 1) bindings[`Shift+${press}`] = pressed;
  }
  inject(DestroyRef).onDestroy(tinykeys(window, bindings));
}

/** True while a text is being written: single letters belong to it. */
export const isWriting = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement &&
    target.inputMode !== 'decimal' &&
    !/^(checkbox|radio|file)$/.test(target.type));
