import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { map, switchMap, take, tap, timer } from 'rxjs';
import type { Action } from '@ngrx/store';
import type { ShopView } from '@tetrad/contracts';
import { Kept } from '../../device/kept';
import { Api } from '../api';
import { keptAnswer } from '../kept-answer';
import { ShopActions } from './shop.feature';

const KEY = 'tetrad.shop';
const SHOPS = 'shops';
const WHO_KEY = 'tetrad.who';
const RETRY_MS = 3000;

function chosenOf(shops: readonly ShopView[]): Action {
  const kept = localStorage.getItem(KEY);
  const chosen = shops.find(({ id }) => id === kept) ?? shops[0];
  return ShopActions.loaded({ shops, chosen: chosen?.id ?? null });
}

/** Which shop this device works for. */
@Injectable()
export class ShopEffects {
  readonly #actions = inject(Actions);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);

  readonly load = createEffect(() =>
    this.#actions.pipe(
      ofType(ShopActions.load),
      switchMap(() =>
        keptAnswer(this.#kept, SHOPS, this.#api.shops(), {
          loaded: chosenOf,
          failed: (problem) => ShopActions.failed({ problem }),
        }),
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
