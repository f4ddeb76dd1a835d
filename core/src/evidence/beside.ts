/** Readings of one moment: what is compared with another reading is compared with the one taken beside it, not with the newest. */
import type { TestName } from '../format/names';
import type { Reading } from '../format/reading-shape';
import { isNumeric, loadsOf, readingsOf } from './case-context';
import type { CaseContext, NumericReading } from './case-context';

/** Time between two readings, ms; NaN where one of them tells none. */
const between = (one: Reading, other: Reading): number =>
  Math.abs(Date.parse(one.at ?? '') - Date.parse(other.at ?? ''));

/**
 * The reading of a test that was taken nearest in time to this one; of several as near, or where no time is told, the last
 * one before it, else the first after it.
 *
 * @param isOf Which readings count.
 */
export function beside(
  reading: Reading,
  test: TestName,
  context: CaseContext,
  isOf: (other: Reading) => boolean = () => true,
): NumericReading | undefined {
  const found = readingsOf(context, test).filter(isNumeric).filter(isOf);
  if (found.length < 2) return found[0];
  const order = (other: Reading): number => context.readings.indexOf(other);
  const own = order(reading);
  const nearest = (a: Reading, b: Reading): number => {
    const byTime = between(a, reading) - between(b, reading);
    if (byTime) return byTime; // neither 0 nor NaN
    const [isABefore, isBBefore] = [order(a) < own, order(b) < own];
    if (isABefore !== isBBefore) return isABefore ? -1 : 1;
    return isABefore ? order(b) - order(a) : order(a) - order(b);
  };
  return found.toSorted(nearest)[0];
}

/** The one beside it that was taken under the loads that it tells of; where there is none, or it tells none, the nearest. */
export function besideUnderLoads(reading: Reading, test: TestName, context: CaseContext): NumericReading | undefined {
  const loads = reading.conditions?.loads;
  const same = loads && beside(reading, test, context, (other) => loadsOf(other) === loads);
  return same ?? beside(reading, test, context);
}
