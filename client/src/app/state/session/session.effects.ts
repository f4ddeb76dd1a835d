import type { HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store } from '@ngrx/store';
import type { Action } from '@ngrx/store';
import { EMPTY, catchError, filter, map, of, pairwise, switchMap, tap, timer, withLatestFrom } from 'rxjs';
import type { Observable } from 'rxjs';
import type { SessionState } from '@tetrad/contracts';
import { Kept } from '../../device/kept';
import { OutboxActions } from '../../outbox/outbox.actions';
import { Api } from '../../api/api';
import { orKept } from '../../api/kept-answer';
import { problemOf } from '../../api/loading';
import { SessionActions, selectSession } from './session.feature';

const KEY = 'session';
const DEMO_SHOP_KEY = 'tetrad.shop';
const RETRY_MS = 3000;
const SIGN_IN = '/sign-in';
/** Screens of one thing that one shop has. */
const OF_ONE_SHOP = /^\/(jobs|vehicles)\/[^/]/;
/** The key of a QR code, in the part of the address that is never sent. */
const PAIRING = /^#key=(.+)$/;

/** Finds out who works here, and sends whoever is not signed in to where that is done. */
@Injectable()
export class SessionEffects {
  readonly #actions = inject(Actions);
  readonly #api = inject(Api);
  readonly #kept = inject(Kept);
  readonly #router = inject(Router);
  readonly #store = inject(Store);

  readonly load = createEffect(() =>
    this.#actions.pipe(
      ofType(SessionActions.load),
      switchMap(() =>
        this.#asked().pipe(
          // without the server, whoever was here last works on: it decides when it is back
          orKept<SessionState>(this.#kept, KEY, {
            loaded: known,
            failed: (problem) => SessionActions.failed({ problem }),
            isAway: () => true,
          }),
        ),
      ),
    ),
  );

  readonly keep = createEffect(
    () =>
      this.#actions.pipe(
        ofType(SessionActions.known),
        tap(({ session }) => void this.#kept.put(KEY, session)),
      ),
    { dispatch: false },
  );

  /** In another shop the job or vehicle in view is not there: its screen is left, and what was typed stays with its job. */
  readonly leave = createEffect(
    () =>
      this.#actions.pipe(
        ofType(SessionActions.known),
        map(({ session }) => session.shop.id),
        pairwise(),
        filter(([before, now]) => before !== now && OF_ONE_SHOP.test(this.#router.url)),
        tap(() => void this.#router.navigate(['/floor'])),
      ),
    { dispatch: false },
  );

  /** What waited for somebody to sign in is sent. */
  readonly flush = createEffect(() =>
    this.#actions.pipe(
      ofType(SessionActions.known),
      map(() => OutboxActions.flush()),
    ),
  );

  readonly absent = createEffect(() =>
    this.#actions.pipe(
      ofType(SessionActions.absent),
      switchMap(({ isDemo }) => {
        void this.#kept.put(KEY, null);
        if (isDemo) return this.#demo(localStorage.getItem(DEMO_SHOP_KEY));
        const { pathname, search } = location; // the router may not have been anywhere yet
        if (pathname !== SIGN_IN) void this.#router.navigate([SIGN_IN], { queryParams: { to: pathname + search } });
        return EMPTY;
      }),
    ),
  );

  readonly demoShop = createEffect(() =>
    this.#actions.pipe(
      ofType(SessionActions.demoShopChosen),
      tap(({ shop }) => localStorage.setItem(DEMO_SHOP_KEY, shop)),
      switchMap(({ shop }) => this.#demo(shop)),
    ),
  );

  readonly signOut = createEffect(() =>
    this.#actions.pipe(
      ofType(SessionActions.signOut),
      withLatestFrom(this.#store.select(selectSession)),
      switchMap(([, session]) =>
        this.#api.signOut().pipe(
          switchMap(() => (session?.shop.forgetsAtSignOut ? this.#forget() : of(undefined))),
          map(() => SessionActions.absent({ isDemo: false })),
          catchError((failure: HttpErrorResponse) => of(SessionActions.failed({ problem: problemOf(failure) }))),
        ),
      ),
    ),
  );

  readonly retry = createEffect(() =>
    this.#actions.pipe(
      ofType(SessionActions.failed),
      switchMap(() => timer(RETRY_MS).pipe(map(() => SessionActions.load()))),
    ),
  );

  /** A phone that has just photographed the code is paired first. */
  #asked(): Observable<SessionState> {
    const key = PAIRING.exec(location.hash)?.[1];
    if (key === undefined) return this.#api.getSession();
    history.replaceState(history.state, '', location.pathname + location.search);
    return this.#api.joinByPhone({ key }).pipe(catchError(() => this.#api.getSession()));
  }

  /** The jobs that are kept here, and what was typed on them; what was not sent yet stays, and is sent after signing in. */
  async #forget(): Promise<void> {
    sessionStorage.clear();
    await this.#kept.clear();
  }

  #demo(shop: string | null): Observable<Action> {
    return this.#api.signInToDemo(shop === null ? {} : { shop }).pipe(
      catchError((failure: HttpErrorResponse) => {
        // a shop that the demo does not have was chosen long ago
        if (failure.status !== 422) throw failure;
        localStorage.removeItem(DEMO_SHOP_KEY);
        return this.#api.signInToDemo({});
      }),
      map(known),
      catchError((failure: HttpErrorResponse) => of(SessionActions.failed({ problem: problemOf(failure) }))),
    );
  }
}

/** Somebody is signed in, or nobody is. */
function known(session: SessionState): Action {
  if (session.kind !== 'nobody') return SessionActions.known({ session });
  const { isDemo, singleSignOn } = session;
  return SessionActions.absent({ isDemo, ...(singleSignOn !== null && { singleSignOn }) });
}
