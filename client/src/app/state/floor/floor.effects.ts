import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { EMPTY, combineLatest, debounceTime, distinctUntilChanged, map, merge, switchMap, withLatestFrom } from 'rxjs';
import { Kept } from '../../device/kept';
import { Api } from '../api';
import { eventStream } from '../event-stream';
import { keptAnswer } from '../kept-answer';
import { chosenShop } from '../session/session.feature';
import { FloorActions, selectFloor } from './floor.feature';

/** Many jobs may change at once: the floor is read again once they are quiet. */
const QUIET_MS = 250;

/** Loads the floor when it is opened, when another shop is chosen, and when a job of the shop changes. */
@Injectable()
export class FloorEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);
  readonly #shop = chosenShop(this.#store);

  readonly load = createEffect(() =>
    combineLatest([this.#actions.pipe(ofType(FloorActions.load)), this.#shop]).pipe(
      switchMap(([{ status }, shop]) =>
        keptAnswer(this.#kept, `floor ${shop} ${status}`, this.#api.floor(shop, status), {
          loaded: (rows) => FloorActions.loaded({ rows }),
          failed: (problem) => FloorActions.failed({ problem }),
        }),
      ),
    ),
  );

  readonly live = createEffect(() =>
    combineLatest([
      merge(
        this.#actions.pipe(
          ofType(FloorActions.load),
          map(() => true),
        ),
        this.#actions.pipe(
          ofType(FloorActions.left),
          map(() => false),
        ),
      ).pipe(distinctUntilChanged()),
      this.#shop,
    ]).pipe(
      switchMap(([watched, shop]) => (watched ? eventStream(`/api/shops/${shop}/live`, 'floor') : EMPTY)),
      debounceTime(QUIET_MS),
      withLatestFrom(this.#store.select(selectFloor)),
      map(([, { status }]) => FloorActions.load({ status })),
    ),
  );
}
