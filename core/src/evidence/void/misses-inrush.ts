import { message } from '../messages';
import { ofFigure } from './void-rule';
import type { VoidRule } from './void-rule';

/** The inrush is over in milliseconds: a display or a min/max recorder misses it. */
export const missesInrush: VoidRule = ofFigure(({ conditions }) => {
  const method = conditions?.method;
  return method === 'watched' || method === 'min-max' ? message('misses-inrush', { method }) : null;
});
