import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  EMPTY,
  catchError,
  combineLatest,
  debounceTime,
  distinctUntilChanged,
  filter,
  from,
  map,
  merge,
  of,
  switchMap,
  tap,
  withLatestFrom,
} from 'rxjs';
import type { FloorRow } from '@tetrad/contracts';
import { Kept } from '../../device/kept';
import { Api } from '../api';
import { eventStream } from '../event-stream';
import { problemOf } from '../loading';
import { selectShop } from '../shop/shop.feature';
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
  readonly #shop = this.#store.select(selectShop).pipe(filter((shop) => shop !== null));

  readonly load = createEffect(() =>
    combineLatest([this.#actions.pipe(ofType(FloorActions.load)), this.#shop]).pipe(
      switchMap(([{ status }, shop]) => {
        const key = `floor ${shop} ${status}`;
        return this.#api.floor(shop, status).pipe(
          tap((rows) => void this.#kept.put(key, rows)),
          map((rows) => FloorActions.loaded({ rows })),
          catchError((failure: HttpErrorResponse) =>
            from(this.#kept.get<readonly FloorRow[]>(key)).pipe(
              switchMap((rows) => {
                const failed = FloorActions.failed({ problem: problemOf(failure) });
                return rows ? of(FloorActions.loaded({ rows }), failed) : of(failed);
              }),
            ),
          ),
        );
      }),
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
