import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { RoundVehicle } from '@tetrad/contracts';
import { decisionWords } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { Figures } from '../../device/figures';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { Coming } from '../../kit/states';
import { dueWords } from '../../rounds/interval-words';
import { RoundList } from '../../rounds/round-list';
import { selectShop } from '../../state/session/session.feature';

/** The vehicles of one round, what is due first standing first. */
@Component({
  selector: 'tt-round-vehicles',
  imports: [Button, Coming, DatePipe, Message, RouterLink, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (found.error()) {
      <tt-message>
        The vehicles could not be loaded. <button pButton (click)="found.reload()">Try again</button>
      </tt-message>
    } @else if (found.isLoading() && rows().length === 0) {
      <tt-coming says="Loading the vehicles …" />
    } @else {
      <p-table
        [value]="rows()"
        dataKey="id"
        [paginator]="rows().length > 50"
        [rows]="50"
        [showCurrentPageReport]="true"
        currentPageReportTemplate="{first} to {last} of {totalRecords}"
      >
        <ng-template #header>
          <tr>
            <th scope="col">Vehicle</th>
            <th scope="col">Due</th>
            <th scope="col" class="kit-wide">Last visit</th>
            <th scope="col" class="kit-wide">Result</th>
            <th scope="col" class="kit-wide">Odometer</th>
          </tr>
        </ng-template>
        <ng-template #body let-row>
          <tr>
            <td>
              <a [routerLink]="['/vehicles', row.id]">{{ row.name }}</a>
              <span class="figure soft plate">{{ row.plate }}</span>
            </td>
            <td [class.late]="row.isDue">{{ row.due }}</td>
            <td class="kit-wide">{{ row.lastVisit ? (row.lastVisit | date: 'd MMM y') : 'never' }}</td>
            <td class="kit-wide">{{ row.said }}</td>
            <td class="wide figure">{{ row.use }}</td>
          </tr>
        </ng-template>
        <ng-template #emptymessage>
          <tr>
            <td colspan="5" class="soft">No vehicle is in this group: give a vehicle its group on its own page.</td>
          </tr>
        </ng-template>
      </p-table>
    }
  `,
  styles: `
    .plate {
      margin-left: 8px;
      white-space: nowrap;
    }
    .late {
      font-weight: 600;
      color: var(--outside);
    }
  `,
})
export class RoundVehicles {
  readonly #list = inject(RoundList);
  readonly #figures = inject(Figures);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly plan = input.required<string>();
  protected readonly found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop, plan: this.plan() };
    },
    stream: ({ params: { shop, plan } }) => this.#list.vehicles(shop, plan),
  });
  protected readonly rows = computed(() =>
    (this.found.hasValue() ? this.found.value() : []).map((one) => this.#row(one)),
  );

  reload(): void {
    this.found.reload();
  }

  #row({ vehicle, lastVisit, dueOn, decision, use }: RoundVehicle) {
    const { words: due, isDue } = dueWords(dueOn);
    return {
      id: vehicle.id,
      name: vehicle.name,
      plate: vehicle.plate,
      lastVisit,
      isDue,
      due,
      said: decision === null ? '–' : decisionWords(decision, this.#figures.format()),
      use: useWords(use),
    };
  }
}

function useWords(use: RoundVehicle['use']): string {
  const shown = [
    use && use.km !== null && `${use.km.toLocaleString('en')} km`,
    use && use.hours !== null && `${use.hours.toLocaleString('en')} h`,
  ].filter(Boolean);
  return shown.join(', ') || '–';
}
