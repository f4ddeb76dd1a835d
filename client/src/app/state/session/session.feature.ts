import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { Store } from '@ngrx/store';
import { filter } from 'rxjs';
import type { Observable } from 'rxjs';
import { may } from '@tetrad/contracts/light';
import type { PermissionName, Problem, SessionView } from '@tetrad/contracts';
import { IDLE, LOADED, LOADING } from '../../api/loading';
import type { Loading } from '../../api/loading';

export const SessionActions = createActionGroup({
  source: 'Session',
  events: {
    Load: emptyProps(),
    /** Who is signed in, as the server tells or told last. */
    Known: props<{ session: SessionView }>(),
    /** Nobody is; in the demo a made-up technician takes the place. */
    Absent: props<{ isDemo: boolean; singleSignOn?: string }>(),
    Failed: props<{ problem: Problem }>(),
    'Sign Out': emptyProps(),
    'Demo Shop Chosen': props<{ shop: string }>(),
  },
});

export interface SessionState {
  readonly session: SessionView | null;
  /** The shop whose people may sign in with accounts of its own; null where none may. */
  readonly singleSignOn: string | null;
  readonly loading: Loading;
}

/** Who works at this device, and for which shop. */
export const sessionFeature = createFeature({
  name: 'session',
  reducer: createReducer<SessionState>(
    { session: null, singleSignOn: null, loading: IDLE },
    on(SessionActions.load, (state) => ({ ...state, loading: LOADING })),
    on(SessionActions.known, (state, { session }) => ({ ...state, session, loading: LOADED })),
    on(SessionActions.absent, (_state, { singleSignOn = null }) => ({ session: null, singleSignOn, loading: LOADED })),
    on(SessionActions.failed, (state, { problem }) => ({ ...state, loading: { state: 'failed' as const, problem } })),
  ),
});
export const { selectSession, selectSingleSignOn, selectLoading: selectSessionLoading } = sessionFeature;

/** A session that may work in its shop: one that waits for a password may not. */
const selectWorking = createSelector(selectSession, (session) => (session?.kind === 'first' ? null : session));
export const selectShop = createSelector(selectWorking, (session) => session?.shop.id ?? null);
/** The name of who works here; empty before it is known. */
export const selectWho = createSelector(selectSession, (session) => session?.person.name ?? '');
export const selectMay = (permission: PermissionName) =>
  createSelector(selectWorking, (session) => session !== null && may(session.person.role, permission));

/** The shop this device works for, once it is known. */
export const chosenShop = (store: Store): Observable<string> =>
  store.select(selectShop).pipe(filter((shop) => shop !== null));
