import { ChangeDetectionStrategy, Component, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { VehicleView } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { TableModule } from 'primeng/table';
import { debounceTime, map, startWith } from 'rxjs';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Field } from '../../kit/field';
import { FileButton } from '../../kit/file-button';
import { Message } from '../../kit/message';
import { saveText } from '../../kit/save-file';
import { Coming, Empty } from '../../kit/states';
import { Api, FIRST_PAGE } from '../../api/api';
import { selectMay, selectShop } from '../../state/session/session.feature';
import type { BroughtTable } from '../../vehicles/vehicle-table';
import { ImportDialog } from './import-dialog';

const PAUSE_MS = 200;

/** The vehicles of the shop: found by name, plate, VIN or group. */
@Component({
  selector: 'tt-vehicle-list',
  imports: [
    Button,
    Coming,
    Empty,
    Field,
    FileButton,
    ImportDialog,
    InputText,
    Message,
    ReactiveFormsModule,
    RouterLink,
    TableModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Vehicles</h1>
      <tt-field label="Name, plate, VIN or group" [quiet]="true">
        <input pInputText type="search" placeholder="Name, plate, VIN or group" maxlength="80" [formControl]="find" />
      </tt-field>
      <button pButton kind="bare" [disabled]="rows().length === 0" (click)="exportCsv()">Export CSV</button>
      <button pButton kind="bare" [disabled]="rows().length === 0" (click)="exportJson()">JSON</button>
      @if (mayImport()) {
        <a pButton routerLink="/rounds">Rounds</a>
        <tt-file-button label="Import" accept=".csv,.json" kind="bare" (chosen)="openFile($event)" />
      }
    </div>
    @if (refused(); as why) {
      <tt-message>The file was not read. {{ why }}</tt-message>
    }
    @if (brought(); as table) {
      <tt-import-dialog [table]="table" (changedAll)="load(null)" (closed)="brought.set(null)" />
    }
    @if (problem(); as why) {
      <tt-message>
        The vehicles could not be loaded. {{ why }}
        <button pButton (click)="load(null)">Try again</button>
      </tt-message>
    } @else if (isLoading() && rows().length === 0) {
      <tt-coming says="Loading the vehicles …" />
    } @else if (rows().length === 0) {
      <tt-empty
        [says]="words() ? 'No vehicle has “' + words() + '”.' : 'No vehicles yet: each new job brings its own.'"
      />
    } @else {
      <p-table [value]="rows()" dataKey="id">
        <ng-template #header>
          <tr>
            <th scope="col">Vehicle</th>
            <th scope="col">Plate</th>
            <th scope="col" class="kit-wide">VIN</th>
            <th scope="col" class="kit-wide">Year</th>
            <th scope="col">Group</th>
          </tr>
        </ng-template>
        <ng-template #body let-vehicle>
          <tr>
            <td>
              <a [routerLink]="['/vehicles', vehicle.id]">{{ vehicle.name }}</a>
            </td>
            <td class="figure">{{ vehicle.plate ?? '–' }}</td>
            <td class="figure wide">{{ vehicle.vin ?? '–' }}</td>
            <td class="figure wide">{{ vehicle.year ?? '–' }}</td>
            <td>{{ vehicle.group ?? '–' }}</td>
          </tr>
        </ng-template>
      </p-table>
      @if (next() !== null) {
        <p class="more"><button pButton [disabled]="isLoading()" (click)="load(next())">Load more</button></p>
      }
    }
  `,
  styles: `
    h1 {
      margin-right: auto;
    }
    tt-field {
      flex: 0 1 340px;
    }
    .more {
      padding: 0 16px;
    }
  `,
})
export class VehicleList {
  readonly #api = inject(Api);
  readonly #csv = inject(CsvFiles);
  readonly #shop = inject(Store).selectSignal(selectShop);
  protected readonly find = new FormControl('', { nonNullable: true });
  protected readonly words = toSignal(
    this.find.valueChanges.pipe(
      debounceTime(PAUSE_MS),
      map((text) => text.trim()),
      startWith(''),
    ),
    { initialValue: '' },
  );
  protected readonly rows = signal<VehicleView[]>([]);
  protected readonly next = signal<string | null>(null);
  protected readonly isLoading = signal(false);
  protected readonly refused = signal<string | null>(null);
  protected readonly brought = signal<BroughtTable | null>(null);
  protected readonly mayImport = inject(Store).selectSignal(selectMay('see-all-jobs'));
  protected readonly problem = signal<string | null>(null);
  /** An answer of an earlier search is passed over. */
  #asked = 0;

  constructor() {
    effect(() => {
      this.words();
      if (this.#shop() !== null) untracked(() => this.load(null));
    });
  }

  /** @param address Of the next page; null begins anew. */
  protected load(address: string | null): void {
    const shop = this.#shop();
    if (shop === null) return;
    const asked = ++this.#asked;
    this.isLoading.set(true);
    this.problem.set(null);
    const find = this.words();
    const page =
      address === null
        ? this.#api.listVehicles(shop, { limit: FIRST_PAGE, ...(find !== '' && { find }) })
        : this.#api.nextPage<VehicleView>(address);
    page.subscribe({
      next: ({ rows, next }) => {
        if (asked !== this.#asked) return;
        this.isLoading.set(false);
        this.rows.update((before) => (address === null ? [...rows] : [...before, ...rows]));
        this.next.set(next);
      },
      error: () => {
        this.isLoading.set(false);
        this.problem.set('The server does not answer.');
      },
    });
  }
  /** What reads it is fetched when it is first asked for. */
  protected async openFile(file: File): Promise<void> {
    const [{ readTable }, text] = await Promise.all([import('../../vehicles/vehicle-table'), file.text()]);
    const table = readTable(text, file.name);
    this.refused.set(typeof table === 'string' ? table : null);
    this.brought.set(typeof table === 'string' ? null : table);
  }
  protected exportJson(): void {
    saveText('vehicles.json', 'application/json', `${JSON.stringify(this.#table(), null, 2)}\n`);
  }
  protected exportCsv(): void {
    void this.#csv.save('vehicles', this.#table());
  }
  #table() {
    return this.rows().map(({ name, plate, vin, year, group }) => ({
      name,
      plate: plate ?? '',
      vin: vin ?? '',
      year: year ?? '',
      group: group ?? '',
    }));
  }
}
