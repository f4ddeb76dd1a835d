import { run } from './run.mjs';
import { ROOT } from './root.mjs';
import { unlessUnchanged } from './stamp.mjs';

/** What builds is needed to start as well, also where a shell sets NODE_ENV to production. */
const WHOLE = '--include=dev';
const QUIET = ['--no-audit', '--no-fund', '--loglevel=error'];

const npm = (...words) => run('npm', [...words, WHOLE, ...QUIET], { cwd: ROOT });

/** Passes on what failed, unless a package was not found where it was looked for. */
const unlessNotFound = (elsewhere) => (error) => {
  if (!/\bE404\b|\bETARGET\b|notarget/.test(error.message)) throw error;
  return elsewhere();
};

/**
 * Exactly what the lock file lists, which is left as it is: from this machine's cache as far as it goes, then from the
 * registry. Only where that no longer has one of those packages are they resolved anew, and that is said.
 */
const installLocked = () =>
  npm('ci', '--prefer-offline')
    .catch(unlessNotFound(() => npm('ci')))
    .catch(
      unlessNotFound(() => {
        console.error(
          'Tetrad: a locked package is gone from the registry: resolving again, package-lock.json changes.',
        );
        return npm('install');
      }),
    );

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
