import { isPathTest } from '../../circuit/paths';
import { causes, fixed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { isHealthTest } from '../../evidence/health';
import type { TestName } from '../../format/names';
import type { Failure } from '../derive/failures';
import { message } from '../messages';

/** Of these a second reading is weighed with the first: drops by the solver, health by all its ways together. */
const isFused = (test: TestName): boolean => isPathTest(test) || isHealthTest(test);

/** What lies straight across a fault and was outside its limit twice: a slip seldom happens twice alike. */
export const repeatFindings = (failing: readonly Failure[]): readonly Finding[] =>
  failing
    .filter(({ faults, isRepeated, reading }) => isRepeated && faults.length > 0 && !isFused(reading.test))
    .map(({ reading, faults }) =>
      fixed('read-twice', causes(...faults), { reading: reading.id }, message('read-twice', { reading })),
    );
