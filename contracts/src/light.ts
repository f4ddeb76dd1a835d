/**
 * What a page needs before any body is checked: who may do what, and a few figures.
 *
 * The index takes class-validator and the judge along with it; the first screen imports from here.
 */
export * from './roles';
export * from './sizes';
