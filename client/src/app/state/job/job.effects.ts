import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, combineLatest, filter, map, of, switchMap, timer, withLatestFrom } from 'rxjs';
import { Api } from '../api';
import { mayRetry, problemOf } from '../loading';
import { selectItems } from '../outbox/outbox.reducer';
import { selectShop } from '../shop/shop.reducer';
import { JobActions } from './job.reducer';

const RETRY_MS = 3000;

/** Loads the job that is opened; while the server is away it asks again. */
@Injectable()
export class JobEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);

  readonly load = createEffect(() =>
    combineLatest([
      this.#actions.pipe(ofType(JobActions.opened)),
      this.#store.select(selectShop).pipe(filter((shop) => shop !== null)),
    ]).pipe(
      withLatestFrom(this.#store.select(selectItems)),
      // a job that is only on this device cannot be asked for
      filter(([[{ id }], items]) => !items.some((item) => item.kind === 'new-job' && item.job === id)),
      switchMap(([[{ id }, shop]]) =>
        this.#api.job(shop, id).pipe(
          map((job) => JobActions.loaded({ job })),
          catchError((failure: HttpErrorResponse) => of(JobActions.failed({ id, problem: problemOf(failure) }))),
        ),
      ),
    ),
  );

  readonly retry = createEffect(() =>
    this.#actions.pipe(
      ofType(JobActions.failed),
      filter(({ problem }) => mayRetry(problem)),
      switchMap(({ id }) => timer(RETRY_MS).pipe(map(() => JobActions.opened({ id })))),
    ),
  );
}
