import { temporaryCluster } from '../../tools/setup/cluster.mjs';

/** A private cluster for the server's tests: its own folder, loopback, removed afterwards. */
export default async function setup() {
  const cluster = await temporaryCluster({ fsync: 'off' });
  globalThis.__tetradCluster = cluster;
  process.env.TETRAD_TEST_CLUSTER = cluster.url('postgres');
}
