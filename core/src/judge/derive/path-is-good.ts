import type { TestName } from '../../format/names';
import { latest } from '../situation';
import type { Situation } from '../situation';

/** True where a valid reading of the path meets a limit and lies not outside it: the path is excused. */
export function pathIsGood(situation: Situation, test: TestName): boolean {
  const reading = latest(situation, test);
  const graded = reading && situation.graded.get(reading.id);
  return graded !== undefined && graded.resolved !== null && graded.grade !== 'outside';
}
