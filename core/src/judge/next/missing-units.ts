import type { TestName } from '../../format/names';
import { TESTS } from '../../trade/tables';
import { readingsOf } from '../situation';
import type { Situation } from '../situation';

/** Batteries of a pack that this test has not been read on, where others have. */
export function missingUnits(test: TestName, situation: Situation): readonly number[] {
  const { count = 1 } = situation.case.system.battery;
  if (!TESTS[test].places[0].perBattery || situation.units.length === 0) return [];
  const read = new Set(readingsOf(situation, test).map(({ battery }) => battery));
  if (read.has(undefined)) return [];
  return Array.from({ length: count }, (_, i) => i + 1).filter((unit) => !read.has(unit));
}
