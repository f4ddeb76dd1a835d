import type { Chemistry } from '@tetrad/core';

/** Chemistries as labels have them. */
export const CHEMISTRY_WORDS: Readonly<Record<Chemistry, string>> = {
  flooded: 'Flooded',
  efb: 'EFB',
  agm: 'AGM',
  gel: 'Gel',
  tppl: 'Thin-plate pure lead',
};
