import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { catchError, combineLatest, filter, map, of, switchMap } from 'rxjs';
import { Api } from '../api';
import { problemOf } from '../loading';
import { selectShop } from '../shop/shop.reducer';
import { FloorActions } from './floor.reducer';

/** Loads the floor when it is opened, and again when another shop is chosen. */
@Injectable()
export class FloorEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);

  readonly load = createEffect(() =>
    combineLatest([
      this.#actions.pipe(ofType(FloorActions.load)),
      this.#store.select(selectShop).pipe(filter((shop) => shop !== null)),
    ]).pipe(
      switchMap(([{ status }, shop]) =>
        this.#api.floor(shop, status).pipe(
          map((rows) => FloorActions.loaded({ rows })),
          catchError((failure: HttpErrorResponse) => of(FloorActions.failed({ problem: problemOf(failure) }))),
        ),
      ),
    ),
  );
}
