import { dirname, join } from 'node:path';
import { temporaryCluster } from '../tools/setup/cluster.mjs';
import { freePort } from '../tools/setup/ports.mjs';
import { ROOT } from '../tools/setup/root.mjs';
import { run } from '../tools/setup/run.mjs';
import { serverEnvironment } from '../tools/setup/supervise.mjs';
import { TEMPLATE, keepDemoData } from './demo-data';

/** One private cluster for the whole run, with the demo loaded once. What it holds may be lost with the machine. */
export default async function setup(): Promise<() => Promise<void>> {
  const cluster = await temporaryCluster({ fsync: 'off' });
  process.env['TETRAD_TEST_CLUSTER'] = cluster.url('postgres');
  await cluster.createDatabase(TEMPLATE);
  const env = { ...serverEnvironment(cluster.url(TEMPLATE), await freePort()), TETRAD_LOG_LEVEL: 'error' };
  const printed = await run(process.execPath, [`${ROOT}/dist/server/prepare.mjs`, '--demo'], { cwd: ROOT, env });
  process.env['TETRAD_TEST_APP'] = (JSON.parse(printed) as { address: string }).address;
  const folder = join(dirname(cluster.folder), 'demo');
  await keepDemoData(folder);
  process.env['TETRAD_TEST_DATA'] = folder;
  return () => cluster.remove();
}
