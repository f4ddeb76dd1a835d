import { temporaryCluster } from '../tools/setup/cluster.mjs';
import { freePort } from '../tools/setup/ports.mjs';
import { ROOT } from '../tools/setup/root.mjs';
import { run } from '../tools/setup/run.mjs';
import { serverEnvironment } from '../tools/setup/supervise.mjs';

/** The database that every test gets a copy of: tables and demo data. */
export const TEMPLATE = 'e2e_template';

/** One private cluster for the whole run, with the demo loaded once. */
export default async function setup(): Promise<() => Promise<void>> {
  const cluster = await temporaryCluster();
  process.env['TETRAD_TEST_CLUSTER'] = cluster.url('postgres');
  await cluster.createDatabase(TEMPLATE);
  const env = { ...serverEnvironment(cluster.url(TEMPLATE), await freePort()), TETRAD_LOG_LEVEL: 'error' };
  const printed = await run(process.execPath, [`${ROOT}/dist/server/prepare.mjs`, '--demo'], { cwd: ROOT, env });
  process.env['TETRAD_TEST_APP'] = (JSON.parse(printed) as { address: string }).address;
  return () => cluster.remove();
}
