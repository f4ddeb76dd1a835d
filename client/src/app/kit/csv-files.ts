import { Injectable, inject } from '@angular/core';
import { saveText } from './save-file';
import { Toasts } from './toasts';

/** Gives a table to keep as CSV; what writes it is fetched when it is first asked for. */
@Injectable({ providedIn: 'root' })
export class CsvFiles {
  readonly #toasts = inject(Toasts);

  /** @param rows The table, its columns by the fields of the first row. */
  save(name: string, rows: readonly object[]): Promise<void> {
    return import('./csv').then(
      ({ csvOf }) => saveText(`${name}.csv`, 'text/csv', csvOf(rows)),
      () => this.#toasts.say('The table was not exported: the server does not answer. Try again when it is back.'),
    );
  }
}
