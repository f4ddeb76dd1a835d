/**
 * Hosts in network namespaces of their own, joined by a bridge, with etcd and Patroni set up by the files of
 * docs/high-availability as they stand; only their folders are others. For root, inside a network namespace of the test.
 */
import { spawn, spawnSync } from 'node:child_process';
import { chmod, chown, mkdir, open, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { adminOf } from './application.mjs';
import { ROOT } from '../../tools/setup/root.mjs';
import { run } from '../../tools/setup/run.mjs';

const FILES = join(ROOT, 'docs/high-availability');
const BRIDGE = 'hosts';
const HERE = '10.77.0.1';
/** Who owns the application's tables, and who sees the rows of every shop. */
const OWNER = 'tetrad:torture';
export const SUPERUSER = 'postgres:choose-one';
const AS_POSTGRES = ['setpriv', '--reuid=postgres', '--regid=postgres', '--init-groups', '--'];

function must(command, ...args) {
  const { status, stderr, stdout } = spawnSync(command, args);
  if (status !== 0) throw new Error(`${command} ${args.join(' ')}: ${stderr}`);
  return stdout.toString();
}
const idOf = (flag, user) => Number(must('id', flag, user));

/** The `KEY=value` lines of a file of settings. */
async function settings(name) {
  const lines = (await readFile(join(FILES, name), 'utf8')).split('\n').filter((line) => /^\w+=/.test(line));
  return Object.fromEntries(lines.map((line) => [line.slice(0, line.indexOf('=')), line.slice(line.indexOf('=') + 1)]));
}

function joinHosts() {
  must('ip', 'link', 'set', 'lo', 'up');
  must('ip', 'link', 'add', BRIDGE, 'type', 'bridge');
  must('ip', 'addr', 'add', `${HERE}/24`, 'dev', BRIDGE);
  must('ip', 'link', 'set', BRIDGE, 'up');
}

class Host {
  #space;
  #wire;
  #patroni = null;
  /** Shared by all hosts, like the storage that the repository of backups lies on. */
  #shared;
  #folder;

  /**
   * @param {'one' | 'two' | 'three'} name
   * @param {string} address
   * @param {string} folder where all its data go
   */
  constructor(name, address, folder) {
    this.name = name;
    this.address = address;
    this.#folder = join(folder, name);
    this.#shared = join(folder, 'repository');
    this.#space = `tetrad-${process.pid}-${name}`;
    this.#wire = `w-${name}`;
  }

  async create() {
    must('ip', 'netns', 'add', this.#space);
    must('ip', 'link', 'add', this.#wire, 'type', 'veth', 'peer', 'name', 'eth0', 'netns', this.#space);
    must('ip', 'link', 'set', this.#wire, 'master', BRIDGE, 'up');
    for (const words of [`addr add ${this.address}/24 dev eth0`, 'link set eth0 up', 'link set lo up'])
      must('ip', '-n', this.#space, ...words.split(' '));
    await mkdir(this.#folder, { recursive: true, mode: 0o755 });
  }

  async startEtcd() {
    const mine = Object.entries(await settings('etcd')).map(([key, value]) => [
      key,
      key === 'ETCD_INITIAL_CLUSTER' ? value : value.replaceAll('10.77.0.11', this.address),
    ]);
    const data = await this.#ownFolder('etcd', 'etcd');
    await this.#start('etcd', 'etcd', ['etcd'], {
      ...Object.fromEntries(mine),
      ETCD_NAME: this.name,
      ETCD_DATA_DIR: data,
      ETCD_LOG_LEVEL: 'error',
    });
  }

  async startDatabase() {
    const mine = Object.entries(await settings('patroni_env.conf')).map(([key, value]) => [
      key,
      value.replaceAll('10.77.0.11', this.address),
    ]);
    const data = await this.#ownFolder('database', 'postgres');
    const config = join(this.#folder, 'patroni.yml');
    const written = await readFile(join(FILES, 'patroni.yml'), 'utf8');
    await writeFile(
      config,
      written.replace('/var/lib/postgresql/15/tetrad', join(data, 'cluster')).replace('/var/run/postgresql', data),
    );
    this.#patroni = await this.#start('patroni', 'postgres', ['patroni', config], {
      ...Object.fromEntries(mine),
      ...this.#repository(join(data, 'cluster')),
      PATRONI_NAME: this.name,
      HOME: data,
    });
  }

  /** Runs something on this host. @returns the process, whose standard output is read. */
  run(command) {
    return spawn('ip', ['netns', 'exec', this.#space, ...command], { stdio: ['ignore', 'pipe', 'ignore'] });
  }

  /**
   * Runs something on this host to its end, with the files of docs/high-availability in this host's folders.
   *
   * @returns {Promise<string>} what it printed
   */
  do(command) {
    const cluster = join(this.#folder, 'database', 'cluster');
    return run('ip', ['netns', 'exec', this.#space, ...command], {
      cwd: '/',
      env: {
        PATH: process.env.PATH,
        LANG: 'C.UTF-8',
        TETRAD_CLUSTER: cluster,
        TETRAD_SOCKETS: join(this.#folder, 'database'),
        TETRAD_PATRONI: join(this.#folder, 'patroni.yml'),
        ...this.#repository(cluster),
      },
    });
  }
  /** The same as postgres. */
  asPostgres(command) {
    return this.do([...AS_POSTGRES, ...command]);
  }
  patronictl(...words) {
    return this.asPostgres(['patronictl', '-c', join(this.#folder, 'patroni.yml'), ...words]);
  }

  /** Ends Patroni, which stops its database first. */
  async stopDatabase() {
    const patroni = this.#patroni;
    if (!patroni || patroni.exitCode !== null) return;
    const gone = new Promise((resolve) => patroni.once('exit', resolve));
    patroni.kill('SIGTERM');
    await gone;
  }
  /** Its cluster is gone; the next start makes a copy of the primary's. */
  forgetCluster() {
    return rm(join(this.#folder, 'database', 'cluster'), { recursive: true });
  }

  /** The loss of its power. */
  kill() {
    this.#signal('SIGKILL');
  }
  /** It hangs, as a host whose virtual machine is moved: nothing on it knows that time passes. */
  pause() {
    this.#signal('SIGSTOP');
  }
  resume() {
    this.#signal('SIGCONT');
  }
  /** Nobody reaches it, and it reaches nobody. */
  cut() {
    must('ip', 'link', 'set', this.#wire, 'down');
  }
  mend() {
    must('ip', 'link', 'set', this.#wire, 'up');
  }

  async remove() {
    this.resume();
    this.kill();
    await wait(200);
    spawnSync('ip', ['netns', 'del', this.#space]);
  }

  #signal(signal) {
    for (const pid of must('ip', 'netns', 'pids', this.#space).split('\n').filter(Boolean))
      try {
        process.kill(Number(pid), signal);
      } catch {
        // it has just ended by itself
      }
  }

  /** pgBackRest takes its settings from the file, and these few paths from here. */
  #repository(cluster) {
    const repository = join(this.#shared, 'data');
    return {
      PGBACKREST_CONFIG: join(FILES, 'pgbackrest.conf'),
      PGBACKREST_REPO1_PATH: repository,
      PGBACKREST_PG1_PATH: cluster,
      PGBACKREST_PG1_SOCKET_PATH: join(this.#folder, 'database'),
      PGBACKREST_LOCK_PATH: join(this.#folder, 'database'),
      PGBACKREST_LOG_PATH: join(this.#folder, 'database'),
    };
  }

  async #ownFolder(name, user) {
    const folder = join(this.#folder, name);
    await mkdir(folder, { recursive: true });
    await chmod(folder, 0o700);
    await chown(folder, idOf('-u', user), idOf('-g', user));
    return folder;
  }

  async #start(name, user, command, env) {
    const log = await open(join(this.#folder, `${name}.log`), 'a');
    const as = ['setpriv', `--reuid=${user}`, `--regid=${user}`, '--clear-groups', '--pdeathsig=KILL', '--'];
    const child = spawn('ip', ['netns', 'exec', this.#space, ...as, ...command], {
      cwd: '/',
      env: { PATH: process.env.PATH, LANG: 'C.UTF-8', ...env },
      stdio: ['ignore', log.fd, log.fd],
    });
    await log.close();
    return child;
  }
}

const ask = ({ address }, path) => fetch(`http://${address}:8008${path}`, { signal: AbortSignal.timeout(2000) });

/** The host that says of itself that it is the primary and holds the lock; null where none does just now. */
async function leaderOf(hosts) {
  for (const host of hosts) if ((await ask(host, '/primary').catch(() => null))?.ok) return host;
  return null;
}

/** The members of the cluster as the leader sees them; none where there is no leader. */
const membersBy = (leader) =>
  leader === null
    ? []
    : ask(leader, '/cluster')
        .then((answer) => answer.json())
        .then(({ members }) => members)
        .catch(() => []);

const PATIENCE_MS = 120_000;
/** Asks again until it is so. @throws where it does not come to be. */
export async function until(isSo, what) {
  const end = Date.now() + PATIENCE_MS;
  while (Date.now() < end) {
    const found = await isSo();
    if (found) return found;
    await wait(200);
  }
  throw new Error(`${what} did not come within ${PATIENCE_MS / 1000} s`);
}

/** Three hosts with etcd, two of them with the database, the first of them its primary, set up as the documents say. */
export class Cluster {
  /** @param {string} folder */
  constructor(folder) {
    this.all = ['one', 'two', 'three'].map((name, i) => new Host(name, `10.77.0.${11 + i}`, folder));
    this.databases = this.all.slice(0, 2);
    this.folder = folder;
  }

  async start() {
    joinHosts();
    await mkdir(join(this.folder, 'repository', 'data'), { recursive: true });
    await chown(join(this.folder, 'repository', 'data'), idOf('-u', 'postgres'), idOf('-g', 'postgres'));
    for (const host of this.all) await host.create();
    for (const host of this.all) await host.startEtcd();
    const [first, second] = this.databases;
    await first.startDatabase();
    await this.leader();
    await second.startDatabase();
    await adminOf(this.url(first, SUPERUSER, 'postgres'), "CREATE ROLE tetrad LOGIN CREATEROLE PASSWORD 'torture'");
    await adminOf(this.url(first, SUPERUSER, 'postgres'), 'CREATE DATABASE tetrad OWNER tetrad');
    await this.isWhole();
  }

  url({ address }, user = OWNER, database = 'tetrad') {
    return `postgres://${user}@${address}:5432/${database}`;
  }
  leader() {
    return until(() => leaderOf(this.databases), 'a leader');
  }
  /** Until the standby has everything. */
  isWhole() {
    return until(async () => {
      const found = await membersBy(await leaderOf(this.databases));
      return found.length === 2 && found.some(({ role }) => role === 'sync_standby');
    }, 'a standby that has everything');
  }
  async remove() {
    for (const host of this.all) await host.remove();
    await rm(this.folder, { recursive: true, force: true });
  }
}
