import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, combineLatest, filter, from, map, of, startWith, switchMap, tap } from 'rxjs';
import type { InstrumentView } from '@tetrad/contracts';
import { Kept } from '../device/kept';
import { Api } from '../state/api';
import { problemOf } from '../state/loading';
import { selectShop } from '../state/shop/shop.feature';
import { InstrumentActions } from './instruments.feature';

/** Loads the shop's instruments once they are needed; while the server is away those it told last. */
@Injectable()
export class InstrumentsEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);

  readonly load = createEffect(() =>
    combineLatest([
      this.#actions.pipe(ofType(InstrumentActions.load), startWith(null)),
      this.#store.select(selectShop).pipe(filter((shop) => shop !== null)),
    ]).pipe(
      switchMap(([, shop]) => {
        const key = `instruments ${shop}`;
        return this.#api.instruments(shop).pipe(
          tap((instruments) => void this.#kept.put(key, instruments)),
          map((instruments) => InstrumentActions.loaded({ instruments })),
          catchError((failure: HttpErrorResponse) =>
            from(this.#kept.get<readonly InstrumentView[]>(key)).pipe(
              switchMap((instruments) => {
                const failed = InstrumentActions.failed({ problem: problemOf(failure) });
                return instruments ? of(InstrumentActions.loaded({ instruments }), failed) : of(failed);
              }),
            ),
          ),
        );
      }),
    ),
  );
}
