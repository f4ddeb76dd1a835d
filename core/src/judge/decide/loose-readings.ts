/** Readings that stand in the way of a final decision: outside their limit, read once, and explained by nothing. */
import { threshold } from '../../criteria/weights';
import type { Reading } from '../../format/reading-shape';
import type { Failure } from '../derive/failures';
import type { ProvenCase } from '../prove/prove';
import { canRead } from '../propose/is-open';
import { sumOf } from './final-action';
import type { FinalAction } from './final-action';

/**
 * It is a slip or it is true, and whoever decides beside it does not know which: it is read once more. Beside a fault that is
 * called what lies across no fault may follow from that one.
 *
 * @returns those that may be read again.
 */
export function looseReadings(
  action: FinalAction,
  { gradedCase, probability }: Pick<ProvenCase, 'gradedCase' | 'probability'>,
  failing: readonly Failure[],
): readonly Reading[] {
  const isExplained = ({ faults }: Failure): boolean =>
    (action.fault !== null && faults.length === 0) ||
    sumOf(faults, (fault) => probability[fault]) >= threshold('suspected');
  return failing
    .filter((failure) => !failure.isRepeated && !isExplained(failure) && canRead(failure.reading.test, gradedCase))
    .map(({ reading }) => reading);
}
