import type { TestName } from '../../format/names';
import { TESTS } from '../../trade/tables';
import { readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';

/** Batteries of a pack that this test has not been read on, where others have. */
export function missingUnits(test: TestName, gradedCase: GradedCase): readonly number[] {
  const { count = 1 } = gradedCase.case.system.battery;
  if (!TESTS[test].places[0].perBattery || gradedCase.units.length === 0) return [];
  const read = new Set(readingsOf(gradedCase, test).map(({ battery }) => battery));
  if (read.has(undefined)) return [];
  return Array.from({ length: count }, (_, i) => i + 1).filter((unit) => !read.has(unit));
}
