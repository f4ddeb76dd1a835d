/** What makers say of engines and models, as rows of a table that is brought in. */
import { list, object, text } from '../format/shape';
import { caseParts } from './case-document';

/** Rows that come in at once. */
const MAX_MAKER_FIGURES = 1000;
export const makerFigureRowsShape = list(
  object({ name: text(1, 80), source: text(0, 200), system: caseParts.system }, {}, { isClosed: true }),
  1,
  MAX_MAKER_FIGURES,
);
