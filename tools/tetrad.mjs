/** `npm run -s tetrad -- COMMAND`: the command line; all but the administrator's commands need no server or database. */
import { adminCommand, isAdminCommand } from './admin/commands.mjs';
import { buildCli } from './setup/build.mjs';
import { fail } from './setup/steps.mjs';

const [name = '', ...words] = process.argv.slice(2);
if (isAdminCommand(name)) process.exitCode = await adminCommand(name, words);
else {
  try {
    await buildCli();
  } catch (error) {
    fail(error);
  }
  await import('../dist/cli/main.mjs');
}
