/**
 * Which shop the work at hand is for. Every statement runs on a connection that PostgreSQL shows the rows of that shop
 * alone; outside of a shop it sees none.
 */
import { AsyncLocalStorage } from 'node:async_hooks';

const working = new AsyncLocalStorage<string>();
const NO_SHOP = '';

/** Does the work, and all that it calls, for one shop. */
export const inShop = <T>(shop: string, work: () => T): T => working.run(shop, work);

export const workingShop = (): string => working.getStore() ?? NO_SHOP;
