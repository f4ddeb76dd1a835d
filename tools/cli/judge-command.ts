import { readFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import { BALANCED, SCHOOLS, describeMisfits, judge, readCase, schoolById } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import { judgeLines } from './judge-lines';
import { UsageError } from './usage-error';

interface Words {
  readonly criteria: CriteriaSet;
  readonly lines: boolean;
  readonly files: readonly string[];
}

function readWords(words: readonly string[]): Words {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...words],
      allowPositionals: true,
      options: { criteria: { type: 'string' }, lines: { type: 'boolean', default: false } },
    });
  } catch (error) {
    throw new UsageError(error instanceof Error ? error.message : String(error));
  }
  const { values, positionals } = parsed;
  const criteria = values.criteria === undefined ? BALANCED : schoolById(values.criteria);
  if (!criteria)
    throw new UsageError(`--criteria is ${values.criteria}; known are ${SCHOOLS.map(({ id }) => id).join(', ')}`);
  if (values.lines && positionals.length > 0) throw new UsageError('--lines reads standard input and takes no file');
  return { criteria, lines: values.lines, files: positionals };
}

/** `judge`: a judgement for each case file; with `--lines` one for each line of standard input. */
export async function judgeCommand(words: readonly string[]): Promise<number> {
  const { criteria, lines, files } = readWords(words);
  if (lines) return judgeLines(criteria);
  let status = 0;
  for (const file of files.length > 0 ? files : [null]) {
    const name = file ?? 'standard input';
    const text = await readInput(file).catch((error: unknown) => {
      console.error(`tetrad judge: ${name}: ${error instanceof Error ? error.message : String(error)}`);
      return null;
    });
    if (text === null) {
      status = 1;
      continue;
    }
    const result = readCase(text);
    if (result.ok) console.log(JSON.stringify(judge(result.value, criteria), null, 2));
    else {
      console.error(`tetrad judge: ${name}: ${describeMisfits(result.misfits)}`);
      status = 1;
    }
  }
  return status;
}

async function readInput(file: string | null): Promise<string> {
  if (file !== null) return readFile(file, 'utf8');
  let text = '';
  process.stdin.setEncoding('utf8');
  for await (const part of process.stdin) text += part as string;
  return text;
}
