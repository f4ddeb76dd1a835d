import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  EMPTY,
  combineLatest,
  debounceTime,
  distinctUntilChanged,
  filter,
  map,
  merge,
  switchMap,
  withLatestFrom,
} from 'rxjs';
import type { JobView } from '@tetrad/contracts';
import { FloorActions, selectFloor } from '../floor/floor.reducer';
import { JobActions } from '../job/job.reducer';
import { selectToldJob } from '../job/job.selectors';
import { selectShop } from '../shop/shop.reducer';
import { eventStream } from './event-stream';

/** Many jobs may change at once: the floor is read again once they are quiet. */
const FLOOR_QUIET_MS = 250;

/** What other devices do, as it happens: the job in view, and the floor. */
@Injectable()
export class LiveEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #shop = this.#store.select(selectShop).pipe(filter((shop) => shop !== null));

  /** The job in view, once the server has told it: one that is nowhere, or on this device only, has no news. */
  readonly #job = this.#store.select(selectToldJob).pipe(distinctUntilChanged());

  readonly job = createEffect(() =>
    combineLatest([this.#job, this.#shop]).pipe(
      switchMap(([id, shop]) =>
        id === null ? EMPTY : eventStream<JobView>(`/api/shops/${shop}/jobs/${id}/live`, 'job'),
      ),
      map((job) => JobActions.loaded({ job })),
    ),
  );

  readonly floor = createEffect(() =>
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
      debounceTime(FLOOR_QUIET_MS),
      withLatestFrom(this.#store.select(selectFloor)),
      map(([, { status }]) => FloorActions.load({ status })),
    ),
  );
}
