import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { Store } from '@ngrx/store';
import { filter } from 'rxjs';
import type { Observable } from 'rxjs';
import type { Problem, ShopView } from '@tetrad/contracts';
import { IDLE, LOADED, LOADING } from '../loading';
import type { Loading } from '../loading';

export const ShopActions = createActionGroup({
  source: 'Shop',
  events: {
    Load: emptyProps(),
    Loaded: props<{ shops: readonly ShopView[]; chosen: string | null }>(),
    Failed: props<{ problem: Problem }>(),
    Chosen: props<{ id: string }>(),
    Named: props<{ who: string }>(),
  },
});

export interface ShopState {
  readonly shops: readonly ShopView[];
  readonly chosen: string | null;
  /** Who works at this device; empty where nobody has said. */
  readonly who: string;
  readonly loading: Loading;
}

/** Which shop this device works for, and who works at it. */
export const shopFeature = createFeature({
  name: 'shop',
  reducer: createReducer<ShopState>(
    { shops: [], chosen: null, who: '', loading: IDLE },
    on(ShopActions.load, (state) => ({ ...state, loading: LOADING })),
    on(ShopActions.loaded, (state, { shops, chosen }) => ({ ...state, shops, chosen, loading: LOADED })),
    on(ShopActions.failed, (state, { problem }) => ({ ...state, loading: { state: 'failed' as const, problem } })),
    on(ShopActions.named, (state, { who }) => ({ ...state, who })),
    on(ShopActions.chosen, (state, { id }) => ({ ...state, chosen: id })),
  ),
});
export const { selectShops, selectChosen: selectShop, selectWho, selectLoading: selectShopLoading } = shopFeature;

/** The shop this device works for, once it is known. */
export const chosenShop = (store: Store): Observable<string> =>
  store.select(selectShop).pipe(filter((shop) => shop !== null));
