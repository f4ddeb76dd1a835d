/**
 * `npm test`: sets up, then lint, types, unit, server and browser tests; ends with one line of counts.
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

/** @typedef {{ passed: number, failed: number, told: string[] }} Found What a piece of work found, and what is to be told of it. */

/** Checks one after the other: each passes or fails as a whole. */
const inTurn =
  (...lane) =>
  async () => {
    const found = { passed: 0, failed: 0, told: [] };
    for (const [command, args] of lane)
      await run(command, args, { cwd: ROOT }).then(
        () => (found.passed += 1),
        (error) => {
          found.failed += 1;
          found.told.push(error.message);
        },
      );
    return found;
  };

/** A run of many tests, counted from its report; a run that breaks down counts as one failure. */
const suite =
  ({ name, command, args, env, count }) =>
  async () => {
    const file = report(name);
    const told = [];
    const ran = run(command, args(file), { cwd: ROOT, env: { ...process.env, NODE_ENV: 'test', ...env(file) } });
    await ran.catch((error) => told.push(error.message));
    const counted = await readFile(file, 'utf8')
      .then((said) => count(JSON.parse(said)))
      .catch(() => null); // it broke down before its report was whole
    await rm(file, { force: true });
    if (counted === null) return { passed: 0, failed: 1, told };
    const { passed, failed, more = [] } = counted;
    return { passed, failed: told.length > 0 && failed === 0 ? 1 : failed, told: [...told, ...more] };
  };

/** Runs pieces of work beside each other, counts what they found, and tells what there is to tell after all of them. */
async function phase(name, ...works) {
  const all = await step(
    name,
    () => Promise.all(works.map((work) => work())),
    (found) => `${sumOf(found, 'passed')} passed, ${sumOf(found, 'failed')} failed`,
  );
  for (const key of ['passed', 'failed']) counts[key] += sumOf(all, key);
  for (const text of all.flatMap(({ told }) => told)) console.error(text);
}
const sumOf = (found, key) => found.reduce((sum, one) => sum + one[key], 0);

const jest = (...words) =>
  suite({
    name: 'jest',
    command: bin('jest'),
    args: (file) => ['--json', `--outputFile=${file}`, WORKERS, ...words],
    env: () => ({}),
    count: ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
      passed: numPassedTests,
      failed: numFailedTests + numRuntimeErrorTestSuites,
    }),
  });

/** Of files whose content is as it was, their last results are taken; in a fresh clone there are none. */
const CACHED = ['--cache', '--cache-strategy', 'content'];
const LINT = [bin('eslint'), [...CACHED, '--cache-location', 'node_modules/.cache/eslint/', '.']];
/** No import goes up, nor in a circle. */
const FLOORS = ['npm', ['run', '-s', 'floors']];
/** The native compiler, in a fifth of the time of the one that Angular's is built on. */
const types = (config) => [process.execPath, [join(ROOT, 'node_modules/typescript-7/bin/tsc'), '-p', config]];
const TYPES = [types('tsconfig.json'), types('client/tsconfig.test.json')];
const FORMAT = [bin('prettier'), ['--check', ...CACHED, '--log-level', 'warn', '.']];
const BUILD = [process.execPath, ['tools/build.mjs']];
const TORTURE = [process.execPath, ['e2e/torture.mjs', '--short']];

/** Names of the browser tests that failed once and then passed: each is a defect of the test or of what it tests. */
function secondTries(suites) {
  return suites.flatMap((one) => [
    ...(one.specs ?? []).filter((spec) => spec.tests.some((test) => test.status === 'flaky')).map((spec) => spec.title),
    ...secondTries(one.suites ?? []),
  ]);
}

const browserTests = suite({
  name: 'playwright',
  command: bin('playwright'),
  args: () => ['test'],
  env: (file) => ({ TETRAD_E2E_REPORT: file }),
  count: ({ stats, suites }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected,
    more: secondTries(suites).map((title) => `Passed only at the second try: ${title}`),
  }),
});

async function whole() {
  await phase('lint and types beside format and build', inTurn(LINT, FLOORS, ...TYPES), inTurn(FORMAT, BUILD));
  // the torture waits more than it works
  await phase('unit and server tests beside the torture, its short part', jest(), inTurn(TORTURE));
  await phase('browser tests', browserTests);
  const { tests, all } = await testShare().catch(() => ({ tests: 0, all: 0 }));
  if (all > 0)
    console.log(`Tests are ${((100 * tests) / all).toFixed(1)} % of the lines of code (${tests} of ${all}).`);
}

async function main() {
  checkNode();
  await checkDisk(ROOT);
  await step(
    'Debian and npm packages',
    () => {
      const debian = installDebianPackages(['postgresql', 'chromium-headless-shell']);
      // a failure of npm ends us, and must not end apt in the middle of its work
      return Promise.all([debian, installPackages().finally(() => debian)]);
    },
    ([debian, npm]) => [...debian, npm ? 'those of npm' : ''].filter(Boolean).join(', ') || 'there',
  );
  await whole();
  console.log(`${counts.passed} passed, ${counts.failed} failed`);
  process.exitCode = counts.failed > 0 ? 1 : 0;
}

main().catch(fail);
