import type { Limit } from '../../criteria/criteria-set';
import type { Reading } from '../../format/case-shape';
import type { Grade } from '../../format/words';
import type { Said } from '../../words/phrases';

/** A limit brought to a reading: what is compared, and the range it must lie in. */
export interface ResolvedLimit {
  /** The figure compared: the reading itself, or what the rule makes of it (a share, a spread, a loss). */
  readonly value: number;
  /** Lowest and highest allowed figure; infinite where there is none. */
  readonly min: number;
  readonly max: number;
  /** Width of the borderline zone inside the limit, in the figure's own unit. */
  readonly borderline: number;
  /** How many units of the figure one unit of the reading is: brings the reading's uncertainty along. */
  readonly perUnit: number;
  /** The limit as a sentence's code and figures. */
  readonly bound: Said;
  /** The limit of the set it was made of; null of a maker's figure. */
  readonly limit: Limit | null;
  /** The range in the reading's own unit, for drawing beside it; null where it cannot be drawn. */
  readonly drawn: { readonly min: number; readonly max: number } | null;
}

/** A reading, graded. */
export interface Assessment {
  readonly id: string;
  readonly reading: Reading;
  readonly grade: Grade;
  readonly because: Said;
  /** The limit that decided; null where none applied. */
  readonly resolved: ResolvedLimit | null;
}
