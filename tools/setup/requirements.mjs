/** What the machine must have: Node, disk space, Debian's packages. */
import { existsSync } from 'node:fs';
import { readdir, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import { chromiumProgram } from './chromium.mjs';
import { run } from './run.mjs';
import { SetupError } from './steps.mjs';

const OLDEST_NODE = [20, 19];
const LEAST_FREE_MB = 300;
const POSTGRES_ROOT = '/usr/lib/postgresql';
const OLDEST_POSTGRES = 15;

/** Below it neither Angular's build nor the binaries that ship inside packages (argon2: Node-API 9) are made for this Node. */
export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split('.').map(Number);
  if (major > OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor >= OLDEST_NODE[1])) return;
  throw new SetupError(
    `Node ${version} is too old: Angular's build and the packages' binaries need Node ${OLDEST_NODE.join('.')} or newer. Install it and start again.`,
  );
}

export async function checkDisk(folder) {
  const { bavail, bsize } = await statfs(folder);
  const freeMb = Math.floor((bavail * bsize) / 2 ** 20);
  if (freeMb < LEAST_FREE_MB)
    throw new SetupError(
      `the disk is nearly full: ${freeMb} MB are free in ${folder}, at least ${LEAST_FREE_MB} MB are needed.`,
    );
}

/** The folder of the newest PostgreSQL programs, or null. */
export async function postgresPrograms() {
  const versions = existsSync(POSTGRES_ROOT) ? await readdir(POSTGRES_ROOT) : [];
  const [newest] = versions
    .filter((name) => Number(name) >= OLDEST_POSTGRES && existsSync(join(POSTGRES_ROOT, name, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a));
  return newest ? join(POSTGRES_ROOT, newest, 'bin') : null;
}

const PRESENT = {
  postgresql: async () => (await postgresPrograms()) !== null,
  'chromium-headless-shell': () => chromiumProgram() !== undefined,
};

/**
 * Installs Debian packages that are missing; as another user than root it names the command and stops.
 * @param {(keyof typeof PRESENT)[]} packages
 * @returns {Promise<string[]>} what was installed
 */
export async function installDebianPackages(packages) {
  const missing = [];
  for (const name of packages) if (!(await PRESENT[name]())) missing.push(name);
  if (missing.length === 0) return [];
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0)
    throw new SetupError(
      `missing from this machine: ${missing.join(', ')}. Run this once, then start again:  sudo ${command}`,
    );
  if (!existsSync('/usr/bin/apt-get'))
    throw new SetupError(
      `missing from this machine: ${missing.join(', ')}, and there is no apt-get to install them with.`,
    );
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  // Debian's package starts a cluster of its own; ours is private.
  const options = { env: { ...env, RUNLEVEL: '1' } };
  await run('apt-get', ['update'], options);
  await run('apt-get', command.split(' ').slice(1), options);
  return missing;
}
