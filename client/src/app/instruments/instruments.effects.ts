import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import { combineLatest, startWith, switchMap } from 'rxjs';
import { Kept } from '../device/kept';
import { Api } from '../api/api';
import { keptAnswer } from '../api/kept-answer';
import { chosenShop } from '../state/session/session.feature';
import { InstrumentActions } from './instruments.feature';

/** Loads the shop's instruments once they are needed; while the server is away those it told last. */
@Injectable()
export class InstrumentsEffects {
  readonly #actions = inject(Actions);
  readonly #store = inject(Store);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);

  readonly load = createEffect(() =>
    combineLatest([this.#actions.pipe(ofType(InstrumentActions.load), startWith(null)), chosenShop(this.#store)]).pipe(
      switchMap(([, shop]) =>
        keptAnswer(this.#kept, `instruments ${shop}`, this.#api.listInstruments(shop), {
          loaded: (instruments) => InstrumentActions.loaded({ instruments }),
          failed: (problem) => InstrumentActions.failed({ problem }),
        }),
      ),
    ),
  );
}
