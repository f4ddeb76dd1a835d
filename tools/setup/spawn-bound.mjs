import { spawn } from 'node:child_process';

/** Set before the program begins: where our process has ended already, the parent is another one and it does not begin. */
const BEGIN_ONLY_BELOW_US = '[ "$PPID" = "$TETRAD_PARENT" ] || exit 1; exec "$0" "$@"';

/**
 * Spawns a program that ends with this process, however this process ends: the kernel sends it a signal
 * (prctl(2), PR_SET_PDEATHSIG). Its own pid is that of the child that is returned.
 *
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions & { endSignal?: string }} [options] `endSignal` without SIG
 */
export function spawnBound(command, args, { endSignal = 'TERM', env = process.env, ...options } = {}) {
  return spawn('setpriv', ['--pdeathsig', endSignal, '--', 'sh', '-c', BEGIN_ONLY_BELOW_US, command, ...args], {
    ...options,
    env: { ...env, TETRAD_PARENT: String(process.pid) },
  });
}
