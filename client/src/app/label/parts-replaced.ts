/** What may have been replaced already: a clue, not an acquittal. */
export const PARTS_REPLACED = ['battery', 'starter', 'alternator', 'cable', 'belt', 'relay'];
