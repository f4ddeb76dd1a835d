/**
 * `npm test`: sets up, then lint, types, unit, server and browser tests; ends with one line of counts.
 * `npm run test:quick`: what the changed files reach, without browsers; for work, not for a submission.
 */
import { readFile, rm } from 'node:fs/promises';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { installPackages } from './setup/packages.mjs';
import { checkDisk, checkNode, installDebianPackages } from './setup/requirements.mjs';
import { ROOT } from './setup/root.mjs';
import { run } from './setup/run.mjs';
import { fail, step } from './setup/steps.mjs';
import { testShare } from './setup/test-share.mjs';

/** One more than the machine has processors: some tests wait, for a pause that an attempt costs or an instrument. */
const WORKERS = `--maxWorkers=${availableParallelism() + 1}`;
const counts = { passed: 0, failed: 0 };
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const report = (name) => join(tmpdir(), `tetrad-${process.pid}-${name}.json`);

/** One check: it passes or fails as a whole. @returns what it said where it fails. */
async function check([command, args]) {
  try {
    await run(command, args, { cwd: ROOT });
    counts.passed += 1;
    return [];
  } catch (error) {
    counts.failed += 1;
    return [error.message];
  }
}

/** Checks in lanes beside each other, those of a lane one after the other; what failed is shown after all of them. */
async function checks(name, lanes) {
  const inTurn = async (lane) => {
    const said = [];
    for (const one of lane) said.push(...(await check(one)));
    return said;
  };
  const failures = (await step(name, () => Promise.all(lanes.map(inTurn)))).flat();
  for (const failure of failures) console.error(failure);
}

/** A run of many tests, counted from its report; a run that breaks down counts as one failure. */
async function suite(name, { command, args, env, count }) {
  const file = report(name.replaceAll(' ', '-'));
  let broken = null;
  const result = await step(
    name,
    async () => {
      await run(command, args(file), { cwd: ROOT, env: { ...process.env, ...env(file) } }).catch(
        (error) => (broken = error),
      );
      return count(JSON.parse(await readFile(file, 'utf8')));
    },
    ({ passed, failed }) => `${passed} passed, ${failed} failed`,
  ).catch((error) => {
    broken ??= error;
    return { passed: 0, failed: 1 };
  });
  await rm(file, { force: true });
  counts.passed += result.passed;
  counts.failed += broken && result.failed === 0 ? 1 : result.failed;
  if (broken) console.error(broken.message);
}

const jest = (name, words) =>
  suite(name, {
    command: bin('jest'),
    args: (file) => ['--json', `--outputFile=${file}`, WORKERS, ...words],
    env: () => ({}),
    count: ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
      passed: numPassedTests,
      failed: numFailedTests + numRuntimeErrorTestSuites,
    }),
  });

const LINT = [bin('eslint'), ['.']];
const TYPES = [bin('tsc'), ['-p', 'tsconfig.json']];
const FORMAT = [bin('prettier'), ['--check', '--log-level', 'warn', '.']];
const BUILD = [process.execPath, ['tools/build.mjs']];
const TORTURE = [process.execPath, ['e2e/torture.mjs', '--short']];

/** Names of the browser tests that failed once and then passed: each is a defect of the test or of what it tests. */
function secondTries(suites) {
  return suites.flatMap((one) => [
    ...(one.specs ?? []).filter((spec) => spec.tests.some((test) => test.status === 'flaky')).map((spec) => spec.title),
    ...secondTries(one.suites ?? []),
  ]);
}

async function whole() {
  // the torture waits more than it works
  await checks('lint, types and format beside build and torture, its short part', [
    [LINT, TYPES, FORMAT],
    [BUILD, TORTURE],
  ]);
  await jest('unit and server tests', []);
  await suite('browser tests', {
    command: bin('playwright'),
    args: () => ['test'],
    env: (file) => ({ TETRAD_E2E_REPORT: file }),
    count: ({ stats, suites }) => {
      for (const title of secondTries(suites)) console.log(`Passed only at the second try: ${title}`);
      return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
    },
  });
  const { tests, all } = await testShare().catch(() => ({ tests: 0, all: 0 }));
  if (all > 0)
    console.log(`Tests are ${((100 * tests) / all).toFixed(1)} % of the lines of code (${tests} of ${all}).`);
}

/** Types, and the unit and server tests of the files that are not committed yet, or were changed by the last commit. */
async function quick() {
  await checks('types beside build', [[TYPES], [BUILD]]);
  const changed = (await run('git', ['diff', '--name-only', 'HEAD'], { cwd: ROOT })).trim();
  await jest('tests of what changed', [
    changed ? '--onlyChanged' : '--lastCommit',
    '--testPathIgnorePatterns',
    'bare-clone',
    '--passWithNoTests',
  ]);
}

async function main() {
  const isQuick = process.argv.includes('--quick');
  checkNode();
  await checkDisk(ROOT);
  await step(
    'Debian packages',
    () => installDebianPackages(isQuick ? ['postgresql'] : ['postgresql', 'chromium-headless-shell']),
    (installed) => (installed.length ? `installed ${installed.join(', ')}` : 'there'),
  );
  await step('npm packages', installPackages, (ran) => (ran ? 'done' : 'unchanged'));
  await (isQuick ? quick() : whole());
  console.log(`${counts.passed} passed, ${counts.failed} failed`);
  process.exitCode = counts.failed > 0 ? 1 : 0;
}

main().catch(fail);
