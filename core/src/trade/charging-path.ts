/** The charging path is read in one; its sides by themselves where that fails, cannot be done, or one of them is begun with. */
import { readingsOf } from '../evidence/case-context';
import type { GradedCase } from '../evidence/case-context';
import { pathIsGood } from '../evidence/path-is-good';

/** A side was read by itself, or could not be. */
const isSideTried = (gradedCase: GradedCase): boolean =>
  readingsOf(gradedCase, 'drop-charge-positive').length + readingsOf(gradedCase, 'drop-charge-ground').length > 0;

/** Both sides at once are asked for. */
export const isWholePathAsked = (gradedCase: GradedCase): boolean => !isSideTried(gradedCase);

/** A side by itself is asked for. */
export const isSideAsked = (gradedCase: GradedCase): boolean =>
  !pathIsGood(gradedCase, 'drop-charge-total') &&
  (isSideTried(gradedCase) || readingsOf(gradedCase, 'drop-charge-total').length > 0);
