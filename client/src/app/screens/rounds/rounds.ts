import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { RoundView } from '@tetrad/contracts';
import { TableModule } from 'primeng/table';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { intervalWords } from '../../rounds/interval-words';
import { RoundList } from '../../rounds/round-list';
import { Api } from '../../api/api';
import { selectMay, selectShop } from '../../state/session/session.feature';
import { RoundDialog } from './round-dialog';
import { RoundVehicles } from './round-vehicles';
import { addressOf } from '@tetrad/contracts/addresses';

/** Rounds: how many vehicles of each group are due, and one press to walk it. */
@Component({
  selector: 'tt-rounds',
  imports: [Button, Coming, DatePipe, Empty, Message, RoundDialog, RoundVehicles, RouterLink, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="kit-bar">
      <h1>Rounds</h1>
      <a pButton kind="bare" routerLink="/vehicles">All vehicles</a>
      @if (rounds().length > 0) {
        <a pButton kind="bare" [href]="calendar()" download="rounds.ics">Calendar</a>
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
    } @else if (rounds().length === 0) {
      <tt-empty says="No round is planned: the vehicles of a group, checked every so many days, kilometers or hours." />
    } @else {
      <p-table [value]="rounds()" dataKey="id" [paginator]="rounds().length > 20" [rows]="20">
        <ng-template #header>
          <tr>
            <th scope="col">Group</th>
            <th scope="col">Due</th>
            <th scope="col" class="kit-wide">How often</th>
            <th scope="col" class="kit-wide">Who</th>
            <th scope="col"><span class="sr-only">What to do</span></th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr [class.open]="row.id === open()">
            <td>
              <button
                pButton
                kind="link"
                [attr.aria-expanded]="row.id === open()"
                (click)="open.set(row.id === open() ? null : row.id)"
              >
                {{ row.group }}
              </button>
            </td>
            <td [class.late]="row.due > 0">
              {{ row.due }} of {{ row.vehicles }}
              @if (row.due === 0 && row.nextOn) {
                <span class="soft">next {{ row.nextOn | date: 'd MMM' }}</span>
              }
            </td>
            <td class="kit-wide">{{ row.interval }}</td>
            <td class="kit-wide">{{ row.assignee ?? '–' }}</td>
            <td class="does">
              <a pButton [kind]="row.due > 0 ? 'main' : 'plain'" [routerLink]="['/rounds', row.id]">Start round</a>
              <a pButton kind="bare" [routerLink]="['/rounds', row.id, 'sheet']">Sheet</a>
              <button pButton kind="bare" (click)="editing.set(row.of)">Change</button>
              <button pButton kind="bare" (click)="end(row.of)">End it</button>
            </td>
          </tr>
        </ng-template>
      </p-table>
      @if (shown(); as round) {
        <section [attr.aria-label]="round.group">
          <h2>{{ round.group }}</h2>
          <tt-round-vehicles [plan]="round.id" />
        </section>
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
    h2 {
      margin: 24px 16px 8px;
      font-size: var(--text-base);
    }
    .late {
      font-weight: 600;
      color: var(--outside);
    }
    .does {
      display: flex;
      flex-wrap: wrap;
      justify-content: end;
      gap: 4px;
    }
  `,
})
export class Rounds {
  readonly #api = inject(Api);
  readonly #list = inject(RoundList);
  readonly #store = inject(Store);
  readonly #toasts = inject(Toasts);
  readonly #shop = this.#store.selectSignal(selectShop);
  protected readonly may = this.#store.selectSignal(selectMay('see-all-jobs'));
  protected readonly editing = signal<RoundView | 'new' | null>(null);
  protected readonly found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null || !this.may() ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#list.plans(shop),
  });
  protected readonly calendar = computed(() => addressOf('getRoundCalendar', this.#shop() ?? ''));
  protected readonly rounds = computed(() =>
    (this.found.hasValue() ? this.found.value() : []).map((round) => ({
      ...round,
      interval: intervalWords(round),
      of: round,
    })),
  );
  /** The round whose vehicles are shown: the first with something due, until another is chosen. */
  protected readonly open = linkedSignal<string | null>(
    () => (this.rounds().find(({ due }) => due > 0) ?? this.rounds()[0])?.id ?? null,
  );
  protected readonly shown = computed(() => this.rounds().find(({ id }) => id === this.open()) ?? null);

  protected end({ id, vehicles: _v, due: _d, nextOn: _n, ...plan }: RoundView): void {
    const shop = this.#shop();
    if (shop === null) return;
    const told = Object.fromEntries(Object.entries(plan).filter(([, value]) => value !== null));
    const again = { group: plan.group, ...told };
    this.#api.endRound(shop, id).subscribe({
      next: () => {
        this.found.reload();
        const undo = (): void => void this.#api.planRound(shop, id, again).subscribe(() => this.found.reload());
        this.#toasts.say(`The round of ${plan.group} is ended.`, undo);
      },
      error: () => this.#toasts.say('The round was not ended: the server does not answer.'),
    });
  }
}
