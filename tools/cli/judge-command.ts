import { readFile, stat } from 'node:fs/promises';
import type { Command } from 'commander';
import { BALANCED, SCHOOLS, describeMisfits, judge, readCase, schoolById } from '@tetrad/core';
import type { CriteriaSet } from '@tetrad/core';
import { judgeLines } from './judge-lines';
import { MAX_CASE_BYTES, tooLong } from './case-size';
import { UsageError } from './usage-error';

interface Options {
  readonly criteria?: string;
  readonly lines?: boolean;
}

export function addJudgeCommand(program: Command): void {
  program
    .command('judge')
    .summary('judge case files')
    .description(
      'Prints a judgement (tetrad-judgement/1) for each case file, or for standard input if no file is given.',
    )
    .argument('[file...]', 'case files (tetrad-case/1)')
    .option('--criteria <id>', `criteria set: ${SCHOOLS.map(({ id }) => id).join(', ')}`, BALANCED.id)
    .option('--lines', 'standard input is one case a line; prints one judgement a line, in order')
    .action(async (files: readonly string[], options: Options) => {
      process.exitCode = await judgeAll(files, options);
    });
}

/** @returns the exit status: 1 where any input was no case. */
async function judgeAll(files: readonly string[], { criteria: id = BALANCED.id, lines }: Options): Promise<number> {
  const criteria = schoolById(id);
  if (!criteria) throw new UsageError(`--criteria is ${id}; known are ${SCHOOLS.map((set) => set.id).join(', ')}`);
  if (lines && files.length > 0) throw new UsageError('--lines reads standard input and takes no file');
  if (lines) return judgeLines(criteria);
  let status = 0;
  for (const file of files.length > 0 ? files : [null]) if (!(await judgeOne(file, criteria))) status = 1;
  return status;
}

/** @param file null is standard input. @returns false where it is no case; that is told. */
async function judgeOne(file: string | null, criteria: CriteriaSet): Promise<boolean> {
  const refuse = (why: string): false => {
    console.error(`tetrad judge: ${file ?? 'standard input'}: ${why}`);
    return false;
  };
  let text: string;
  try {
    text = file === null ? await readStandardInput() : await readCaseFile(file);
  } catch (error) {
    return refuse(error instanceof Error ? error.message : String(error));
  }
  const result = readCase(text);
  if (!result.ok) return refuse(describeMisfits(result.misfits));
  console.log(JSON.stringify(judge(result.value, criteria), null, 2));
  return true;
}

async function readCaseFile(file: string): Promise<string> {
  const { size } = await stat(file);
  if (size > MAX_CASE_BYTES) throw new Error(tooLong('it', size));
  return readFile(file, 'utf8');
}

async function readStandardInput(): Promise<string> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of process.stdin as AsyncIterable<Buffer>) {
    bytes += part.length;
    if (bytes > MAX_CASE_BYTES) throw new Error(tooLong('it', bytes));
    parts.push(part);
  }
  return Buffer.concat(parts).toString('utf8');
}
