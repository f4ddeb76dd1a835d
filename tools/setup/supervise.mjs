/** Starts the server process and keeps it and its database together: if one ends, both end. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { SetupError } from './steps.mjs';

const STOP_MS = 8000;
/** A server says every 2 s that it is alive; one that is silent for this long is ended (and started again), ms. */
const SILENT_MS = 10_000;

export const serverEnvironment = (databaseUrl, port, host = '127.0.0.1') => ({
  ...process.env,
  NODE_ENV: 'production',
  TETRAD_DATABASE_URL: databaseUrl,
  TETRAD_PORT: String(port),
  TETRAD_HOST: host,
  TETRAD_CLIENT: join(ROOT, 'dist/client/browser'),
  TETRAD_MIGRATIONS: join(ROOT, 'server/src/platform/database/migrations'),
});

/**
 * Starts a server process and waits until it listens.
 *
 * @param {object} env
 * @param {{ quiet?: boolean, onSpawn?: (child: import('node:child_process').ChildProcess) => void }} [how] `onSpawn` is
 *   told of the process before it listens, so that it can be stopped meanwhile
 */
export function startServer(env, { quiet = false, onSpawn } = {}) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'dist/server/main.mjs')], {
    cwd: ROOT,
    env,
    detached: true,
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
  });
  onSpawn?.(child);
  return new Promise((resolve, reject) => {
    child.on('message', function heard({ listening }) {
      if (listening === undefined) return; // it is alive, and not there yet
      child.off('message', heard);
      endIfSilent(child);
      resolve({ child, port: listening });
    });
    child.once('exit', (code) =>
      reject(
        new SetupError(
          code === 98
            ? `port ${env.TETRAD_PORT} is busy: stop what uses it, or choose another with --port.`
            : `the server ended with ${code} before it listened.`,
        ),
      ),
    );
  });
}

/** Kills a process that listens and then does not answer: one request must not stop the workshop. */
function endIfSilent(child) {
  let last = performance.now();
  child.on('message', () => (last = performance.now()));
  const look = setInterval(() => {
    if (performance.now() - last > SILENT_MS) child.kill('SIGKILL');
  }, SILENT_MS / 10);
  look.unref();
  child.once('exit', () => clearInterval(look));
}

/** Asks a process to stop and waits; after the grace it is killed. */
export async function stopProcess(child) {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const late = setTimeout(() => child.kill('SIGKILL'), STOP_MS);
  await gone;
  clearTimeout(late);
}
