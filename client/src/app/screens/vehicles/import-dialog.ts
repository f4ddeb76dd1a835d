import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import type { HttpErrorResponse } from '@angular/common/http';
import { Store } from '@ngrx/store';
import type { ImportedRow, Problem, VehicleImportView } from '@tetrad/contracts';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Message } from '../../kit/message';
import { Select } from '../../kit/select';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { selectShop } from '../../state/session/session.feature';
import { DATE_STYLES, stylesOf } from '../../vehicles/date-style';
import type { DateStyle } from '../../vehicles/date-style';
import { IMPORT_FIELDS, columnOf, guessMapping, mappedRows } from '../../vehicles/vehicle-table';
import type { BroughtTable, ImportField, Mapping } from '../../vehicles/vehicle-table';

const NAMES: Readonly<Record<ImportField, string>> = {
  name: 'Name',
  plate: 'Plate',
  vin: 'VIN',
  year: 'Year',
  group: 'Group',
  batteryFittedOn: 'Battery fitted on',
};
const WHAT: Readonly<Record<ImportedRow['what'], string>> = { new: 'new', changed: 'changed', same: 'unchanged' };
/** More problems are not told at once. */
const MAX_TOLD = 8;

/** A list of vehicles: which column is which, what would change, and then all of it or nothing. */
@Component({
  selector: 'tt-import-dialog',
  imports: [Button, Dialog, Message, Select, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Import vehicles" (closed)="closed.emit()">
      <div class="rows">
        <div class="columns">
          @for (field of fields; track field) {
            <tt-select
              [label]="names[field]"
              [options]="columns()"
              [value]="mapping()[field]"
              (valueChange)="map(field, $event ?? null)"
            />
          }
          @if (styles().length > 1) {
            <tt-select
              label="Its dates are"
              [options]="styleOptions()"
              [value]="style()"
              (valueChange)="choose($event)"
            />
          }
        </div>
        @for (problem of problems(); track $index) {
          <tt-message>{{ problem }}</tt-message>
        }
        @if (told(); as view) {
          <p role="status">
            <strong>{{ counts() }}</strong>
          </p>
          <p-table [value]="changed()" dataKey="at" scrollHeight="240px" [scrollable]="true">
            <ng-template #header>
              <tr>
                <th scope="col">Row</th>
                <th scope="col">What</th>
                <th scope="col">Changes</th>
              </tr>
            </ng-template>
            <ng-template #body let-row>
              <tr>
                <td class="figure">{{ row.at }}</td>
                <td>{{ row.what }}</td>
                <td>
                  {{ row.says }}
                  @if (row.doubt) {
                    <span class="soft">{{ row.doubt }}</span>
                  }
                </td>
              </tr>
            </ng-template>
          </p-table>
        }
        <div class="kit-end">
          <button pButton (click)="closed.emit()">Cancel</button>
          @if (told() === null) {
            <button
              pButton
              kind="main"
              [disabled]="!isMapped() || isAsking() || (styles().length > 1 && style() === null)"
              (click)="ask(false)"
            >
              Show what changes
            </button>
          } @else {
            <button pButton kind="main" [disabled]="changed().length === 0 || isAsking()" (click)="ask(true)">
              Import {{ changed().length }}
            </button>
          }
        </div>
      </div>
    </tt-dialog>
  `,
  styles: `
    .rows {
      display: grid;
      gap: 12px;
      width: min(760px, calc(100vw - 72px));
    }
    .columns {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
      gap: 12px;
    }
    p {
      margin: 0;
    }
  `,
})
export class ImportDialog {
  readonly #api = inject(Api);
  readonly #toasts = inject(Toasts);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly table = input.required<BroughtTable>();
  /** Something was stored, or taken back. */
  readonly changedAll = output();
  readonly closed = output();
  protected readonly fields = IMPORT_FIELDS;
  protected readonly names = NAMES;
  protected readonly columns = computed(() => [
    { value: null, label: '–' },
    ...this.table().columns.map((column) => ({ value: column, label: column })),
  ]);
  protected readonly mapping = linkedSignal<Mapping>(() => guessMapping(this.table()));
  protected readonly isMapped = computed(() => this.mapping().name !== null || this.mapping().plate !== null);
  readonly #dates = computed(() => columnOf(this.table(), this.mapping().batteryFittedOn));
  /** Styles in which the whole column can be read. */
  protected readonly styles = computed(() => (this.#dates().length === 0 ? [] : stylesOf(this.#dates())));
  protected readonly styleOptions = computed(() => [
    { value: null, label: 'choose' },
    ...this.styles().map((value) => ({ value, label: DATE_STYLES[value].words })),
  ]);
  /** What can be told by itself is; day and month that cannot be told apart are asked for. */
  protected readonly style = linkedSignal<DateStyle | null>(() => {
    const styles = this.styles();
    return styles.length === 1 ? styles[0]! : null;
  });
  protected readonly told = signal<VehicleImportView | null>(null);
  protected readonly problems = signal<readonly string[]>([]);
  protected readonly isAsking = signal(false);
  protected readonly changed = computed(() =>
    (this.told()?.rows ?? []).flatMap(({ what, changes, doubt }, at) =>
      what === 'same' ? [] : [{ at: at + 1, what: WHAT[what], says: this.#says(at, what, changes), doubt }],
    ),
  );
  protected readonly counts = computed(() => {
    const rows = this.told()?.rows ?? [];
    const count = (what: ImportedRow['what']): number => rows.filter((row) => row.what === what).length;
    return `${count('new')} new, ${count('changed')} changed, ${count('same')} unchanged.`;
  });

  protected map(field: ImportField, column: string | null): void {
    this.mapping.update((before) => ({ ...before, [field]: column }));
    this.told.set(null);
  }

  protected choose(style: DateStyle | null): void {
    this.style.set(style);
    this.told.set(null);
  }

  protected ask(isApplied: boolean): void {
    const shop = this.#shop();
    if (shop === null) return;
    if (this.#dates().length > 0 && this.styles().length === 0) return this.problems.set([mixedDates(this.#dates())]);
    const body = { id: newId(), rows: mappedRows(this.table(), this.mapping(), this.style()), isApplied };
    this.isAsking.set(true);
    this.problems.set([]);
    this.#api.importVehicles(shop, body).subscribe({
      next: (view) => {
        this.isAsking.set(false);
        if (!isApplied) return this.told.set(view);
        const undo = (): void => void this.#api.undoImport(shop, view.id).subscribe(() => this.changedAll.emit());
        this.#toasts.say(`Imported: ${this.counts()}`, undo);
        this.changedAll.emit();
        this.closed.emit();
      },
      error: (failure: HttpErrorResponse) => {
        this.isAsking.set(false);
        this.problems.set(problemsOf(problemOf(failure)));
      },
    });
  }

  #says(at: number, what: ImportedRow['what'], changes: ImportedRow['changes']): string {
    if (what === 'new') return mappedRows(this.table(), this.mapping(), this.style())[at]?.name ?? '';
    return Object.entries(changes)
      .map(([field, [before, after]]) => `${NAMES[field as ImportField]}: ${before || 'nothing'} → ${after}`)
      .join('; ');
  }
}

/** Which of the dates do not go together. */
function mixedDates(texts: readonly string[]): string {
  const [first = ''] = texts;
  const other = texts.find((text) => stylesOf([first, text]).length === 0) ?? first;
  const styles = Object.values(DATE_STYLES).map(({ words }) => words);
  return `Battery fitted on: found “${first}” and “${other}”; allowed is one style in the whole column: ${styles.join(', ')}.`;
}

/** By row and field: `rows[2].plate` is row 3. */
function problemsOf({ detail, errors }: Problem): readonly string[] {
  if (!errors?.length) return [detail];
  const told = errors.slice(0, MAX_TOLD).map(({ field, found, allowed }) => {
    const [, at, name] = /^rows\[(\d+)\]\.?(\w*)/.exec(field) ?? [];
    const where = at === undefined ? field : `Row ${Number(at) + 1}, ${NAMES[name as ImportField] ?? name}`;
    return `${where}: found ${found}; allowed is ${allowed}`;
  });
  return errors.length > MAX_TOLD ? [...told, `${errors.length - MAX_TOLD} more.`] : told;
}
