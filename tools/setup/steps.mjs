/** Progress of the set-up: each step says what it does and how long it took. */

/** A failure whose message is meant for the person at the keyboard: one line that says what to do. */
export class SetupError extends Error {}

/**
 * Runs one step and prints its name and its time.
 * @template T
 * @param {string} name
 * @param {() => Promise<T> | T} work
 * @param {(result: T) => string} [describe]
 * @returns {Promise<T>}
 */
export async function step(name, work, describe = () => '') {
  const begun = performance.now();
  process.stdout.write(`· ${name} … `);
  try {
    const result = await work();
    const seconds = ((performance.now() - begun) / 1000).toFixed(1);
    const note = describe(result);
    console.log(`${note ? `${note}, ` : ''}${seconds} s`);
    return result;
  } catch (error) {
    console.log('failed');
    throw error;
  }
}

/** Failures of the machine that need no stack to be understood. */
const OF_THE_MACHINE = {
  ENOSPC: 'the disk is full. Free some space and start again.',
  EDQUOT: 'the disk quota is used up. Free some space and start again.',
  EROFS: 'the disk can only be read.',
  EACCES: 'this user may not use a file that is needed.',
  EPERM: 'this user may not use a file that is needed.',
  EMFILE: 'too many files are open (see ulimit -n).',
};

/** An expected failure in one clear line, and one of ours with its stack. */
export function tellFailure(error) {
  if (error instanceof SetupError) return console.error(`\nTetrad: ${error.message}`);
  const known = OF_THE_MACHINE[error?.code];
  console.error(known ? `\nTetrad: ${known} (${error.message})` : error);
}

/** Tells a failure and ends the process. */
export function fail(error) {
  tellFailure(error);
  process.exit(1);
}
