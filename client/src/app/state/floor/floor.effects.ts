import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import type { Action } from '@ngrx/store';
import {
  EMPTY,
  bufferTime,
  catchError,
  combineLatest,
  concat,
  debounceTime,
  distinctUntilChanged,
  expand,
  filter,
  map,
  merge,
  mergeMap,
  of,
  scan,
  switchMap,
  tap,
  withLatestFrom,
} from 'rxjs';
import type { Observable } from 'rxjs';
import type { HttpErrorResponse } from '@angular/common/http';
import type { FloorRow, JobStatus } from '@tetrad/contracts';
import { Kept } from '../../device/kept';
import { Api } from '../../api/api';
import { FIRST_PAGE, NEXT_PAGES } from '../../api/api';
import type { Page } from '../../api/api';
import { eventStream } from '../../api/event-stream';
import { orKept } from '../../api/kept-answer';
import { problemOf } from '../../api/loading';
import { chosenShop } from '../session/session.feature';
import { FloorActions, selectFloor } from './floor.feature';
import { addressOf } from '@tetrad/contracts/addresses';

/** Many jobs may change at once: their rows are asked for together. */
const TOGETHER_MS = 250;
/** Of a longer floor so many rows are loaded at first, and more when they are wanted. */
const MAX_AT_ONCE = 1200;
/** Somebody who types is waited for, ms. */
const TYPING_MS = 250;
/** More than these at once, and the floor is read anew. */
const MAX_TOGETHER = 60;

/** The floor as far as it is loaded. */
type FloorPart = Page<FloorRow> & { readonly isLast: boolean };

interface News {
  /** Null where news may have been missed. */
  readonly job: string | null;
}

/** Loads the floor page by page when it is opened or another shop is worked for; then row by row as jobs change. */
@Injectable()
export class FloorEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);
  readonly #shop = chosenShop(this.#store);

  readonly load = createEffect(() =>
    combineLatest([this.#actions.pipe(ofType(FloorActions.load)), this.#shop]).pipe(
      switchMap(([{ status }, shop]) => this.#load(shop, status)),
    ),
  );

  readonly more = createEffect(() =>
    this.#actions.pipe(
      ofType(FloorActions.moreWanted),
      withLatestFrom(this.#store.select(selectFloor), this.#shop),
      switchMap(([, { status, rest }, shop]) => (rest === null ? EMPTY : this.#pages(shop, status, rest))),
      map(({ rows, next }) => FloorActions.more({ rows, rest: next })),
      catchError((failure: HttpErrorResponse, again) =>
        concat(of(FloorActions.failed({ problem: problemOf(failure) })), again),
      ),
    ),
  );

  readonly find = createEffect(() =>
    this.#actions.pipe(
      ofType(FloorActions.sought),
      debounceTime(TYPING_MS),
      withLatestFrom(this.#store.select(selectFloor), this.#shop),
      switchMap(([{ words }, { status, rest }, shop]) =>
        rest === null || words.trim() === ''
          ? EMPTY
          : this.#api.listJobs(shop, { status, find: words.trim(), limit: NEXT_PAGES }).pipe(
              map(({ rows }) => FloorActions.found({ rows })),
              catchError(() => EMPTY), // what is here is filtered all the same
            ),
      ),
    ),
  );

  /** Page by page, until there are no more or there are enough. */
  #pages(shop: string, status: JobStatus, from: string | null): Observable<FloorPart> {
    let loaded = 0;
    const first =
      from === null ? this.#api.listJobs(shop, { status, limit: FIRST_PAGE }) : this.#api.nextPage<FloorRow>(from);
    return first.pipe(
      expand(({ next }) => (next === null || loaded >= MAX_AT_ONCE ? EMPTY : this.#api.nextPage<FloorRow>(next))),
      map((page) => {
        loaded += page.rows.length;
        return { ...page, isLast: page.next === null || loaded >= MAX_AT_ONCE };
      }),
    );
  }

  #load(shop: string, status: JobStatus): Observable<Action> {
    const key = `floor page ${shop} ${status}`;
    const nothing: FloorPart = { rows: [], next: null, isLast: false };
    return this.#pages(shop, status, null).pipe(
      scan((all, { rows, next, isLast }): FloorPart => ({ rows: [...all.rows, ...rows], next, isLast }), nothing),
      tap((part) => part.isLast && void this.#kept.put(key, { ...part, next: null })),
      orKept(this.#kept, key, {
        loaded: ({ rows, next, isLast }) =>
          FloorActions.loaded({ rows, isWhole: next === null, rest: isLast ? next : null }),
        failed: (problem) => FloorActions.failed({ problem }),
      }),
    );
  }

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
      switchMap(([watched, shop]) => (watched ? this.#news(shop) : EMPTY)),
      withLatestFrom(this.#store.select(selectFloor)),
      mergeMap(([{ shop, jobs }, { status }]) => {
        if (jobs.includes(null) || jobs.length > MAX_TOGETHER) return of(FloorActions.load({ status }));
        const ids = jobs.filter((job) => job !== null);
        return this.#api.listJobs(shop, { ids }).pipe(
          map(({ rows }) => FloorActions.changed({ ids, rows })),
          catchError(() => of(FloorActions.load({ status }))),
        );
      }),
    ),
  );

  /** Jobs that changed, each once, as many as come together. */
  #news(shop: string): Observable<{ shop: string; jobs: readonly (string | null)[] }> {
    return eventStream<News>(addressOf('followJobs', shop), 'floor').pipe(
      bufferTime(TOGETHER_MS),
      filter((news) => news.length > 0),
      map((news) => ({ shop, jobs: [...new Set(news.map(({ job }) => job))] })),
    );
  }
}
