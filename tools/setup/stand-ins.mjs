/** Starts the simulated instruments as a process of their own, which ends with this one. */
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { spawnBound } from './spawn-bound.mjs';
import { SetupError } from './steps.mjs';

/** Where they are tried to be first, so that addresses stay the same from one start to the next. */
const FIRST_PORT = 4311;

/**
 * @param {readonly string[]} [words] further options of the program
 * @returns {Promise<{ child: import('node:child_process').ChildProcess, addresses: Record<string, string> }>}
 */
export function startStandIns(words = []) {
  const file = join(ROOT, 'dist/server/stand-ins.mjs');
  const child = spawnBound(process.execPath, [file, '--port', String(FIRST_PORT), ...words], {
    cwd: ROOT,
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  return new Promise((resolve, reject) => {
    let said = '';
    child.stderr.on('data', (data) => (said += data));
    child.stdout.once('data', (data) => resolve({ child, addresses: JSON.parse(data) }));
    child.once('exit', (code) =>
      reject(new SetupError(`the simulated instruments ended with ${code}: ${said.trim()}`)),
    );
  });
}
