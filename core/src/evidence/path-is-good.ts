import type { TestName } from '../format/names';
import { latest } from './case-context';
import type { GradedCase } from './case-context';

/** True where a valid reading of the path meets a limit and lies not outside it: the path is excused. */
export function pathIsGood(gradedCase: GradedCase, test: TestName): boolean {
  const reading = latest(gradedCase, test);
  const graded = reading && gradedCase.grades.get(reading.id);
  return graded !== undefined && graded.resolved !== null && graded.grade !== 'outside';
}
