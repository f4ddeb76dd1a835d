/** `npm run -s tetrad -- COMMAND`: the command line; needs no server or database. */
import { buildCli } from './setup/build.mjs';
import { fail } from './setup/steps.mjs';

try {
  await buildCli();
} catch (error) {
  fail(error);
}
await import('../dist/cli/main.mjs');
