import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { RoundVehicle, RoundView } from '@tetrad/contracts';
import { decisionWords } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { queued } from '../../outbox/outbox-item';
import { OutboxActions } from '../../outbox/outbox.actions';
import { Api } from '../../state/api';
import { newId } from '../../state/new-id';
import { selectMay, selectShop, selectWho } from '../../state/session/session.feature';
import { RoundDialog } from './round-dialog';

const DAY_MS = 86_400_000;
const ANY_SYSTEM = { nominalVolts: 12, battery: { chemistry: 'flooded' } } as const;

/** Rounds: the vehicles of a group by urgency, each one press from its check. */
@Component({
  selector: 'tt-rounds',
  imports: [Button, Coming, DatePipe, Empty, Message, RoundDialog, RouterLink, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      <h1>Rounds</h1>
      <a pButton kind="bare" routerLink="/vehicles">All vehicles</a>
      @if (rounds().length > 0) {
        <a pButton kind="bare" [href]="calendar()" download="rounds.ics">Calendar</a>
        <button pButton kind="bare" (click)="exportCsv()">Export CSV</button>
      }
      <button pButton kind="main" [disabled]="!may()" (click)="editing.set('new')">Plan a round</button>
    </div>
    @if (!may()) {
      <tt-message>Technicians, leads and administrators see the rounds.</tt-message>
    } @else if (found.error()) {
      <tt-message>
        The rounds could not be loaded. <button pButton (click)="found.reload()">Try again</button>
      </tt-message>
    } @else if (found.isLoading() && rounds().length === 0) {
      <tt-coming says="Loading the rounds …" />
    } @else {
      @for (round of rounds(); track round.id) {
        <section [attr.aria-label]="round.group">
          <div class="head">
            <h2>{{ round.group }}</h2>
            <p class="soft">
              every {{ round.everyDays }} days{{ round.assignee ? ', ' + round.assignee : '' }} · {{ round.says }}
            </p>
            <button pButton kind="bare" (click)="editing.set(round.of)">Change</button>
            <button pButton kind="bare" (click)="end(round.of)">End it</button>
          </div>
          <p-table [value]="round.rows" dataKey="id">
            <ng-template #header>
              <tr>
                <th scope="col">Vehicle</th>
                <th scope="col">Due</th>
                <th scope="col" class="wide">Last visit</th>
                <th scope="col" class="wide">It said</th>
                <th scope="col"><span class="sr-only">Check</span></th>
              </tr>
            </ng-template>
            <ng-template #body let-row>
              <tr>
                <td>
                  <a [routerLink]="['/vehicles', row.id]">{{ row.name }}</a>
                  <span class="figure soft">{{ row.plate }}</span>
                </td>
                <td [class.late]="row.isDue">{{ row.due }}</td>
                <td class="wide">{{ row.lastVisit ? (row.lastVisit | date: 'd MMM y') : 'never' }}</td>
                <td class="wide">{{ row.said }}</td>
                <td><button pButton [kind]="row.isDue ? 'main' : 'plain'" (click)="check(row.of)">Check</button></td>
              </tr>
            </ng-template>
            <ng-template #emptymessage>
              <tr>
                <td colspan="5" class="soft">No vehicle is in this group: give a vehicle its group on its own page.</td>
              </tr>
            </ng-template>
          </p-table>
        </section>
      } @empty {
        <tt-empty says="No round is planned: the vehicles of a group, checked every so many days." />
      }
    }
    @if (editing(); as what) {
      <tt-round-dialog
        [round]="what === 'new' ? null : what"
        (saved)="editing.set(null); found.reload()"
        (closed)="editing.set(null)"
      />
    }
  `,
  styles: `
    .bar,
    .head {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 16px;
      padding: 8px 16px;
    }
    h1,
    .head p {
      margin: 0 auto 0 0;
    }
    h2 {
      margin: 0;
      font-size: var(--text-m);
    }
    .late {
      font-weight: 600;
      color: var(--outside);
    }
    @media (max-width: 768px) {
      .wide {
        display: none;
      }
    }
  `,
})
export class Rounds {
  readonly #api = inject(Api);
  readonly #csv = inject(CsvFiles);
  readonly #router = inject(Router);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #figures = inject(Figures);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #who = this.#store.selectSignal(selectWho);
  protected readonly may = this.#store.selectSignal(selectMay('see-all-jobs'));
  protected readonly editing = signal<RoundView | 'new' | null>(null);
  protected readonly found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null || !this.may() ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#api.rounds(shop),
  });
  protected readonly calendar = computed(() => `/api/shops/${this.#shop() ?? ''}/rounds.ics`);
  protected readonly rounds = computed(() =>
    (this.found.hasValue() ? this.found.value() : []).map((round) => {
      const rows = round.vehicles.map((vehicle) => this.#row(vehicle));
      const due = rows.filter(({ isDue }) => isDue).length;
      const says = due === 0 ? 'nothing is due' : `${due} of ${rows.length} due`;
      const { id, group, everyDays, assignee } = round;
      return { id, group, everyDays, assignee, says, rows, of: round };
    }),
  );

  /** Opens a job of the vehicle, as its last visit knew it; it works without the server too. */
  protected check({ vehicle, system }: RoundVehicle): void {
    const shop = this.#shop();
    if (shop === null) return;
    const job = newId();
    const body = {
      id: job,
      vehicle: { id: vehicle.id, name: vehicle.name },
      system: system ?? ANY_SYSTEM,
      ...(this.#who() && { assignee: this.#who() }),
    };
    this.#store.dispatch(OutboxActions.queued({ item: queued({ kind: 'new-job', shop, job, body }) }));
    void this.#router.navigate(['/jobs', job]);
  }
  protected end(round: RoundView): void {
    const shop = this.#shop();
    if (shop === null) return;
    const { id, group, everyDays, assignee } = round;
    const again = { group, everyDays, ...(assignee !== null && { assignee }) };
    this.#api.endRound(shop, id).subscribe({
      next: () => {
        this.found.reload();
        const undo = (): void => void this.#api.putRound(shop, id, again).subscribe(() => this.found.reload());
        this.#toasts.say(`The round of ${group} is ended.`, undo);
      },
      error: () => this.#toasts.say('The round was not ended: the server does not answer.'),
    });
  }
  protected exportCsv(): void {
    const table = this.rounds().flatMap(({ group, rows }) =>
      rows.map(({ name, plate, dueOn, lastVisit, said }) => ({
        group,
        vehicle: name,
        plate: plate ?? '',
        due: dueOn,
        'last visit': lastVisit?.slice(0, 10) ?? '',
        'it said': said,
      })),
    );
    void this.#csv.save('rounds', table);
  }

  #row(one: RoundVehicle) {
    const { vehicle, lastVisit, dueOn, decision } = one;
    const today = new Date();
    // days of the calendar here, whatever the hour
    const begun = Date.UTC(today.getFullYear(), today.getMonth(), today.getDate());
    const days = Math.round((Date.parse(dueOn) - begun) / DAY_MS);
    const due =
      days < 0
        ? `${-days} ${days === -1 ? 'day' : 'days'} ago`
        : days === 0
          ? 'today'
          : `in ${days} ${days === 1 ? 'day' : 'days'}`;
    return {
      id: vehicle.id,
      name: vehicle.name,
      plate: vehicle.plate,
      dueOn,
      lastVisit,
      isDue: days <= 0,
      due,
      said: decision === null ? '–' : decisionWords(decision, this.#figures.format()),
      of: one,
    };
  }
}
