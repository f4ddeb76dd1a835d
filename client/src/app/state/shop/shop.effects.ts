import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, map, of, switchMap, take, tap, timer } from 'rxjs';
import { Api } from '../api';
import { problemOf } from '../loading';
import { ShopActions } from './shop.reducer';

const KEY = 'tetrad.shop';
const WHO_KEY = 'tetrad.who';
const RETRY_MS = 3000;

/** Which shop this device works for. */
@Injectable()
export class ShopEffects {
  readonly #actions = inject(Actions);
  readonly #api = inject(Api);

  readonly load = createEffect(() =>
    this.#actions.pipe(
      ofType(ShopActions.load),
      switchMap(() =>
        this.#api.shops().pipe(
          map((shops) => {
            const kept = localStorage.getItem(KEY);
            const chosen = shops.find(({ id }) => id === kept) ?? shops[0];
            return ShopActions.loaded({ shops, chosen: chosen?.id ?? null });
          }),
          catchError((failure: HttpErrorResponse) => of(ShopActions.failed({ problem: problemOf(failure) }))),
        ),
      ),
    ),
  );

  readonly recall = createEffect(() =>
    this.#actions.pipe(
      ofType(ShopActions.load),
      take(1),
      map(() => ShopActions.named({ who: localStorage.getItem(WHO_KEY) ?? '' })),
    ),
  );

  readonly rememberWho = createEffect(
    () =>
      this.#actions.pipe(
        ofType(ShopActions.named),
        tap(({ who }) => localStorage.setItem(WHO_KEY, who)),
      ),
    { dispatch: false },
  );

  readonly retry = createEffect(() =>
    this.#actions.pipe(
      ofType(ShopActions.failed),
      switchMap(() => timer(RETRY_MS).pipe(map(() => ShopActions.load()))),
    ),
  );

  readonly remember = createEffect(
    () =>
      this.#actions.pipe(
        ofType(ShopActions.chosen),
        tap(({ id }) => localStorage.setItem(KEY, id)),
      ),
    { dispatch: false },
  );
}
