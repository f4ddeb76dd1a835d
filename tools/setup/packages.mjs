import { run } from './run.mjs';
import { ROOT } from './root.mjs';
import { unlessUnchanged } from './stamp.mjs';

const QUIET = ['--no-audit', '--no-fund', '--loglevel=error'];

/**
 * Exactly what the lock file lists, which is left as it is. Only where the registry no longer has one of those
 * packages are they resolved anew, and that is said.
 */
async function installLocked() {
  try {
    await run('npm', ['ci', ...QUIET], { cwd: ROOT });
  } catch (error) {
    if (!/\bE404\b|\bETARGET\b|notarget/.test(error.message)) throw error;
    console.error('Tetrad: a locked package is gone from the registry: resolving again, package-lock.json changes.');
    await run('npm', ['install', ...QUIET], { cwd: ROOT });
  }
}

/** Installs the npm packages of the lock file. @returns whether anything was to do. */
export const installPackages = (told) =>
  unlessUnchanged(
    {
      name: 'packages',
      inputs: ['package.json', 'package-lock.json', 'core/package.json', 'contracts/package.json'],
      output: 'node_modules/.package-lock.json',
      work: installLocked,
    },
    told,
  );
