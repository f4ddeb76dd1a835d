/** The words that a battery's label is described with. */
export const CHEMISTRIES = ['flooded', 'efb', 'agm', 'gel', 'tppl'] as const;
export type Chemistry = (typeof CHEMISTRIES)[number];
export const RATING_STANDARDS = ['SAE', 'EN', 'DIN', 'IEC', 'CA', 'JIS'] as const;
export type RatingStandard = (typeof RATING_STANDARDS)[number];
export const ARRANGEMENTS = ['single', 'parallel', 'series'] as const;
export type Arrangement = (typeof ARRANGEMENTS)[number];
