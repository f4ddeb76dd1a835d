/** Devices write while the primary's host is killed, paused and cut off in turn; the hosts elect the next by themselves. */
import { temporaryFolder } from '../../tools/setup/cluster.mjs';
import { adminOf, open } from './application.mjs';
import { Cluster, SUPERUSER } from './elected-hosts.mjs';
import { kills } from './kills.mjs';
import { printFigures } from './own-network.mjs';

/** What may befall the host of the primary, in turn, and what brings the host back. */
const WAYS = [
  { lose: (host) => host.kill(), back: (host) => Promise.all([host.startEtcd(), host.startDatabase()]) },
  { lose: (host) => host.pause(), back: (host) => host.resume() },
  { lose: (host) => host.cut(), back: (host) => host.mend() },
];

/** @param {number} rounds how often the primary's host is lost */
async function elections(rounds) {
  const cluster = new Cluster(await temporaryFolder());
  const { databases } = cluster;
  const acknowledged = [];
  let app = null;
  try {
    await cluster.start();
    const [first, second] = databases;
    let now = first;
    app = await open(
      { url: () => cluster.url(first) },
      { standby: cluster.url(second), now: () => cluster.url(now, SUPERUSER), isKept: false },
    );
    await adminOf(cluster.url(first), 'CREATE TABLE direct_write (id uuid PRIMARY KEY)');
    const writeOn = (host) => {
      const writer = host.run([process.execPath, 'e2e/torture/direct-writer.mjs', cluster.url(host)]);
      writer.stdout.on('data', (data) => acknowledged.push(...data.toString().trim().split('\n')));
    };
    databases.forEach(writeOn);

    let lost = 0;
    let away = null;
    const comeBack = async () => {
      if (!away) return;
      await away.way.back(away.host);
      if (away.way === WAYS[0]) writeOn(away.host);
      away = null;
      await cluster.isWhole();
    };
    const lose = async () => {
      await comeBack();
      const host = await cluster.leader();
      const way = WAYS[lost % WAYS.length];
      way.lose(host);
      away = { host, way };
      now = databases.find((other) => other !== host);
      lost++;
    };
    const figures = await kills(app, lose, rounds);
    if (lost !== rounds) throw new Error(`the primary was lost ${lost} times, not ${rounds}`);
    await comeBack();
    now = await cluster.leader();
    const known = new Set((await adminOf(cluster.url(now), 'SELECT id FROM direct_write')).map(({ id }) => id));
    const gone = acknowledged.filter((id) => !known.has(id)).length;
    return { ...figures, direct: acknowledged.length, lost: figures.lost + gone };
  } finally {
    await app?.close();
    await cluster.remove();
  }
}

await printFigures(import.meta.filename, elections);
