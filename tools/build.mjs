/** `npm run build`: all that runs, without starting it; the types of the client are checked on the way. */
import { buildBillOfMaterials, buildCheckedClient, buildCli, buildServer } from './setup/build.mjs';
import { fail, step } from './setup/steps.mjs';

const changed = (ran) => (ran ? 'done' : 'unchanged');

async function main() {
  await step('server', buildServer, changed);
  await step('command line', buildCli, changed);
  await step('client', buildCheckedClient, changed);
  await step('bill of materials', buildBillOfMaterials, changed);
}
main().catch(fail);
