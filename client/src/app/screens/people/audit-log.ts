import { DatePipe } from '@angular/common';
import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, untracked } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { ActView } from '@tetrad/contracts';
import { EMPTY } from 'rxjs';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { backupWords } from './backup-words';
import { selectShop, selectWho } from '../../state/session/session.feature';

/** The audit log, the newest first. */
@Component({
  selector: 'tt-audit-log',
  imports: [Button, Coming, DatePipe, Empty, Message, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Audit log</h1>
      <p class="soft">Each entry holds the hash of the one before it; “tetrad audit verify” proves it unbroken.</p>
      <button pButton (click)="save()" [disabled]="rows().length === 0">Export CSV</button>
    </div>
    @if (backup(); as told) {
      <p class="backup" [class.due]="told.isDue">{{ told.says }}</p>
    }
    @if (problem(); as text) {
      <tt-message>{{ text }}</tt-message>
    } @else if (rows().length > 0) {
      <p-table [value]="rows()" dataKey="seq">
        <ng-template #header>
          <tr>
            <th scope="col">No.</th>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
            <th scope="col" class="kit-wide">Of</th>
            <th scope="col" class="kit-wide">From</th>
          </tr>
        </ng-template>
        <ng-template #body let-act>
          <tr>
            <td class="figure">{{ act.seq }}</td>
            <td class="figure">{{ act.at | date: 'd MMM, HH:mm:ss' }}</td>
            <td>{{ act.person ?? 'nobody signed in' }}</td>
            <td>{{ act.what.replaceAll('-', ' ') }}</td>
            <td class="figure wide about">{{ act.about }}</td>
            <td class="figure wide">{{ act.from }}</td>
          </tr>
        </ng-template>
      </p-table>
      @if (hasOlder()) {
        <button pButton class="older" (click)="older()" [disabled]="loading()">Older entries</button>
      }
    } @else if (loading()) {
      <tt-coming says="Loading the audit log …" />
    } @else {
      <tt-empty says="Nothing has been done here yet." />
    }
  `,
  styles: `
    .kit-bar p {
      flex: 1 1 300px;
    }
    @media (max-width: 480px) {
      .kit-bar p {
        order: 1;
        flex-basis: 100%;
      }
      .bar h1 {
        flex: 1;
      }
    }
    .backup {
      padding: 0 16px 8px;
    }
    .due {
      color: var(--near);
      font-weight: 600;
    }
    .due::before {
      content: '◐ ';
    }
    .about {
      font-size: var(--text-xs);
    }
    .older {
      margin: 16px;
    }
  `,
})
export class AuditLog {
  readonly #csv = inject(CsvFiles);
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #who = this.#store.selectSignal(selectWho);
  /** Behind which entry the page that is asked for begins; null for the newest. */
  readonly #before = linkedSignal<unknown, number | null>({
    source: () => [this.#shop(), this.#who()],
    computation: () => null,
  });
  readonly #page = rxResource({
    // somebody else may see what the last one may not
    params: () => ({ shop: this.#shop(), who: this.#who(), before: this.#before() }),
    stream: ({ params: { shop, before } }) =>
      shop === null ? EMPTY : this.#api.listAuditLog(shop, before === null ? {} : { before }),
  });
  /** The pages so far, as one list. */
  protected readonly rows = linkedSignal<readonly ActView[] | undefined, ActView[]>({
    source: () => (this.#page.hasValue() ? this.#page.value() : undefined),
    computation: (page, previous) => {
      const before = untracked(this.#before) === null ? [] : (previous?.value ?? []);
      return page === undefined ? (previous?.value ?? []) : [...before, ...page];
    },
  });
  protected readonly hasOlder = computed(() => (this.rows().at(-1)?.seq ?? 1) > 1);
  protected readonly loading = this.#page.isLoading;
  protected readonly problem = computed(() => {
    const failure = this.#page.error();
    return failure ? problemOf(failure as HttpErrorResponse).detail : null;
  });

  readonly #backups = rxResource({
    params: () => ({ shop: this.#shop(), who: this.#who() }),
    stream: ({ params: { shop } }) => (shop === null ? EMPTY : this.#api.getBackups(shop)),
  });
  protected readonly backup = computed(() => (this.#backups.hasValue() ? backupWords(this.#backups.value()) : null));

  protected older(): void {
    this.#before.set(this.rows().at(-1)?.seq ?? null);
  }
  protected save(): void {
    void this.#csv.save('audit-log', this.rows());
  }
}
