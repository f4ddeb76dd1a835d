/** Starts the server process and keeps it and its database together: if one ends, both end. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './root.mjs';
import { SetupError } from './steps.mjs';

const STOP_MS = 8000;

export const serverEnvironment = (databaseUrl, port, host = '127.0.0.1') => ({
  ...process.env,
  NODE_ENV: 'production',
  TETRAD_DATABASE_URL: databaseUrl,
  TETRAD_PORT: String(port),
  TETRAD_HOST: host,
  TETRAD_CLIENT: join(ROOT, 'dist/client/browser'),
  TETRAD_MIGRATIONS: join(ROOT, 'server/src/sql/migrations'),
});

/** Starts a server process and waits until it listens. */
export function startServer(env, { quiet = false } = {}) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'dist/server/main.mjs')], {
    cwd: ROOT,
    env,
    detached: true,
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
  });
  return new Promise((resolve, reject) => {
    child.once('message', ({ listening }) => resolve({ child, port: listening }));
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

/** Asks a process to stop and waits; after the grace it is killed. */
export async function stopProcess(child) {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  const late = setTimeout(() => child.kill('SIGKILL'), STOP_MS);
  await gone;
  clearTimeout(late);
}

/** Spawns the guard that stops the database when this process is killed. */
export function guardDatabase(pid) {
  const guard = spawn(process.execPath, [join(ROOT, 'tools/setup/guard.mjs'), String(pid)], {
    detached: true,
    stdio: ['pipe', 'ignore', 'ignore'],
  });
  guard.unref();
  guard.stdin.unref?.();
  return guard;
}
