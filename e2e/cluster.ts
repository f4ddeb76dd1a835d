import { temporaryCluster } from '../tools/setup/cluster.mjs';

/** One private cluster for the whole run; every worker makes its own database in it. */
export default async function setup(): Promise<() => Promise<void>> {
  const cluster = await temporaryCluster();
  process.env['TETRAD_TEST_CLUSTER'] = cluster.url('postgres');
  return () => cluster.remove();
}
