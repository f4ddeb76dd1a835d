import { sayer } from '../../format/message';
import type { Rule } from './rule';

/** It must block: the meter shows OL, and any figure means that it conducts. */
export type Blocks = Readonly<Record<never, never>>;

const phrases = { blocks: () => 'OL' };
const bound = sayer(phrases)('blocks', {});

/** The figure is whether it blocks: 1 where it does. */
export const blocks: Rule<Blocks> = {
  fields: {},
  phrases,
  resolve: () => ({ value: 0, min: 1, drawn: null, bound }),
  resolveOpen: () => ({ value: 1, min: 1, drawn: null, bound }),
};
