import {
  createActionGroup,
  createFeatureSelector,
  createReducer,
  createSelector,
  emptyProps,
  on,
  props,
} from '@ngrx/store';
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

export const shopReducer = createReducer<ShopState>(
  { shops: [], chosen: null, who: '', loading: IDLE },
  on(ShopActions.load, (state) => ({ ...state, loading: LOADING })),
  on(ShopActions.loaded, (state, { shops, chosen }) => ({ ...state, shops, chosen, loading: LOADED })),
  on(ShopActions.failed, (state, { problem }) => ({ ...state, loading: { state: 'failed' as const, problem } })),
  on(ShopActions.named, (state, { who }) => ({ ...state, who })),
  on(ShopActions.chosen, (state, { id }) => ({ ...state, chosen: id })),
);

export const selectShopState = createFeatureSelector<ShopState>('shop');
export const selectShops = createSelector(selectShopState, ({ shops }) => shops);
export const selectShop = createSelector(selectShopState, ({ chosen }) => chosen);
export const selectWho = createSelector(selectShopState, ({ who }) => who);
export const selectShopLoading = createSelector(selectShopState, ({ loading }) => loading);
