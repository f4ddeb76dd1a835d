import type { Limit } from './criteria-set';
import type { Message } from '../format/message';
import type { RuleFigures } from './rules/rule';

/** A limit brought to a reading: what is compared, and the range it must lie in. */
export interface ResolvedLimit extends Required<Omit<RuleFigures, 'near'>> {
  /** Why a reading in the zone is neither good nor bad, where the rule itself says so; null where it is merely borderline. */
  readonly near: Message | null;
  /** Width of the borderline zone inside the limit, in the figure's own unit. */
  readonly borderline: number;
  /** The limit of the set it was made of; null of a maker's figure. */
  readonly limit: Limit | null;
}
