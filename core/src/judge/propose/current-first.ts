import { isPathTest, pathOf } from '../../circuit/paths';
import type { PathLoad } from '../../circuit/paths';
import { isTried } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isStill, spinsFree } from '../../evidence/flow';
import type { StepName, TestName } from '../../format/names';
import { isTestName } from '../../trade/tables';

/** What tells the current of a path. */
const CURRENT: Readonly<Record<PathLoad, TestName>> = {
  cranking: 'starter-draw',
  charging: 'alternator-current',
};

/**
 * The current that must be read before this drop: without it nobody knows what the drop means. Null where it was tried, was
 * told with another drop of the same current, or cannot flow.
 */
export function currentFirst(name: StepName, gradedCase: GradedCase): TestName | null {
  if (!isTestName(name) || !isPathTest(name)) return null;
  const { loadedBy } = pathOf(name);
  if (loadedBy === 'cranking' && (isStill(gradedCase) || spinsFree(gradedCase))) return null;
  const isKnown = gradedCase.case.readings.some(
    (reading) =>
      isTried(reading, gradedCase.pass) &&
      (reading.test === CURRENT[loadedBy] ||
        (isPathTest(reading.test) &&
          pathOf(reading.test).loadedBy === loadedBy &&
          reading.conditions?.amps !== undefined)),
  );
  return isKnown ? null : CURRENT[loadedBy];
}
