import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import {
  asapScheduler,
  catchError,
  concatMap,
  exhaustMap,
  filter,
  from,
  fromEvent,
  map,
  merge,
  mergeMap,
  observeOn,
  of,
  switchMap,
  timer,
  withLatestFrom,
} from 'rxjs';
import type { Observable } from 'rxjs';
import { mayRetry, problemOf } from '../api/loading';
import { OutboxActions } from './outbox.actions';
import type { Problem } from '@tetrad/contracts';
import type { OutboxItem } from './outbox-item';
import { OutboxKeeper } from './outbox-keeper';
import { selectItems } from './outbox.feature';
import { ItemSender } from './item-sender';

/** The server failed at it; tried so often before it is put aside. */
const FAULT = 500;
const MAX_FAULTS = 4;
/** What makes a job: without it nothing of that job can be stored. */
const OPENS_JOB: ReadonlySet<string> = new Set(['new-job', 'round-check'] satisfies OutboxItem['kind'][]);
/** Pause before a failed item is sent again, ms. */
const RETRY_MS = 2000;

/** The next item that may be sent: in order, and nothing of a job past its refused opening. */
export function nextToSend(items: readonly OutboxItem[]): OutboxItem | undefined {
  const blocked = new Set(
    items.filter(({ kind, state }) => OPENS_JOB.has(kind) && state === 'refused').map(({ job }) => job),
  );
  return items.find(({ state, job }) => state === 'waiting' && !blocked.has(job));
}

/** Keeps what is entered, sends it in order, one by one, and again until the server has stored it. */
@Injectable()
export class OutboxEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #sender = inject(ItemSender);
  readonly #keeper = inject(OutboxKeeper);
  readonly #faults = new Map<string, number>();

  readonly restore = createEffect(() =>
    this.#actions.pipe(
      ofType(OutboxActions.opened),
      switchMap(() =>
        from(this.#keeper.all()).pipe(
          map((items) => OutboxActions.restored({ items })),
          catchError(notKept),
        ),
      ),
    ),
  );

  readonly keep = createEffect(() =>
    this.#actions.pipe(
      ofType(OutboxActions.queued),
      // begun at once, in the order of queueing: an item is on the device before it can be forgotten
      withLatestFrom(this.#store.select(selectItems)),
      mergeMap(([{ item }, items]) =>
        from(this.#keeper.keep(items.find(({ id }) => id === item.id) ?? item)).pipe(
          map(() => OutboxActions.flush()),
          catchError((error: unknown) => merge(notKept(error), of(OutboxActions.flush()))),
        ),
      ),
    ),
  );

  /** What was entered before the kept items were read has another place since. */
  readonly keepPlaces = createEffect(
    () =>
      this.#actions.pipe(
        ofType(OutboxActions.restored),
        withLatestFrom(this.#store.select(selectItems)),
        concatMap(([{ items: kept }, items]) => {
          const moved = items.filter(({ id, place }) => kept.find((item) => item.id === id)?.place !== place);
          return from(Promise.all(moved.map((item) => this.#keeper.keep(item)))).pipe(catchError(() => of(undefined)));
        }),
      ),
    { dispatch: false },
  );

  readonly release = createEffect(() =>
    this.#actions.pipe(
      ofType(OutboxActions.released),
      withLatestFrom(this.#store.select(selectItems)),
      concatMap(([{ job }, items]) =>
        from(Promise.all(items.filter((item) => item.job === job).map((item) => this.#keeper.keep(item)))).pipe(
          map(() => OutboxActions.flush()),
          catchError((error: unknown) => merge(notKept(error), of(OutboxActions.flush()))),
        ),
      ),
    ),
  );

  readonly discardHeld = createEffect(
    () =>
      this.#actions.pipe(
        ofType(OutboxActions.heldDiscarded),
        concatMap(({ job }) => from(this.#keeper.dropHeld(job)).pipe(catchError(() => of(undefined)))),
      ),
    { dispatch: false },
  );

  readonly keepRefusal = createEffect(
    () =>
      this.#actions.pipe(
        ofType(OutboxActions.refused, OutboxActions.retried),
        withLatestFrom(this.#store.select(selectItems)),
        concatMap(([{ id }, items]) => {
          const item = items.find((entry) => entry.id === id);
          return item ? from(this.#keeper.keep(item)).pipe(catchError(() => of(undefined))) : of(undefined);
        }),
      ),
    { dispatch: false },
  );

  readonly forget = createEffect(
    () =>
      this.#actions.pipe(
        ofType(OutboxActions.stored, OutboxActions.discarded),
        mergeMap(({ id }) => from(this.#keeper.drop(id)).pipe(catchError(() => of(undefined)))),
      ),
    { dispatch: false },
  );

  readonly again = createEffect(() =>
    merge(
      this.#actions.pipe(
        ofType(
          OutboxActions.restored,
          OutboxActions.stored,
          OutboxActions.refused,
          OutboxActions.retried,
          OutboxActions.discarded,
        ),
      ),
      this.#actions.pipe(
        ofType(OutboxActions.waiting),
        switchMap(() => timer(RETRY_MS)),
      ),
      fromEvent(globalThis, 'online'),
    ).pipe(
      observeOn(asapScheduler), // after the sending before it has completed, or it would be passed over
      map(() => OutboxActions.flush()),
    ),
  );

  readonly send = createEffect(() =>
    this.#actions.pipe(
      ofType(OutboxActions.flush),
      withLatestFrom(this.#store.select(selectItems)),
      map(([, items]) => nextToSend(items)),
      filter((item) => item !== undefined),
      exhaustMap((item) => this.#sendOne(item)),
    ),
  );

  /** A fault of the server that comes again and again is of this item: it is put aside, and the others go on. */
  #isLastingFault(id: string, { status }: Problem): boolean {
    if (status !== FAULT) return false;
    const faults = (this.#faults.get(id) ?? 0) + 1;
    this.#faults.set(id, faults);
    return faults >= MAX_FAULTS;
  }

  #sendOne(item: OutboxItem): Observable<Action> {
    const { id } = item;
    return merge(
      of(OutboxActions.sending({ id })),
      this.#sender.send(item).pipe(
        map((job) => OutboxActions.stored({ id, job })),
        catchError((failure: HttpErrorResponse) => {
          const problem = problemOf(failure);
          return of(
            mayRetry(problem) && !this.#isLastingFault(id, problem)
              ? OutboxActions.waiting({ id, problem })
              : OutboxActions.refused({ id, problem }),
          );
        }),
      ),
    );
  }
}

const notKept = (error: unknown): Observable<Action> =>
  of(OutboxActions.keepingFailed({ reason: error instanceof Error ? error.message : String(error) }));
