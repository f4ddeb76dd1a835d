import { shopId } from '@tetrad/contracts';

export const DEMO_SHOP = { id: shopId('yard'), name: 'Aldmoor municipal yard' } as const;
/** A second shop, empty: for a first job from an empty floor. */
export const EMPTY_SHOP = { id: shopId('island'), name: 'Skerry island workshop' } as const;
