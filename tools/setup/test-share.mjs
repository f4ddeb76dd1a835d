/** How many of the lines of code are tests: a quarter to a third is the aim. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { run } from './run.mjs';

const CODE = /\.(ts|mjs|html|css|sql)$/;
const TESTS = /(^|\/)(test|e2e)\//;

/** @returns lines of tests and of all code that is under version control. */
export async function testShare() {
  const paths = (await run('git', ['ls-files'], { cwd: ROOT })).split('\n').filter((path) => CODE.test(path));
  const lines = { tests: 0, all: 0 };
  for (const path of paths) {
    const count = (await readFile(join(ROOT, path), 'utf8').catch(() => '')).split('\n').length - 1;
    lines.all += Math.max(0, count);
    if (TESTS.test(path)) lines.tests += Math.max(0, count);
  }
  return lines;
}
