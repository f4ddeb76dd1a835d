import type { GradedCase } from '../../evidence/case-context';
import type { StepName } from '../../format/names';
import { stepOf } from '../../trade/tables';
import { isOpen } from './is-open';
import { isRead, mustBeRead } from './must-be-read';

/** What must be read before nothing may be found. */
export interface Coverage {
  /** What is open still. */
  readonly uncovered: readonly StepName[];
  /** What could not be done: said to be missing, never taken as passed. */
  readonly impossible: readonly StepName[];
}

/** @returns the steps that the complaint asks for and nobody has done, and those that could not be done. */
export function coverage(gradedCase: GradedCase): Coverage {
  const uncovered: StepName[] = [];
  const impossible: StepName[] = [];
  for (const wanted of mustBeRead(gradedCase)) {
    if (isRead(wanted, gradedCase)) continue;
    const open = wanted.anyOf.find((step) => {
      const row = stepOf(step);
      return row !== null && isOpen(step, row, gradedCase);
    });
    if (open) uncovered.push(open);
    else impossible.push(wanted.anyOf[0]!);
  }
  return { uncovered: [...new Set(uncovered)], impossible: [...new Set(impossible)] };
}
