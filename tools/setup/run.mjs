import { spawnBound } from './spawn-bound.mjs';
import { SetupError } from './steps.mjs';

const LAST_LINES = 30;

/**
 * Runs a program to its end, which is at the latest our own, and gives back what it printed.
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions & { input?: string }} [options]
 * @returns {Promise<string>} standard output
 * @throws SetupError with the last lines where it fails; a full disk is named as such.
 */
export function run(command, args, { input, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawnBound(command, args, { stdio: ['pipe', 'pipe', 'pipe'], ...options });
    let out = '';
    let all = '';
    child.stdout.on('data', (data) => ((out += data), (all += data)));
    child.stderr.on('data', (data) => (all += data));
    child.stdin.on('error', () => undefined);
    child.stdin.end(input);
    child.on('error', (error) => reject(new SetupError(`${command} could not be started: ${error.message}`)));
    child.on('close', (code, signal) => {
      if (code === 0) return resolve(out);
      if (/ENOSPC|no space left/i.test(all))
        return reject(new SetupError(`the disk is full: ${command} could not write. Free some space and start again.`));
      const tail = all.trim().split('\n').slice(-LAST_LINES).join('\n');
      reject(new SetupError(`${command} ${args.join(' ')} ended with ${signal ?? code}:\n${tail}`));
    });
  });
}
