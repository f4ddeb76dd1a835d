import { ChangeDetectionStrategy, Component, output } from '@angular/core';
import { Dialog } from '../kit/dialog';
import { ENTRIES, KEY_TABLE } from '../kit/keys/key-table';

/** Every key there is. */
@Component({
  selector: 'tt-keys-sheet',
  imports: [Dialog],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Keys" (closed)="closed.emit()">
      <div class="groups" tabindex="0" role="region" aria-label="Every key">
        @for (group of groups; track group.name) {
          <section>
            <h2>{{ group.name }}</h2>
            <dl>
              @for (row of group.rows; track row[0]) {
                <dt class="figure">{{ row[0] }}</dt>
                <dd>{{ row[1] }}</dd>
              }
            </dl>
          </section>
        }
      </div>
    </tt-dialog>
  `,
  styles: `
    .groups {
      columns: 280px 3;
      column-gap: 40px;
      width: 960px;
      max-width: 100%;
    }
    /* it takes the focus to be scrolled by key; the dialog is its frame */
    .groups:focus-visible {
      outline: none;
    }
    section {
      break-inside: avoid;
      margin-bottom: 16px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 6px 16px;
      margin: 8px 0 0;
    }
    dt {
      font-weight: 500;
    }
    dd {
      margin: 0;
    }
  `,
})
export class KeysSheet {
  readonly closed = output();
  protected readonly groups = [
    ...Object.entries(KEY_TABLE).map(([name, rows]) => ({
      name,
      rows: Object.values(rows).map(({ shown, says }) => [shown, says] as const),
    })),
    { name: 'Entries', rows: ENTRIES },
  ];
}
