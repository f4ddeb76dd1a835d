import { isPathTest } from '../../circuit/paths';
import { causes, fixed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { isHealthTest } from '../../evidence/health';
import type { TestName } from '../../format/names';
import type { Failure } from '../derive/failures';
import { message } from '../messages';

/** Of these a second reading is weighed with the first: drops by the solver, health by all its ways together. */
const isFused = (test: TestName): boolean => isPathTest(test) || isHealthTest(test);

/**
 * What was outside its limit twice is no slip: what lies straight across a fault speaks for that fault, what only follows
 * from faults for all that it spoke for the first time.
 *
 * @param found What the readings say once.
 */
export const repeatFindings = (failing: readonly Failure[], found: readonly Finding[]): readonly Finding[] =>
  failing
    .filter(({ isRepeated, reading }) => isRepeated && !isFused(reading.test))
    .flatMap(({ reading, faults }) => {
      const says = message('read-twice', { reading });
      const source = { reading: reading.id };
      if (faults.length > 0) return [fixed('read-twice', causes(...faults), source, says)];
      const own = found.find((one) => one.weight > 0 && 'reading' in one.source && one.source.reading === reading.id);
      return own ? [fixed('fails-twice', own.causes, source, says)] : [];
    });
