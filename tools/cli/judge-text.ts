import { describeMisfits, judge, readCase } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';

/** Some lines of input, judged: the answers in order, and whether any line was no case. */
export interface JudgedLines {
  readonly output: string;
  readonly anyRefused: boolean;
}

/** One judgement, or one error, for each line. */
export function judgeText(lines: readonly string[], criteria: CriteriaSet): JudgedLines {
  let output = '';
  let anyRefused = false;
  for (const line of lines) {
    const result = readCase(line);
    if (!result.ok) anyRefused = true;
    output += `${JSON.stringify(result.ok ? judge(result.value, criteria) : { error: describeMisfits(result.misfits) })}\n`;
  }
  return { output, anyRefused };
}
