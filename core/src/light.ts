/**
 * What a page needs before any sentence of the trade is told: waits, figures, the format's name.
 *
 * A bundler that splits code by files takes everything an index names along with it, so the first screen imports
 * from here and the judge comes with the first job.
 */
export { CASE_FORMAT } from './format/case-format';
export { joinedLevels } from './profile/joined-levels';
export { figureFormat } from './quantities/figure-format';
export * from './trade/waits';
