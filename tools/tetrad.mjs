/**
 * `npm run -s tetrad -- COMMAND`: the command line. It sets up what it needs first (told on standard error, so that
 * standard output holds the answer alone); all but the administrator's commands need no server or database.
 */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { buildCli } from './setup/build.mjs';
import { installPackages } from './setup/packages.mjs';
import { checkDisk, checkNode } from './setup/requirements.mjs';
import { ROOT } from './setup/root.mjs';
import { fail } from './setup/steps.mjs';

const toldOnce = (what) => ({ onWork: () => console.error(`Tetrad: ${what}, once …`) });

try {
  checkNode();
  await checkDisk(ROOT);
  await installPackages(toldOnce('installing npm packages'));
  await buildCli(toldOnce('building the command line'));
} catch (error) {
  fail(error);
}
const [{ runProgram }, { addAdminCommands }] = await Promise.all([
  import('../dist/cli/program.mjs'),
  import('./admin/commands.mjs'),
]);
const { version } = JSON.parse(await readFile(join(ROOT, 'package.json'), 'utf8'));
process.exitCode = await runProgram(process.argv.slice(2), version, addAdminCommands);
