import { DatePipe } from '@angular/common';
import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { ActView } from '@tetrad/contracts';
import { EMPTY } from 'rxjs';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { Api } from '../../state/api';
import { problemOf } from '../../state/loading';
import { backupWords } from './backup-words';
import { selectShop } from '../../state/session/session.feature';

/** The audit log, the newest first. */
@Component({
  selector: 'tt-record',
  imports: [Button, Coming, DatePipe, Empty, Message, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
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
            <th scope="col" class="wide">Of</th>
            <th scope="col" class="wide">From</th>
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
      <tt-coming says="Loading the record …" />
    } @else {
      <tt-empty says="Nothing has been done here yet." />
    }
  `,
  styles: `
    .bar {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 16px;
      padding: 8px 16px;
    }
    .bar p {
      flex: 1;
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
    @media (max-width: 768px) {
      .wide {
        display: none;
      }
    }
  `,
})
export class Record {
  readonly #csv = inject(CsvFiles);
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  protected readonly rows = signal<ActView[]>([]);
  protected readonly hasOlder = signal(false);
  protected readonly loading = signal(true);
  protected readonly problem = signal<string | null>(null);

  readonly #backups = rxResource({
    params: () => this.#shop(),
    stream: ({ params: shop }) => (shop === null ? EMPTY : this.#api.backups(shop)),
  });
  protected readonly backup = computed(() => (this.#backups.hasValue() ? backupWords(this.#backups.value()) : null));

  constructor() {
    effect(() => {
      if (this.#shop() !== null) untracked(() => this.#ask(null));
    });
  }

  protected older(): void {
    this.#ask(this.rows().at(-1)?.seq ?? null);
  }
  protected save(): void {
    void this.#csv.save('record-of-acts', this.rows());
  }

  #ask(before: number | null): void {
    this.loading.set(true);
    this.#api.acts(this.#shop()!, before).subscribe({
      next: (acts) => {
        this.rows.update((rows) => (before === null ? [...acts] : [...rows, ...acts]));
        this.hasOlder.set(acts.length > 0 && acts.at(-1)!.seq > 1);
        this.loading.set(false);
      },
      error: (failure: HttpErrorResponse) => {
        this.problem.set(problemOf(failure).detail);
        this.loading.set(false);
      },
    });
  }
}
