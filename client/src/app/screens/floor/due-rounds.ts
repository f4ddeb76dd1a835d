import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { catchError, of, switchMap, timer } from 'rxjs';
import { RoundList } from '../../rounds/round-list';
import { selectMay, selectShop } from '../../state/session/session.feature';

/** Rounds that are told by name; more of them are counted. */
const MAX_TOLD = 3;
/** What is due changes with the day, ms. */
const AGAIN_MS = 3_600_000;

/** Which rounds have vehicles due: the way to walk them. */
@Component({
  selector: 'tt-due-rounds',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (due().length > 0) {
      <p>
        <span class="soft">Checks due:</span>
        @for (round of due().slice(0, told); track round.id) {
          <a [routerLink]="['/rounds', round.id]"
            ><strong>{{ round.group }}</strong> <span class="figure">{{ round.due }}</span> of
            <span class="figure">{{ round.vehicles }}</span></a
          >
        }
        @if (due().length > told) {
          <a routerLink="/rounds">and {{ due().length - told }} more rounds</a>
        }
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 16px;
      margin: 0;
      padding: 0 16px 4px;
    }
    a {
      display: inline-flex;
      align-items: center;
      gap: 6px;
      min-height: 32px;
    }
  `,
})
export class DueRounds {
  readonly #list = inject(RoundList);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #may = this.#store.selectSignal(selectMay('see-all-jobs'));
  protected readonly told = MAX_TOLD;
  readonly #found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null || !this.#may() ? undefined : { shop };
    },
    stream: ({ params: { shop } }) =>
      timer(0, AGAIN_MS).pipe(switchMap(() => this.#list.plans(shop).pipe(catchError(() => of([]))))),
  });
  protected readonly due = computed(() =>
    (this.#found.hasValue() ? this.#found.value() : []).filter(({ due }) => due > 0).sort((a, b) => b.due - a.due),
  );
}
