import { run } from './run.mjs';
import { ROOT } from './root.mjs';
import { unlessUnchanged } from './stamp.mjs';

/** Installs the npm packages of the lock file. @returns whether anything was to do. */
export const installPackages = () =>
  unlessUnchanged({
    name: 'packages',
    inputs: ['package.json', 'package-lock.json', 'core/package.json', 'contracts/package.json'],
    output: 'node_modules/.package-lock.json',
    work: () => run('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: ROOT }),
  });
