/** Stamps: a step whose inputs have not changed since it last succeeded is passed over. */
import { createHash } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { waitForLock } from './folder-lock.mjs';
import { ROOT } from './root.mjs';

const FOLDER = join(ROOT, '.stamps');
const stampOf = (name) => join(FOLDER, name);

async function* filesBelow(path) {
  const entries = await readdir(path, { withFileTypes: true });
  for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (entry.name === 'node_modules') continue;
    const child = join(path, entry.name);
    if (entry.isDirectory()) yield* filesBelow(child);
    else yield child;
  }
}

async function hashOf(inputs) {
  const hash = createHash('sha256').update(process.versions.node);
  for (const input of inputs) {
    const path = join(ROOT, input);
    const files = /\.\w+$/.test(input) ? [path] : filesBelow(path);
    for await (const file of files) hash.update(file.slice(ROOT.length)).update(await readFile(file));
  }
  return hash.digest('hex');
}

/**
 * Runs `work` unless the inputs are as they were when it last succeeded and its output is there. Of two processes that
 * set up the same checkout the second waits and finds the work done.
 * @param {{ name: string, does?: string[], inputs: string[], output: string, work: () => Promise<unknown> }} task `does`
 *   names other steps of the same inputs that are done with it
 * @param {{ onWork?: () => void }} [told] `onWork` is called before the work begins
 * @returns {Promise<boolean>} whether it ran
 */
export async function unlessUnchanged({ name, does = [], inputs, output, work }, { onWork } = {}) {
  const stamps = [name, ...does].map(stampOf);
  const hash = await hashOf(inputs);
  const isDone = async () =>
    existsSync(join(ROOT, output)) && (await readFile(stampOf(name), 'utf8').catch(() => '')) === hash;
  if (await isDone()) return false;
  const lock = await waitForLock('set-up', (pid) =>
    console.error(`Tetrad: process ${pid ?? '?'} is setting up this folder; waiting for it.`),
  );
  try {
    if (await isDone()) return false;
    onWork?.();
    for (const stamp of stamps) await rm(stamp, { force: true });
    await work();
    await mkdir(FOLDER, { recursive: true });
    for (const stamp of stamps) await writeFile(stamp, hash);
    return true;
  } finally {
    await lock.release();
  }
}
