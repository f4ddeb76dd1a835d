import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, map, of, switchMap, tap, timer } from 'rxjs';
import { Api } from '../api';
import { problemOf } from '../loading';
import { ShopActions } from './shop.reducer';

const KEY = 'tetrad.shop';
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
