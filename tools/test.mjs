/** `npm test`: sets up, then lint, types, unit, server and browser tests; ends with one line of counts. */
import { readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { installPackages } from './setup/packages.mjs';
import { checkDisk, checkNode, installDebianPackages } from './setup/requirements.mjs';
import { ROOT } from './setup/root.mjs';
import { run } from './setup/run.mjs';
import { fail, step } from './setup/steps.mjs';
import { testShare } from './setup/test-share.mjs';

const counts = { passed: 0, failed: 0 };
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const report = (name) => join(tmpdir(), `tetrad-${process.pid}-${name}.json`);

/** A check that passes or fails as a whole; its output is shown only where it fails. */
async function check(name, command, args) {
  try {
    await step(name, () => run(command, args, { cwd: ROOT }));
    counts.passed += 1;
  } catch (error) {
    counts.failed += 1;
    console.error(error.message);
  }
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

async function main() {
  checkNode();
  await checkDisk(ROOT);
  await step(
    'Debian packages',
    () => installDebianPackages(['postgresql', 'chromium']),
    (installed) => (installed.length ? `installed ${installed.join(', ')}` : 'there'),
  );
  await step('npm packages', installPackages, (ran) => (ran ? 'done' : 'unchanged'));
  await check('lint', bin('eslint'), ['.']);
  await check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
  await check('types', bin('tsc'), ['-p', 'tsconfig.json']);
  await check('build', process.execPath, ['tools/build.mjs']);
  await check('torture, its short part', process.execPath, ['e2e/torture.mjs', '--short']);
  await suite('unit and server tests', {
    command: bin('jest'),
    args: (file) => ['--json', `--outputFile=${file}`],
    env: () => ({}),
    count: ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
      passed: numPassedTests,
      failed: numFailedTests + numRuntimeErrorTestSuites,
    }),
  });
  await suite('browser tests', {
    command: bin('playwright'),
    args: () => ['test'],
    env: (file) => ({ TETRAD_E2E_REPORT: file }),
    count: ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }),
  });
  const { tests, all } = await testShare().catch(() => ({ tests: 0, all: 0 }));
  if (all > 0)
    console.log(`Tests are ${((100 * tests) / all).toFixed(1)} % of the lines of code (${tests} of ${all}).`);
  console.log(`${counts.passed} passed, ${counts.failed} failed`);
  process.exitCode = counts.failed > 0 ? 1 : 0;
}

main().catch(fail);
