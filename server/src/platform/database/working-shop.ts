/**
 * Which shop the work at hand is for. Every statement runs on a connection that PostgreSQL shows the rows of that shop
 * alone; outside of a shop it sees none.
 */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import { AsyncLocalStorage } from 'node:async_hooks';

const working = new AsyncLocalStorage<ShopId>();
const NO_SHOP = shopId('');

/** Does the work, and all that it calls, for one shop. */
export const inShop = <T>(shop: ShopId, work: () => T): T => working.run(shop, work);

export const workingShop = (): ShopId => working.getStore() ?? NO_SHOP;

/** SQLSTATE of `open_shop`: the cluster keeps the shop no more, or it is just being moved. */
const SHOP_ELSEWHERE = 'TS001';
export const isElsewhere = (error: unknown): boolean => (error as { code?: string } | null)?.code === SHOP_ELSEWHERE;
