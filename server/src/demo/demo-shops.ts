export const DEMO_SHOP = { id: 'yard', name: 'Aldmoor municipal yard' } as const;
/** A second shop, empty: for a first job from an empty floor. */
export const EMPTY_SHOP = { id: 'island', name: 'Skerry island workshop' } as const;
