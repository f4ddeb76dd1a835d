/**
 * The commands of the README on a bare clone: the tracked files alone, in a folder whose name has spaces, for somebody who
 * is not root and has no compiler, so that no package is ever built from source unseen.
 */
import { spawn, spawnSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  readdirSync,
  readlinkSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { delimiter, dirname, join, resolve } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';

const MINUTE_MS = 60_000;
const FOLDER = `/tmp/tetrad bare ${randomBytes(4).toString('hex')}`;
const HOME = `${FOLDER} home`;
const PROGRAMS = `${FOLDER} programs`;
/** What a package needs to be built from source. */
const COMPILES =
  /^(?:[\w-]+-)?(?:cc|c\+\+|c89|c99|gcc|g\+\+|cpp|clang|clang\+\+|make|gmake|cmake|ninja|node-gyp|python[\d.]*)(?:-[\d.]+)?$/;
const isRoot = process.getuid?.() === 0;
/** Words before a command that make it somebody else's than root's. */
const AS_SOMEBODY = isRoot ? ['setpriv', '--reuid=nobody', '--regid=nogroup', '--clear-groups', '--'] : [];
const CASE = {
  format: 'tetrad-case/1',
  system: { nominalVolts: 12, battery: { chemistry: 'flooded' } },
  readings: [{ id: 'r1', test: 'resting-voltage', value: 12.1 }],
};

/** The environment of a person's shell: nothing of the npm and Jest that run these tests, and set as on servers. */
const shell: NodeJS.ProcessEnv = {
  ...Object.fromEntries(
    Object.entries(process.env).filter(([name]) => !/^(npm_|NODE_|JEST_|TETRAD_|INIT_CWD)/i.test(name)),
  ),
  NODE_ENV: 'production', // alone it would make npm leave out what builds
  HOME,
  PATH: PROGRAMS,
  npm_config_nodedir: join(FOLDER, 'no headers'),
};

function copyTracked(): void {
  const { stdout } = spawnSync('git', ['ls-files', '-z'], { encoding: 'utf8', maxBuffer: 1 << 26 });
  for (const file of stdout.split('\0').filter((name) => name && existsSync(name))) {
    mkdirSync(dirname(join(FOLDER, file)), { recursive: true });
    cpSync(resolve(file), join(FOLDER, file));
  }
}

/** Every program of this machine but those that compile. */
function linkPrograms(): void {
  mkdirSync(PROGRAMS);
  for (const folder of (process.env['PATH'] ?? '').split(delimiter).filter((name) => existsSync(name)))
    for (const name of readdirSync(folder))
      if (!COMPILES.test(name) && !existsSync(join(PROGRAMS, name)))
        symlinkSync(join(folder, name), join(PROGRAMS, name));
}

/** A home of somebody's own, with the packages that this machine has fetched before: they need not be fetched twice. */
function makeHome(): void {
  const cache = spawnSync('npm', ['config', 'get', 'cache'], { encoding: 'utf8' }).stdout.trim();
  mkdirSync(join(HOME, '.npm'), { recursive: true });
  if (existsSync(join(cache, '_cacache')))
    cpSync(join(cache, '_cacache'), join(HOME, '.npm/_cacache'), { recursive: true });
}

/** Makes it theirs who run the commands. */
const own = (...folders: readonly string[]): void => {
  if (isRoot) spawnSync('chown', ['-R', 'nobody:nogroup', ...folders]);
};

/** Command lines of all processes that have to do with the folder. */
function processesOfFolder(): string[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .flatMap((pid) => {
      try {
        const words = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
        return words.includes(FOLDER) || readlinkSync(`/proc/${pid}/cwd`).startsWith(FOLDER) ? [`${pid} ${words}`] : [];
      } catch {
        return []; // it has ended meanwhile
      }
    });
}

/** @returns what is still there after a while: nothing, as it should be. */
async function leftOver(): Promise<string[]> {
  for (let tries = 0; tries < 150 && processesOfFolder().length > 0; tries++) await wait(100);
  return processesOfFolder();
}

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  await new Promise((closed) => server.close(closed));
  return port;
}

/** A command in the folder, in a process group of its own as a shell makes it. */
class Running {
  readonly child: ChildProcess;
  said = '';

  constructor(words: readonly string[]) {
    const [command, ...args] = words;
    this.child = spawn(command!, args, { cwd: FOLDER, env: shell, detached: true, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [this.child.stdout!, this.child.stderr!]) stream.on('data', (data) => (this.said += data));
  }

  async until(words: RegExp, ms = 4 * MINUTE_MS): Promise<RegExpExecArray> {
    for (const end = Date.now() + ms; Date.now() < end; await wait(20)) {
      const found = words.exec(this.said);
      if (found) return found;
      if (this.child.exitCode !== null) break;
    }
    throw new Error(`${words} was not said in:\n${this.said}`);
  }

  /** What the terminal's Ctrl-C does. */
  async interrupt(): Promise<number | null> {
    const ended = once(this.child, 'exit');
    process.kill(-this.child.pid!, 'SIGINT');
    await ended;
    return this.child.exitCode;
  }

  /** The whole group at once, as a closed laptop or an impatient hand does it. */
  async kill(): Promise<void> {
    const ended = once(this.child, 'exit');
    process.kill(-this.child.pid!, 'SIGKILL');
    await ended;
  }
}

const starting = (port: number): string[] => ['npm', 'start', '--', '--port', String(port)];
const start = (port: number, ...words: string[]) => new Running([...AS_SOMEBODY, ...starting(port), ...words]);

function command(args: readonly string[], input = '', env: NodeJS.ProcessEnv = shell) {
  const [program, ...words] = [...AS_SOMEBODY, 'npm', ...args];
  const { status, stdout, stderr } = spawnSync(program!, words, { cwd: FOLDER, env, input, encoding: 'utf8' });
  return { status, out: stdout, err: stderr };
}

/**
 * Puts the packages that `npm start` installed aside, and an npm in front that brings them back where it is told
 * to install: fetching them all a second time would prove nothing new and take minutes.
 *
 * @returns the folder of that npm.
 */
function npmWithKeptPackages(): string {
  const [folder, kept, packages] = ['npm before', 'kept packages', 'node_modules'].map((name) => join(FOLDER, name));
  renameSync(packages!, kept!);
  mkdirSync(folder!);
  const real = spawnSync('which', ['npm'], { encoding: 'utf8', env: shell }).stdout.trim();
  const script = `#!/bin/sh
if [ "$1" = ci ]; then echo "added 1 package"; exec mv "${kept}" "${packages}"; fi
exec "${real}" "$@"
`;
  writeFileSync(join(folder!, 'npm'), script, { mode: 0o755 });
  return folder!;
}

beforeAll(() => {
  copyTracked();
  linkPrograms();
  makeHome();
  own(FOLDER, HOME);
}, MINUTE_MS);
afterAll(async () => {
  await leftOver();
  for (const folder of [FOLDER, HOME, PROGRAMS]) rmSync(folder, { recursive: true, force: true });
});

describe('a bare clone', () => {
  let running: Running;
  let port: number;

  beforeAll(async () => {
    port = await freePort();
  });

  it('has no compiler at hand', () => {
    const { stdout } = spawnSync(
      'sh',
      ['-c', 'for name in cc c++ gcc g++ make python3 node npm; do command -v $name; done'],
      {
        env: shell,
        encoding: 'utf8',
      },
    );
    expect(stdout.trim().split('\n')).toEqual([join(PROGRAMS, 'node'), join(PROGRAMS, 'npm')]);
  });

  it(
    'tells a busy port at once and installs nothing',
    async () => {
      const taken = createServer().listen(port, '127.0.0.1');
      await once(taken, 'listening');
      const { status, err } = command(['start', '--', '--port', String(port)]);
      taken.close();
      expect(status).toBe(1);
      expect(err).toContain(`port ${port} is busy`);
      expect(existsSync(join(FOLDER, 'node_modules'))).toBe(false);
    },
    MINUTE_MS,
  );

  it(
    'is left with nothing running where its first start is killed while packages are installed',
    async () => {
      const first = start(port);
      await first.until(/npm packages/);
      while (!existsSync(join(FOLDER, 'node_modules'))) await wait(20);
      await first.kill();
      expect(await leftOver()).toEqual([]);
    },
    2 * MINUTE_MS,
  );

  it(
    'serves page and judgement with `npm start`',
    async () => {
      running = start(port);
      const [, address] = await running.until(/Tetrad is at {2}(\S+)\//, 12 * MINUTE_MS);
      const page = await fetch(`${address}/floor`, { headers: { accept: 'text/html' } });
      expect(await page.text()).toContain('<tt-root');
      const signedIn = await fetch(`${address}/api/session/demo`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: '{}',
      });
      const cookie = signedIn.headers.getSetCookie()[0]!.split(';')[0]!;
      const { shop } = (await signedIn.json()) as { shop: { id: string } };
      const ask = async (path: string) =>
        (await fetch(`${address}/api/shops/${shop.id}${path}`, { headers: { cookie } })).json();
      const jobs = (await ask('/jobs')) as { id: string; readings: number }[];
      const read = jobs.find(({ readings }) => readings > 0)!;
      const { judgement } = (await ask(`/jobs/${read.id}`)) as { judgement: { format: string } };
      expect(judgement.format).toBe('tetrad-judgement/1');
    },
    13 * MINUTE_MS,
  );

  it(
    'tells a second start where the first one is, and leaves it alone',
    () => {
      const second = command(['start', '--', '--port', String(port + 1)]);
      expect(second.status).toBe(1);
      expect(second.err).toMatch(
        /Tetrad runs already from this folder, at http:\/\/127\.0\.0\.1:\d+\/ \(process \d+\)/,
      );
      const backup = command(['run', '-s', 'tetrad', '--', 'backup', 'kept.tetrad-backup']);
      expect(backup.out + backup.err).toContain('read back whole');
      expect(statSync(join(FOLDER, 'kept.tetrad-backup')).mode & 0o777).toBe(0o600);
    },
    MINUTE_MS,
  );

  it(
    'starts a server again that does not answer for 10 s',
    async () => {
      const pid = processesOfFolder()
        .find((line) => line.includes('dist/server/main.mjs'))!
        .split(' ')[0]!;
      process.kill(Number(pid), 'SIGSTOP');
      await running.until(/the server process ended with SIGKILL; it is started again/, MINUTE_MS);
      for (;;) {
        const answer = await fetch(`http://127.0.0.1:${port}/api/clock`).catch(() => null);
        if (answer?.ok) break;
        await wait(100);
      }
    },
    2 * MINUTE_MS,
  );

  it(
    'ends with Ctrl-C and leaves nothing running',
    async () => {
      await running.interrupt();
      expect(await leftOver()).toEqual([]);
    },
    MINUTE_MS,
  );

  it.each<[string, RegExp, 'SIGINT' | 'SIGKILL', ...string[]]>([
    ['the database', /database … on/, 'SIGKILL'],
    ['the database', /database cluster … kept/, 'SIGKILL'],
    ['the server', /server process … /, 'SIGINT'],
    ['the server', /server process … /, 'SIGKILL'],
    [
      'all of it, with several processes,',
      /Tetrad is at {2}http:\/\/127\.0\.0\.1:\d+\//,
      'SIGKILL',
      '--processes',
      '2',
    ],
  ])(
    'leaves nothing running where %s has just begun (%s) and %s comes',
    async (_what, words, signal, ...options) => {
      const again = start(port, ...options);
      await again.until(words);
      await (signal === 'SIGINT' ? again.interrupt() : again.kill());
      expect(await leftOver()).toEqual([]);
    },
    MINUTE_MS,
  );

  it(
    'is refused by data of a newer version, which stay as they are',
    async () => {
      const migrations = join(FOLDER, 'server/src/platform/database/migrations');
      const newest = readdirSync(migrations).sort().at(-1)!;
      renameSync(join(migrations, newest), join(FOLDER, newest));
      const { status, err } = command(['start', '--', '--port', String(port)]);
      renameSync(join(FOLDER, newest), join(migrations, newest));
      expect(status).toBe(1);
      expect(err).toContain(`the data were written by a newer version of Tetrad (${newest})`);
      expect(await leftOver()).toEqual([]);
    },
    MINUTE_MS,
  );

  const asRoot = isRoot ? it : it.skip;

  asRoot(
    'tells a full disk, and leaves nothing running',
    async () => {
      renameSync(join(FOLDER, '.data'), join(FOLDER, 'data before'));
      mkdirSync(join(FOLDER, '.data'));
      const small = `mount -t tmpfs -o size=30m,mode=755,uid=nobody tmpfs .data && ${[...AS_SOMEBODY, ...starting(port)].join(' ')}`;
      const { status, stderr } = spawnSync('unshare', ['--mount', 'sh', '-c', small], {
        cwd: FOLDER,
        env: shell,
        encoding: 'utf8',
      });
      rmSync(join(FOLDER, '.data'), { recursive: true });
      renameSync(join(FOLDER, 'data before'), join(FOLDER, '.data'));
      expect(status).toBe(1);
      expect(stderr).toMatch(/the disk is nearly full: \d+ MB are free in .*\.data, at least \d+ MB are needed/);
      expect(await leftOver()).toEqual([]);
    },
    MINUTE_MS,
  );

  it(
    'sets up what `tetrad judge` needs, and prints the judgement alone',
    () => {
      const made = ['dist', '.stamps'];
      for (const folder of made) renameSync(join(FOLDER, folder), join(FOLDER, `${folder} before`));
      const env = { ...shell, PATH: `${npmWithKeptPackages()}:${shell['PATH']}` };
      const { status, out, err } = command(['run', '-s', 'tetrad', '--', 'judge'], JSON.stringify(CASE), env);
      for (const folder of made) {
        rmSync(join(FOLDER, folder), { recursive: true });
        renameSync(join(FOLDER, `${folder} before`), join(FOLDER, folder));
      }
      expect({ status, decision: JSON.parse(out).decision.action }).toEqual({ status: 0, decision: 'charge-first' });
      expect(err).toContain('installing npm packages');
    },
    12 * MINUTE_MS,
  );

  asRoot(
    "starts for root, with a database that is not root's",
    async () => {
      rmSync(join(FOLDER, '.data'), { recursive: true });
      const roots = new Running(starting(port));
      const [, address] = await roots.until(/Tetrad is at {2}(\S+)\//);
      expect((await fetch(`${address}/api/ready`)).status).toBe(200);
      await roots.interrupt();
      expect(await leftOver()).toEqual([]);
    },
    5 * MINUTE_MS,
  );
});
