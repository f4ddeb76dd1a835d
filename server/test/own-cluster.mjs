/** A cluster of its own for one test file whose settings would disturb the others: prints its address, ends with its input. */
import { temporaryCluster } from '../../tools/setup/cluster.mjs';

const cluster = await temporaryCluster();
await cluster.createDatabase();
console.log(cluster.url());
process.stdin.resume().on('end', () => void cluster.remove());
