/** A cluster of hosts is brought back to a moment by pgBackRest, as docs/operating.md says: what was before is there, what came after is not. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { temporaryFolder } from '../../tools/setup/cluster.mjs';
import { adminOf, open } from './application.mjs';
import { Cluster, SUPERUSER } from './elected-hosts.mjs';
import { join } from 'node:path';
import { ROOT } from '../../tools/setup/root.mjs';
import { openJob } from './kills.mjs';
import { printFigures } from './own-network.mjs';

const READINGS = 20;
const STANZA = '--stanza=tetrad';

async function restoreToAMinute() {
  const cluster = new Cluster(await temporaryFolder());
  const [one, two] = cluster.databases;
  let app = null;
  const asSuperuser = (host, statement) => adminOf(cluster.url(host, SUPERUSER), statement);
  const read = async () =>
    (await asSuperuser(await cluster.leader(), 'SELECT reading_id AS id FROM reading')).map(({ id }) => id);
  try {
    await cluster.start();
    await one.patronictl(
      'edit-config',
      '--force',
      '--pg',
      'archive_mode=on',
      '--pg',
      "archive_command='pgbackrest --stanza=tetrad archive-push %p'",
      'tetrad',
    );
    await one.patronictl('restart', '--force', 'tetrad');
    await cluster.isWhole();
    const leader = await cluster.leader();
    await leader.asPostgres(['pgbackrest', STANZA, 'stanza-create']);
    await leader.asPostgres(['pgbackrest', STANZA, 'check']);
    await leader.asPostgres(['pgbackrest', STANZA, 'backup']);

    app = await open({ url: () => cluster.url(one) }, { standby: cluster.url(two), isKept: false });
    const job = await openJob(app);
    const write = async () => {
      const ids = Array.from({ length: READINGS }, () => randomUUID());
      for (const id of ids) {
        const answer = await app.ask('POST', `/jobs/${job}/readings`, {
          reading: { id, test: 'resting-voltage', value: 12.6 },
        });
        if (answer.status !== 201) throw new Error(`a reading was answered ${answer.status}`);
      }
      return ids;
    };
    const before = await write();
    const [{ now }] = await asSuperuser(leader, 'SELECT clock_timestamp()::text AS now');
    await wait(1100);
    const after = await write();
    await asSuperuser(leader, 'SELECT pg_switch_wal()');
    await app.close();
    app = null;

    for (const host of [two, one]) await host.stopDatabase();
    await one.do([join(ROOT, 'docs/high-availability/restore-to.sh'), now]);
    await one.startDatabase();
    await cluster.leader();
    await two.forgetCluster();
    await two.startDatabase();
    await cluster.isWhole();

    const there = new Set(await read());
    app = await open({ url: () => cluster.url(one) }, { standby: cluster.url(two), isKept: false });
    const again = await write();
    const stored = new Set(await read());
    return {
      missing: before.filter((id) => !there.has(id)).length,
      left: after.filter((id) => there.has(id)).length,
      written: again.filter((id) => stored.has(id)).length,
      of: READINGS,
    };
  } finally {
    await app?.close();
    await cluster.remove();
  }
}

await printFigures(import.meta.filename, restoreToAMinute);
