import type { RULES } from './rules';
import type { Rule } from './rules/rule';

type FiguresOf<R> = R extends Rule<infer F> ? F : never;

/** A limit's rule with its figures, one of the kinds in `rules/`. */
export type LimitRule = {
  readonly [K in keyof typeof RULES]: { readonly kind: K } & FiguresOf<(typeof RULES)[K]>;
}[keyof typeof RULES];
