/** A file of measurements that runs in a network namespace of its own, where it may make hosts and cut their wires. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { run } from '../../tools/setup/run.mjs';

/**
 * Runs a file there and reads the figures that it prints; what is missing for it on this machine is told.
 *
 * @param {string} file its name beside this one
 * @param {readonly string[]} needs programs of Debian's packages
 * @param {number} [amount]
 * @returns {Promise<{ skipped?: string }>}
 */
export async function inOwnNetwork(file, needs, amount = 1) {
  const missing = ['unshare', 'ip', ...needs].filter((name) => spawnSync('which', [name]).status !== 0);
  if (missing.length > 0) return { skipped: `not done: ${missing.join(', ')} missing here` };
  if (process.getuid?.() !== 0) return { skipped: 'not done: needs root' };
  const at = join(import.meta.dirname, file);
  const printed = await run('unshare', ['--net', process.execPath, at, String(amount)]);
  return JSON.parse(printed.trim().split('\n').at(-1));
}

/** Where a file is run by itself: prints its figures. @param {(amount: number) => Promise<object>} measure */
export async function printFigures(file, measure) {
  if (process.argv[1] === file) console.log(JSON.stringify(await measure(Number(process.argv[2] ?? 1))));
}
