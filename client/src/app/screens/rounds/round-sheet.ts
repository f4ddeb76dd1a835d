import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { sheetWords } from '@tetrad/contracts';
import type { SheetRow, Urgency } from '@tetrad/contracts';
import type { Grade } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { catchError, EMPTY, expand, of, scan } from 'rxjs';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { GradeMark } from '../../kit/grade-mark';
import { Message } from '../../kit/message';
import { ProfileView } from '../../kit/profile-view';
import { Coming, Empty } from '../../kit/states';
import { selectUnsent } from '../../outbox/outbox.feature';
import { RoundList } from '../../rounds/round-list';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { addressOf } from '@tetrad/contracts/addresses';
import type { Observable } from 'rxjs';

const MARKS: Readonly<Record<Urgency, Grade>> = { act: 'outside', doubtful: 'near', due: 'noted', sound: 'within' };

/** The round sheet: every vehicle by urgency, its four notes, what changed since the visit before, comments. */
@Component({
  selector: 'tt-round-sheet',
  imports: [Button, Coming, Empty, GradeMark, Message, ProfileView, RouterLink, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>{{ group() }}: round sheet</h1>
      <p class="soft">{{ sums() }}</p>
      <a pButton kind="bare" [routerLink]="['/rounds', plan()]">Start round</a>
      <button pButton kind="bare" [disabled]="rows().length === 0" (click)="exportCsv()">Export CSV</button>
      <a pButton [href]="pdf()" download>PDF</a>
    </div>
    @if (found.error()) {
      <tt-message>
        The sheet could not be loaded. <button pButton (click)="found.reload()">Try again</button>
      </tt-message>
    } @else if (found.isLoading() && rows().length === 0) {
      <tt-coming says="Loading the sheet …" />
    } @else if (rows().length === 0) {
      <tt-empty says="No vehicle is in this group." />
    } @else {
      <p-table [value]="shown()" dataKey="id">
        <ng-template #header>
          <tr>
            <th scope="col">Urgency</th>
            <th scope="col">Vehicle</th>
            <th scope="col">Result</th>
            <th scope="col" class="kit-wide">Four notes</th>
            <th scope="col" class="kit-wide">Changed since the visit before</th>
            <th scope="col" class="kit-wide">Comment</th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr>
            <td><tt-grade [grade]="row.mark" /> {{ row.urgency }}</td>
            <td>
              <a [routerLink]="['/vehicles', row.id]">{{ row.vehicle }}</a>
              <span class="figure soft plate">{{ row.plate }}</span>
            </td>
            <td>
              @if (row.job) {
                <a [routerLink]="['/jobs', row.job]">{{ row.says }}</a>
              } @else {
                {{ row.says }}
              }
              <span class="soft">{{ row.when }}</span>
            </td>
            <td class="kit-wide">
              @if (row.profile) {
                <div class="mark"><tt-profile [small]="true" [profile]="row.profile" /></div>
              }
              <span class="figure notes">{{ row.figures }}</span>
            </td>
            <td class="kit-wide">{{ row.changed || '–' }}</td>
            <td class="kit-wide">{{ row.comment || '–' }}</td>
          </tr>
        </ng-template>
      </p-table>
      @if (shown().length < rows().length) {
        <button pButton (click)="most.set(most() + step)">
          Show {{ step }} more, {{ rows().length - shown().length }} are left
        </button>
      }
    }
  `,
  styles: `
    h1,
    .kit-bar p {
      margin: 0 auto 0 0;
    }
    td .soft {
      margin-left: 8px;
    }
    .plate {
      white-space: nowrap;
    }
    .mark {
      width: 104px;
      height: 44px;
    }
    .notes {
      font-size: var(--text-sm);
    }
  `,
})
export class RoundSheet {
  readonly #api = inject(Api);
  readonly #csv = inject(CsvFiles);
  readonly #figures = inject(Figures);
  readonly #list = inject(RoundList);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #unsent = this.#store.selectSignal(selectUnsent);
  /** Checks of this device that are not stored yet: with each that is, the sheet is another. */
  readonly #onTheirWay = computed(() => this.#unsent().filter(({ kind }) => kind === 'round-check').length);
  readonly plan = input.required<string>();
  readonly #asked = computed(() => {
    const shop = this.#shop();
    return shop === null ? undefined : { shop, plan: this.plan() };
  });
  protected readonly found = rxResource({
    params: () => {
      const asked = this.#asked();
      return asked && { ...asked, onTheirWay: this.#onTheirWay() };
    },
    stream: ({ params: { shop, plan } }) => this.#sheet(shop, plan),
  });
  readonly #plans = rxResource({
    params: this.#asked,
    stream: ({ params: { shop } }) => this.#list.plans(shop).pipe(catchError(() => of([]))),
  });
  protected readonly group = computed(
    () => (this.#plans.hasValue() ? this.#plans.value().find(({ id }) => id === this.plan())?.group : null) ?? 'Round',
  );
  protected readonly pdf = computed(() => {
    const { decimal, temperature, smallVolts } = this.#figures.choice();
    const query = new URLSearchParams({ decimal, temperature, smallVolts });
    return `${addressOf('printRoundSheet', this.#shop() ?? '', this.plan())}?${query.toString()}`;
  });
  /** What was loaded last is shown while it is loaded again. */
  readonly #loaded = linkedSignal<{ plan: string; rows: readonly SheetRow[] | null }, readonly SheetRow[]>({
    source: () => ({ plan: this.plan(), rows: this.found.hasValue() ? this.found.value() : null }),
    computation: ({ plan, rows }, before) => rows ?? (before?.source.plan === plan ? before.value : []),
  });
  protected readonly rows = computed(() =>
    this.#loaded().map((row) => {
      const words = sheetWords(row, this.#figures.format());
      return {
        ...words,
        id: row.vehicle.id,
        job: row.job,
        mark: MARKS[row.urgency],
        profile: row.profile,
        figures: Object.values(words.notes).filter(Boolean).join(' · '),
        when: [words.checked && `checked ${words.checked}`, words.due && `due ${words.due}`].filter(Boolean).join(', '),
      };
    }),
  );
  /** So many rows are drawn at first, and more when they are asked for; the file holds all of them. */
  protected readonly step = 100;
  protected readonly most = signal(this.step);
  protected readonly shown = computed(() => this.rows().slice(0, this.most()));
  protected readonly sums = computed(() => {
    const count = (word: string): number => this.rows().filter(({ urgency }) => urgency === word).length;
    const words = [...new Set(this.rows().map(({ urgency }) => urgency))];
    return words.map((word) => `${count(word)} ${word.toLowerCase()}`).join(', ');
  });

  /** The rows, page after page: what is there already is told with each. */
  #sheet(shop: string, plan: string): Observable<readonly SheetRow[]> {
    return this.#api.getRoundSheet(shop, plan).pipe(
      expand(({ next }) => (next === null ? EMPTY : this.#api.nextPage<SheetRow>(next))),
      scan((rows, { rows: more }) => [...rows, ...more], [] as readonly SheetRow[]),
    );
  }

  protected exportCsv(): void {
    const table = this.rows().map(({ vehicle, plate, urgency, says, checked, due, notes, changed, comment }) => ({
      urgency,
      vehicle,
      plate,
      result: says,
      checked,
      due,
      resting: notes['resting-voltage'],
      cranking: notes['cranking-voltage'],
      charging: notes['charging-voltage'],
      ripple: notes['ripple-ac'],
      'changed since the visit before': changed,
      comment,
    }));
    void this.#csv.save(`round-${this.group()}`, table);
  }
}
