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

/** Ends the process with one clear line for an expected failure, and with the stack for a fault of ours. */
export function fail(error) {
  console.error(error instanceof SetupError ? `\nTetrad: ${error.message}` : error);
  process.exit(1);
}
