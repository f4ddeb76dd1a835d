import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import {
  EMPTY,
  catchError,
  combineLatest,
  distinctUntilChanged,
  filter,
  map,
  merge,
  of,
  switchMap,
  takeUntil,
  tap,
  timer,
  withLatestFrom,
} from 'rxjs';
import type { JobView, PresentView } from '@tetrad/contracts';
import { Kept } from '../device/kept';
import { OutboxActions } from '../outbox/outbox.actions';
import { selectItems } from '../outbox/outbox.feature';
import { Api } from '../api/api';
import { eventStreams } from '../api/event-stream';
import { orKept } from '../api/kept-answer';
import { mayRetry, problemOf } from '../api/loading';
import { chosenShop } from '../state/session/session.feature';
import { JobActions, selectToldJob } from './jobs.feature';
import { addressOf } from '@tetrad/contracts/addresses';

/** What the stream of a job tells. */
interface JobEvents {
  readonly job: JobView;
  readonly people: readonly PresentView[];
}

const RETRY_MS = 3000;
const keyOf = (shop: string, id: string): string => `job ${shop} ${id}`;

/** Loads the job that is opened, follows what other devices do to it, and keeps it for when the server is away. */
@Injectable()
export class JobsEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);
  readonly #shop = chosenShop(this.#store);

  /** The job that was opened, also the same one again; null once it is left. */
  readonly #inView = merge(
    this.#actions.pipe(
      ofType(JobActions.opened),
      map(({ id }): string | null => id),
    ),
    this.#actions.pipe(
      ofType(JobActions.left),
      map(() => null),
    ),
  );

  readonly load = createEffect(() =>
    combineLatest([this.#inView, this.#shop]).pipe(
      withLatestFrom(this.#store.select(selectItems)),
      switchMap(([[id, shop], items]) =>
        // a job that is only on this device cannot be asked for
        id === null || items.some((item) => item.kind === 'new-job' && item.job === id)
          ? EMPTY
          : this.#api.getJob(shop, id).pipe(
              orKept(this.#kept, keyOf(shop, id), {
                loaded: (job) => JobActions.loaded({ job }),
                failed: (problem) => JobActions.failed({ id, problem }),
              }),
            ),
      ),
    ),
  );

  readonly retry = createEffect(() =>
    this.#actions.pipe(
      ofType(JobActions.failed),
      filter(({ problem }) => mayRetry(problem)),
      switchMap(({ id }) =>
        timer(RETRY_MS).pipe(
          withLatestFrom(this.#shop),
          switchMap(([, shop]) => this.#api.getJob(shop, id)),
          map((job) => JobActions.loaded({ job })),
          catchError((failure: HttpErrorResponse) => of(JobActions.failed({ id, problem: problemOf(failure) }))),
          takeUntil(this.#inView), // left, or another one is asked for
        ),
      ),
    ),
  );

  readonly keep = createEffect(
    () =>
      this.#actions.pipe(
        ofType(JobActions.loaded, OutboxActions.stored),
        withLatestFrom(this.#shop),
        tap(([{ job }, shop]) => void this.#kept.put(keyOf(shop, job.id), job)),
      ),
    { dispatch: false },
  );

  /** The job in view, once the server has told it: one that is nowhere, or on this device only, has no news. */
  readonly live = createEffect(() =>
    combineLatest([this.#store.select(selectToldJob).pipe(distinctUntilChanged()), this.#shop]).pipe(
      switchMap(([id, shop]) =>
        id === null
          ? EMPTY
          : eventStreams<JobEvents>(addressOf('followJob', shop, id), ['job', 'people']).pipe(
              map((told) =>
                told.event === 'job'
                  ? JobActions.loaded({ job: told.data })
                  : JobActions.peopleTold({ id, others: told.data }),
              ),
            ),
      ),
    ),
  );
}
