/**
 * `npm run test:quick`: for work, not for a submission. Checks what is not committed yet (or, where all is, the last commit): lint
 * and format of those files, types, and the tests that stand nearest to them, the quickest first, for about a minute.
 */
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { existsSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { reachedTests, withinSeconds } from './setup/reached-tests.mjs';
import { installPackages } from './setup/packages.mjs';
import { checkNode, installDebianPackages } from './setup/requirements.mjs';
import { ROOT } from './setup/root.mjs';
import { run } from './setup/run.mjs';
import { fail, step } from './setup/steps.mjs';

/** The tests that are chosen take about so long, s. */
const TESTS_S = 50;
const TIMES = join(ROOT, '.stamps/test-times.json');
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const lines = (text) => text.split('\n').filter(Boolean);
const git = async (...words) => lines(await run('git', words, { cwd: ROOT }));

async function changedFiles() {
  const own = [
    ...(await git('diff', '--name-only', 'HEAD')),
    ...(await git('ls-files', '--others', '--exclude-standard')),
  ];
  const all = own.length > 0 ? own : await git('diff', '--name-only', 'HEAD~1', 'HEAD');
  return all.filter((path) => existsSync(join(ROOT, path)));
}

const checks = [];
/** Runs a check; what it found is told at the end. */
const check = (name, command, args) =>
  step(
    name,
    () =>
      run(command, args, { cwd: ROOT }).then(
        () => checks.push({ name, isGood: true }),
        (error) => checks.push({ name, isGood: false, told: error.message }),
      ),
    () => (checks.at(-1).isGood ? 'passed' : 'failed'),
  );

const tsc = (config) => [process.execPath, [join(ROOT, 'node_modules/typescript-7/bin/tsc'), '-p', config]];

async function main() {
  checkNode();
  // of a checkout that has them both are done at once
  await Promise.all([installDebianPackages(['postgresql']), installPackages()]);
  const changed = await changedFiles();
  if (changed.length === 0) return console.log('Nothing is changed.');
  console.log(`${changed.length} changed: ${changed.slice(0, 8).join(', ')}${changed.length > 8 ? ', …' : ''}`);
  const code = changed.filter((path) => /\.(ts|mjs|cjs|js)$/.test(path));
  await check('format', bin('prettier'), ['--check', '--ignore-unknown', '--log-level', 'warn', ...changed]);
  if (code.length > 0) await check('lint', bin('eslint'), ['--no-warn-ignored', ...code]);
  await check('types', ...tsc('tsconfig.json'));
  if (changed.some((path) => /^(client|contracts)\//.test(path)))
    await check('types of the client and its tests', ...tsc('client/tsconfig.test.json'));

  const times = JSON.parse(await readFile(TIMES, 'utf8').catch(() => '{}'));
  const reached = await reachedTests(changed, times);
  const workers = availableParallelism();
  const chosen = withinSeconds(reached, TESTS_S, workers);
  if (chosen.length > 0) {
    const seconds = Math.ceil(chosen.reduce((sum, one) => sum + one.seconds, 0) / workers);
    console.log(`tests: ${chosen.length} of ${reached.length} files that use what changed, about ${seconds} s:`);
    for (const { path } of chosen) console.log(`  ${path}`);
    const file = join(tmpdir(), `tetrad-${process.pid}-quick.json`);
    const words = ['--json', `--outputFile=${file}`, `--maxWorkers=${workers}`, '--runTestsByPath'];
    await check('tests', bin('jest'), [...words, ...chosen.map(({ path }) => path)]);
    await keepTimes(file, times);
  }
  const bad = checks.filter(({ isGood }) => !isGood);
  for (const { told } of bad) console.error(told);
  console.log(
    bad.length === 0 ? 'All passed. `npm test` runs the rest.' : `failed: ${bad.map(({ name }) => name).join(', ')}`,
  );
  process.exitCode = bad.length > 0 ? 1 : 0;
}

/** What each test file took, for the next choice. */
async function keepTimes(file, times) {
  const found = JSON.parse(await readFile(file, 'utf8').catch(() => '{"testResults":[]}'));
  for (const { name, startTime, endTime } of found.testResults)
    times[relative(ROOT, name)] = Math.ceil((endTime - startTime) / 1000);
  await rm(file, { force: true });
  await mkdir(join(ROOT, '.stamps'), { recursive: true });
  await writeFile(TIMES, JSON.stringify(times, null, 1));
}

main().catch(fail);
