/** The database's disk fills up while devices write, and is free again later. It is a small one of its own, in memory. */
import { open as openFile, rm, rmdir, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Cluster, temporaryFolder } from '../../tools/setup/cluster.mjs';
import { run } from '../../tools/setup/run.mjs';
import { open } from './application.mjs';
import { kills } from './kills.mjs';

const SIZE = '400m';
const FULL_MS = 3000;
const PART = Buffer.alloc(64 * 1024);

export async function diskFull() {
  if (process.getuid?.() !== 0) return { skipped: 'not tried: only root can mount a small disk' };
  const disk = await temporaryFolder();
  try {
    await run('mount', ['-t', 'tmpfs', '-o', `size=${SIZE},mode=0755`, 'tmpfs', disk]);
  } catch {
    await rmdir(disk);
    return { skipped: 'not tried: this machine mounts no small disk' };
  }
  try {
    return await onDisk(disk);
  } finally {
    await run('umount', ['-l', disk]);
    await rmdir(disk).catch(() => undefined);
  }
}

async function onDisk(disk) {
  const cluster = new Cluster(join(disk, 'cluster'));
  await cluster.create();
  // little is kept of what is written ahead, so that it is the disk that decides and not chance
  await cluster.start(undefined, { min_wal_size: '32MB', max_wal_size: '48MB' });
  await cluster.createDatabase();
  const app = await open(cluster);
  const answers = new Map();
  const counted = {
    ...app,
    ask: async (...given) => {
      const answer = await app.ask(...given);
      if (answer.status >= 500) {
        const { type } = await answer
          .clone()
          .json()
          .catch(() => ({ type: 'no words' }));
        answers.set(type, (answers.get(type) ?? 0) + 1);
      }
      return answer;
    },
  };
  try {
    const figures = await kills(counted, () => fill(disk), 1);
    const refusals = [...answers].map(([type, count]) => `${count} × ${type.split(/[/:]/).at(-1)}`).join(', ');
    return { ...figures, refusals: refusals || 'none refused' };
  } finally {
    await app.close();
    await cluster.stop();
  }
}

/** Fills the disk to the last byte for a while. */
async function fill(disk) {
  const name = join(disk, 'filler');
  const file = await openFile(name, 'w');
  const ends = performance.now() + FULL_MS;
  try {
    while (performance.now() < ends)
      if ((await statfs(disk)).bavail > 0) await file.write(PART).catch(() => undefined);
      else await wait(50); // what is freed meanwhile is filled too
  } finally {
    await file.close();
    await rm(name);
  }
}
