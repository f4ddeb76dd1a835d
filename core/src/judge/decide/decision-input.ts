import type { Message } from '../../format/message';
import type { StepName } from '../../format/names';
import type { Ranked } from '../rank/rank-faults';
import type { Choice } from './choose';
import type { FirstPass } from './repaired';
import type { Standing } from './unexplained';

/** What the decision looks at. */
export interface DecisionInput extends Standing {
  readonly ranked: readonly Ranked[];
  readonly choice: Choice;
  /** What the pass before the repair was about; null where there is none. */
  readonly first: FirstPass | null;
  /** What must be read and could not be: said to be missing, never taken as passed. */
  readonly impossible: readonly StepName[];
}

/** The strongest finding that speaks for a fault. */
export const strongest = ({ lines }: Ranked): Message | null =>
  lines.find(({ weight }) => weight > 0)?.finding.says ?? null;
