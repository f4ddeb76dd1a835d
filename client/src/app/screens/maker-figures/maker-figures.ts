import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { MakerFiguresView } from '@tetrad/contracts';
import { batteryLabelWords } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { FileButton } from '../../kit/file-button';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { figureTable, readFigures } from '../../maker-figures/figure-table';
import type { CellProblem } from '../../maker-figures/figure-table';
import { specifiedWords } from '../../maker-figures/figure-words';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { selectMay, selectShop } from '../../state/session/session.feature';
import { FiguresDialog } from './figures-dialog';

const PAGE = 50;
const MAX_SHOWN = 5;

/** The shop's library of makers' figures: they win over every limit set, and are offered when a job is opened. */
@Component({
  selector: 'tt-maker-figures',
  imports: [Button, Coming, Empty, FiguresDialog, FileButton, Message, RouterLink, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Maker’s figures</h1>
      <a pButton kind="bare" routerLink="/criteria">Limit sets</a>
      <button pButton kind="bare" [disabled]="records().length === 0" (click)="exportCsv()">Export CSV</button>
      @if (may()) {
        <tt-file-button label="Import CSV" accept=".csv" kind="bare" (chosen)="bring($event)" />
        <button pButton kind="main" (click)="editing.set('new')">Add figures</button>
      }
    </div>
    @if (refused(); as why) {
      <tt-message>
        {{ why }} Nothing was stored. <button pButton kind="bare" (click)="refused.set(null)">Close</button>
      </tt-message>
    }
    @if (found.error()) {
      <tt-message>
        The figures could not be loaded. <button pButton (click)="found.reload()">Try again</button>
      </tt-message>
    } @else if (found.isLoading() && records().length === 0) {
      <tt-coming says="Loading the figures …" />
    } @else if (records().length === 0) {
      <tt-empty
        says="No figures yet. What a maker says of starter amps, cranking and charging volts wins over every limit set; it is offered when a job of such a vehicle is opened."
      />
    } @else {
      <p-table [value]="rows()" dataKey="id" [paginator]="rows().length > page" [rows]="page">
        <ng-template #header>
          <tr>
            <th scope="col">Engine or model</th>
            <th scope="col">Figures</th>
            <th scope="col" class="kit-wide">Battery</th>
            <th scope="col" class="kit-wide">Source</th>
            <th scope="col"><span class="sr-only">What to do</span></th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr>
            <td>
              <strong>{{ row.name }}</strong>
            </td>
            <td>{{ row.figures }}</td>
            <td class="kit-wide">{{ row.battery }}</td>
            <td class="kit-wide">{{ row.source || 'not told' }}</td>
            <td class="does">
              @if (may()) {
                <button pButton kind="bare" (click)="editing.set(row.of)">Change</button>
                <button pButton kind="bare" (click)="remove(row.of)">Remove</button>
              }
            </td>
          </tr>
        </ng-template>
      </p-table>
    }
    @if (editing(); as what) {
      <tt-figures-dialog
        [record]="what === 'new' ? null : what"
        (saved)="editing.set(null); found.reload()"
        (closed)="editing.set(null)"
      />
    }
  `,
  styles: `
    .does {
      text-align: right;
      white-space: nowrap;
    }
  `,
})
export class MakerFiguresScreen {
  readonly #api = inject(Api);
  readonly #csv = inject(CsvFiles);
  readonly #toasts = inject(Toasts);
  readonly #figures = inject(Figures);
  readonly #shop = inject(Store).selectSignal(selectShop);
  protected readonly may = inject(Store).selectSignal(selectMay('see-all-jobs'));
  protected readonly page = PAGE;
  protected readonly editing = signal<MakerFiguresView | 'new' | null>(null);
  protected readonly refused = signal<string | null>(null);

  protected readonly found = rxResource({
    params: () => this.#shop() ?? undefined,
    stream: ({ params: shop }) => this.#api.listMakerFigures(shop),
  });
  protected readonly records = computed(() => (this.found.hasValue() ? this.found.value() : []));
  protected readonly rows = computed(() => {
    const format = this.#figures.format();
    return this.records().map((of) => ({
      ...{ id: of.id, name: of.name, source: of.source, of },
      figures: specifiedWords(of.system, format).join(', ') || '–',
      battery: batteryLabelWords(of.system, format).join(' · '),
    }));
  });

  protected exportCsv(): void {
    void this.#csv.save('makers-figures', figureTable(this.records()));
  }
  protected async bring(file: File): Promise<void> {
    this.refused.set(null);
    const shop = this.#shop();
    const read = readFigures(await file.text());
    if (!read.ok) return this.refused.set(problemWords(read.problems));
    if (shop === null) return;
    this.#api.importMakerFigures(shop, { rows: [...read.rows] }).subscribe({
      next: ({ added, changed, same }) => {
        this.#toasts.say(`${added} added, ${changed} changed, ${same} as they were`);
        this.found.reload();
      },
      error: (error: HttpErrorResponse) => this.refused.set(problemOf(error).detail),
    });
  }
  protected remove({ id, name, source, system }: MakerFiguresView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.removeMakerFigures(shop, id).subscribe({
      next: () => {
        this.found.reload();
        this.#toasts.say(`${name} removed`, () =>
          this.#api.putMakerFigures(shop, id, { name, source, system }).subscribe(() => this.found.reload()),
        );
      },
      error: (error: HttpErrorResponse) => this.refused.set(problemOf(error).detail),
    });
  }
}

/** The first cells that do not fit, and how many more there are. */
function problemWords(problems: readonly CellProblem[]): string {
  const told = problems
    .slice(0, MAX_SHOWN)
    .map(({ line, column, found, allowed }) => `Line ${line}, ${column}: found ${found}; allowed is ${allowed}.`);
  const more = problems.length - told.length;
  return [...told, ...(more > 0 ? [`${more} more cells do not fit.`] : [])].join(' ');
}
