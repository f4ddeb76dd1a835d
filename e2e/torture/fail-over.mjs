/** Devices write while the primary is killed and its standby promoted, again and again: each dead one follows the other anew. */
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Cluster, temporaryCluster, temporaryFolder } from '../../tools/setup/cluster.mjs';
import { freePort } from '../../tools/setup/ports.mjs';
import { adminOf, open } from './application.mjs';
import { kills } from './kills.mjs';

/** A write is acknowledged when the standby has it and shows it. */
const TOGETHER = [
  "ALTER SYSTEM SET synchronous_standby_names = '*'",
  "ALTER SYSTEM SET synchronous_commit = 'remote_apply'",
];

/** @param {number} times how often the primary is lost */
export async function failOver(times) {
  let primary = await temporaryCluster();
  await primary.createDatabase();
  let standby = new Cluster(join(await temporaryFolder(), 'cluster'));
  const follow = async (port) => {
    await standby.follow(primary);
    await standby.start(port);
    for (const statement of [...TOGETHER, 'SELECT pg_reload_conf()']) await adminOf(primary.url(), statement);
    await until(async () => {
      const [row] = await adminOf(primary.url(), 'SELECT sync_state AS state FROM pg_stat_replication');
      return row?.state === 'sync';
    });
  };
  await follow(await freePort());
  const app = await open(primary, { standby: standby.url(), now: () => primary.url(), isKept: false });
  let lost = 0;
  const lose = async () => {
    // the one that was lost before comes back as the standby of the other
    if (lost > 0) {
      await rm(standby.folder, { recursive: true });
      await follow(standby.port);
    }
    await primary.kill();
    await standby.promote();
    [primary, standby] = [standby, primary];
    lost++;
  };
  try {
    const fromStandby = await listsFromStandby(app);
    const figures = await kills(app, lose, times);
    if (lost !== times) throw new Error(`the primary was lost ${lost} times, not ${times}`);
    return { ...figures, fromStandby };
  } finally {
    await app.close();
    for (const cluster of [primary, standby]) await cluster.remove();
  }
}

/** How many of some lists the standby gave. */
async function listsFromStandby(app) {
  for (let i = 0; i < 10; i++) await (await app.ask('GET', '/jobs')).arrayBuffer();
  const figures = await (await fetch(`${app.url}/metrics`)).text();
  return Number(/^tetrad_lists_from_standby (\d+)/m.exec(figures)?.[1] ?? 0);
}

async function until(isSo) {
  for (let left = 200; left > 0; left--) {
    if (await isSo()) return;
    await wait(50);
  }
  throw new Error('the standby does not follow');
}
