import { describeMisfits, judge, readCase } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import { MAX_CASE_BYTES, tooLong } from './case-size';
import type { InputLine } from './input-lines';

/** Some lines of input, judged: the answers in order, and whether any line was no case. */
export interface JudgedLines {
  readonly output: string;
  readonly anyRefused: boolean;
}

/** One judgement, or one error, for each line. */
export function judgeText(lines: readonly InputLine[], criteria: CriteriaSet): JudgedLines {
  let output = '';
  let anyRefused = false;
  for (const line of lines) {
    const answer = answerTo(line, criteria);
    if ('error' in answer) anyRefused = true;
    output += `${JSON.stringify(answer)}\n`;
  }
  return { output, anyRefused };
}

function answerTo(line: InputLine, criteria: CriteriaSet): object {
  if (line === null) return { error: tooLong('the line', MAX_CASE_BYTES) };
  const result = readCase(line);
  return result.ok ? judge(result.value, criteria) : { error: describeMisfits(result.misfits) };
}
