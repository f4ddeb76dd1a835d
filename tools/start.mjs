/**
 * `npm start`: everything from a fresh clone to a served application, before any package is there.
 *
 * Options: see `KNOWN`.
 */
import { createInterface } from 'node:readline/promises';
import { existsSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { scheduledBackup } from './admin/backup.mjs';
import { leaveAddress, takeAddress } from './admin/open-database.mjs';
import { buildCli, buildClient, buildServer } from './setup/build.mjs';
import { Cluster, clusterFolder } from './setup/cluster.mjs';
import { holderOf, takeLock } from './setup/folder-lock.mjs';
import { KeepRunning } from './setup/keep-running.mjs';
import { localTls } from './setup/local-tls.mjs';
import { installPackages } from './setup/packages.mjs';
import { isFree } from './setup/ports.mjs';
import { checkDisk, checkNode, installDebianPackages } from './setup/requirements.mjs';
import { ROOT } from './setup/root.mjs';
import { run } from './setup/run.mjs';
import { startStandIns } from './setup/stand-ins.mjs';
import { SetupError, fail, step, tellFailure } from './setup/steps.mjs';
import { serverEnvironment } from './setup/supervise.mjs';

const PARENT_WATCH_MS = 1000;
const KNOWN =
  '--port N, --host ADDRESS, --name NAME, --no-demo, --demo-open, --no-instruments, --database URL (or TETRAD_DATABASE_URL), --standby URL (or TETRAD_STANDBY_URL), --clusters-file FILE, --reset-demo, --log-level LEVEL, --processes N, --tls-cert FILE, --tls-key FILE, --tls-local, --backup-to FOLDER, --backup-every HOURS, --backup-keep N, --oidc-issuer URL, --oidc-client ID, --oidc-shop SHOP (its secret in TETRAD_OIDC_SECRET)';

const isLoopback = (host) => host === 'localhost' || host === '::1' || host.startsWith('127.');

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string', default: '4300' },
        host: { type: 'string', default: '127.0.0.1' },
        name: { type: 'string', multiple: true, default: [] },
        'no-instruments': { type: 'boolean', default: false },
        'no-demo': { type: 'boolean', default: false },
        'demo-open': { type: 'boolean', default: false },
        database: { type: 'string', default: process.env.TETRAD_DATABASE_URL },
        standby: { type: 'string', default: process.env.TETRAD_STANDBY_URL },
        'clusters-file': { type: 'string' },
        'reset-demo': { type: 'boolean', default: false },
        'log-level': { type: 'string', default: 'warn' },
        processes: { type: 'string', default: '1' },
        'tls-cert': { type: 'string' },
        'tls-key': { type: 'string' },
        'tls-local': { type: 'boolean', default: false },
        'backup-to': { type: 'string' },
        'backup-every': { type: 'string', default: '24' },
        'backup-keep': { type: 'string', default: '14' },
        'oidc-issuer': { type: 'string' },
        'oidc-client': { type: 'string' },
        'oidc-shop': { type: 'string' },
      },
    });
    const port = Number(values.port);
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      throw new Error(`--port is ${values.port}: it must be a whole number from 1 to 65535`);
    for (const name of ['backup-every', 'backup-keep'])
      if (!(Number(values[name]) > 0)) throw new Error(`--${name} is ${values[name]}: it must be a number above 0`);
    if (values.database && !/^postgres(ql)?:\/\//.test(values.database))
      throw new Error(`--database is ${values.database}: it must be an address that begins with postgres://`);
    if (values.standby && !values.database)
      throw new Error('--standby belongs to a database of your own: name that with --database or TETRAD_DATABASE_URL');
    if (values.standby && !/^postgres(ql)?:\/\//.test(values.standby))
      throw new Error(`--standby is ${values.standby}: it must be an address that begins with postgres://`);
    if (Boolean(values['tls-cert']) !== Boolean(values['tls-key']))
      throw new Error('--tls-cert and --tls-key belong together');
    const oidc = [values['oidc-issuer'], values['oidc-client'], values['oidc-shop'], process.env.TETRAD_OIDC_SECRET];
    if (oidc.some(Boolean) && !oidc.every(Boolean))
      throw new Error('--oidc-issuer, --oidc-client, --oidc-shop and the variable TETRAD_OIDC_SECRET belong together');
    if (!values['no-demo'] && !values['demo-open'] && !isLoopback(values.host))
      throw new Error(
        `--host is ${values.host}, and the demo lets anybody in who reaches it: use --no-demo for real work, or --demo-open to show the demo to the network`,
      );
    return { ...values, port };
  } catch (error) {
    throw new SetupError(`${error.message}. Known are ${KNOWN}.`);
  }
}

async function confirmReset() {
  const asked = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await asked
    .question('This removes every job and reading of this database and loads the demo data anew. Type "yes" to go on: ')
    .catch(() => '');
  asked.close();
  if (answer.trim() !== 'yes') throw new SetupError('nothing was removed.');
}

/** One start at a time works on a folder's private database. @throws SetupError that says where the other one is. */
async function lockFolder() {
  const lock = await takeLock('run');
  if (lock) return lock;
  const { address, pid = '?' } = (await holderOf('run')) ?? {};
  throw new SetupError(
    address
      ? `Tetrad runs already from this folder, at ${address} (process ${pid}). Use that one, or stop it first.`
      : `Tetrad is just being started or stopped from this folder, or its database is in use (process ${pid}). Wait for it, or stop it first.`,
  );
}

/** The nearest folder above that is there. */
const existing = (folder) => (existsSync(folder) ? folder : existing(dirname(folder)));

const changed = (ran) => (ran ? 'done' : 'unchanged');

async function main() {
  checkNode();
  const options = readOptions();
  const lock = options.database ? null : await lockFolder();
  if (options['reset-demo']) await confirmReset();
  if (!(await isFree(options.port, options.host)))
    throw new SetupError(`port ${options.port} is busy: stop what uses it, or choose another with --port.`);
  await checkDisk(ROOT);
  if (!options.database)
    await step(
      'Debian packages',
      () => installDebianPackages(['postgresql']),
      (installed) => (installed.length ? `installed ${installed.join(', ')}` : 'there'),
    );
  await step('npm packages', installPackages, changed);
  await step('server', async () => [await buildServer(), await buildCli()].some(Boolean), changed);
  await step('client', buildClient, changed);

  let cluster = null;
  let running = null;
  let stopping = false;
  let hasLeftAddress = false;
  let standIns = null;
  let backups;
  const stop = async (code, why) => {
    if (stopping) return;
    stopping = true;
    if (why) console.error(`\nTetrad: ${why}`);
    clearInterval(backups);
    if (hasLeftAddress) await takeAddress();
    standIns?.child.kill();
    await (running ?? cluster)?.stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));
  watchParent(() => void stop(0));

  try {
    if (!options.database) {
      cluster = new Cluster(clusterFolder(ROOT));
      await checkDisk(existing(cluster.folder));
      await mkdir(join(ROOT, '.data'), { recursive: true, mode: 0o755 });
      await step(
        'database cluster',
        () => cluster.create(),
        (isNew) => `${isNew ? 'new' : 'kept'} in ${cluster.folder}`,
      );
      await step(
        'database',
        async () => {
          await cluster.start();
          await cluster.createDatabase();
          await leaveAddress(cluster.url());
          hasLeftAddress = true;
        },
        () => `on 127.0.0.1:${cluster.port}`,
      );
    }
    running = new KeepRunning({
      cluster,
      say: (text) => console.error(`Tetrad: ${text}`),
      giveUp: (why) => void stop(1, `${why}; all is stopped.`),
    });
    const env = {
      ...serverEnvironment(options.database ?? cluster.url(), options.port, options.host),
      TETRAD_LOG_LEVEL: options['log-level'],
      TETRAD_STANDBY_URL: options.standby ?? '',
      ...(options['clusters-file'] && { TETRAD_CLUSTERS_FILE: resolve(options['clusters-file']) }),
      TETRAD_NAMES: options.name.join(','),
      TETRAD_PROCESSES: options.processes,
      ...(options['backup-to'] && { TETRAD_BACKUPS: resolve(options['backup-to']) }),
      ...(options['oidc-issuer'] && {
        TETRAD_OIDC_ISSUER: options['oidc-issuer'],
        TETRAD_OIDC_CLIENT: options['oidc-client'],
        TETRAD_OIDC_SHOP: options['oidc-shop'],
      }),
      TETRAD_DEMO_DOOR: options['no-demo'] ? 'closed' : options['demo-open'] ? 'open' : 'loopback',
    };
    const tls = options['tls-local']
      ? await step(
          'certificate',
          () => localTls(join(ROOT, '.data/tls'), options.name),
          ({ cert, isNew }) => `${isNew ? 'new' : 'kept'}, ${cert}`,
        )
      : options['tls-cert'] && { cert: resolve(options['tls-cert']), key: resolve(options['tls-key']) };
    if (tls) Object.assign(env, { TETRAD_TLS_CERT: tls.cert, TETRAD_TLS_KEY: tls.key });
    if (!options['no-demo'] && !options['no-instruments']) {
      standIns = await step('simulated instruments', startStandIns, ({ addresses }) =>
        Object.entries(addresses)
          .map(([name, at]) => `${name} ${at}`)
          .join(', '),
      );
      env.TETRAD_STAND_INS = JSON.stringify(standIns.addresses);
    }
    let prepared = null;
    const words = [...(options['reset-demo'] ? ['--reset'] : []), ...(options['no-demo'] ? [] : ['--demo'])];
    await step(
      'tables and demo data',
      () =>
        run(process.execPath, [join(ROOT, 'dist/server/prepare.mjs'), ...words], { cwd: ROOT, env }).catch((error) => {
          const said = error.message.trim().split('\n').at(-1);
          throw new SetupError(
            options.database
              ? `the database of --database cannot be used: ${said}.`
              : `the database could not be prepared: ${said}.`,
          );
        }),
      (printed) => {
        prepared = JSON.parse(printed);
        const { migrations, demoJobs } = prepared;
        return `${migrations} migrations run, ${demoJobs} demo jobs loaded`;
      },
    );
    const serving = { ...env, TETRAD_DATABASE_URL: prepared.address, TETRAD_STANDBY_URL: prepared.standby ?? '' };
    const port = await step(
      'server process',
      () => running.serve(serving),
      () => 'listening',
    );
    const address = `${tls ? 'https' : 'http'}://${options.host === '0.0.0.0' ? 'localhost' : options.host}:${port}`;
    lock?.tell({ address: `${address}/` });
    console.log(`\nTetrad is at  ${address}/`);
    if (prepared.first) {
      const { shop, name, oneTimePassword } = prepared.first;
      console.log(
        `The first account is ${name} of the shop ${shop}, one-time password ${oneTimePassword} (shown this once).\nSign in at ${address}/sign-in?shop=${shop}`,
      );
    } else if (!options['no-demo'])
      console.log(
        options['demo-open']
          ? 'This is the demo, open to the network: whoever reaches it works as a made-up technician. No real work here.'
          : 'This is the demo: on this machine you work as a made-up technician, without a password.',
      );
    if (options['backup-to']) backups = await scheduleBackups(options, options.database ?? cluster.url());
    console.log('Ctrl-C stops it.');
  } catch (error) {
    if (stopping) return;
    tellFailure(error);
    await stop(1);
  }
}

/** Backs up at once and then again and again; one that fails is told and does not end the application. */
async function scheduleBackups(options, address) {
  const once = () =>
    scheduledBackup(address, resolve(options['backup-to']), Math.round(Number(options['backup-keep']))).then(
      ({ file, bytes }) => console.log(`Backup: ${file}, ${(bytes / 1e6).toFixed(1)} MB, read back whole.`),
      (error) => console.error(`Tetrad: the backup failed: ${error.message}`),
    );
  await once();
  return setInterval(once, Number(options['backup-every']) * 3_600_000);
}

/** npm may be killed without passing the signal on: its end is the end. */
function watchParent(gone) {
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && gone(), PARENT_WATCH_MS).unref();
}

main().catch(fail);
