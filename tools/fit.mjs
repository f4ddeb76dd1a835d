/** `npm run fit`: fits the spreads of the judge's evidence from the circuit model and writes their table. */
import { run } from './setup/run.mjs';
import { ROOT } from './setup/root.mjs';
import { buildCli } from './setup/build.mjs';
import { fail } from './setup/steps.mjs';

try {
  await buildCli();
  console.log(await run(process.execPath, ['dist/cli/fit.mjs'], { cwd: ROOT }));
} catch (error) {
  fail(error);
}
