/**
 * Locks of one checkout: while one process holds a lock, another that asks for it is told who holds it.
 *
 * A lock is a listening socket in Linux's abstract namespace (unix(7)). It has no file, so nothing is left behind
 * when its process is killed. Whoever connects is answered with what the holder tells of itself; secrets are never
 * told here, since every user of the machine can connect.
 */
import { createHash } from 'node:crypto';
import { connect, createServer } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import { ROOT } from './root.mjs';

const AGAIN_MS = 300;
const ANSWER_MS = 1000;

const addressOf = (name, folder) =>
  `\0tetrad-${name}-${createHash('sha256').update(folder).digest('hex').slice(0, 24)}`;

/**
 * @param {'run' | 'set-up'} name `run` is held while the application and its private database run, `set-up` while
 *   packages are installed or something is built
 * @param {string} [folder] the checkout
 * @returns {Promise<{ tell: (details: object) => void, release: () => Promise<void> } | null>} null where it is held
 */
export function takeLock(name, folder = ROOT) {
  let told = { pid: process.pid };
  const server = createServer((socket) => socket.on('error', () => undefined).end(JSON.stringify(told)));
  server.unref();
  return new Promise((resolve, reject) => {
    server.once('error', (error) => (error.code === 'EADDRINUSE' ? resolve(null) : reject(error)));
    server.listen(addressOf(name, folder), () =>
      resolve({
        tell: (details) => (told = { ...told, ...details }),
        release: () => new Promise((released) => server.close(released)),
      }),
    );
  });
}

/** @returns {Promise<{ pid?: number, address?: string } | null>} what the holder tells; null where nobody holds it */
export function holderOf(name, folder = ROOT) {
  return new Promise((resolve) => {
    const socket = connect(addressOf(name, folder));
    let text = '';
    socket.setTimeout(ANSWER_MS, () => socket.destroy());
    socket.on('data', (data) => (text += data));
    socket.once('error', (error) => resolve(error.code === 'ECONNREFUSED' ? null : {}));
    socket.once('close', () => resolve(parsed(text)));
  });
}

function parsed(text) {
  try {
    return JSON.parse(text);
  } catch {
    return {}; // it is held, and its holder has stopped answering
  }
}

/** Waits until the lock is free and takes it. @param {(pid?: number) => void} onWait called once if it is held */
export async function waitForLock(name, onWait, folder = ROOT) {
  for (let isFirst = true; ; isFirst = false) {
    const lock = await takeLock(name, folder);
    if (lock) return lock;
    if (isFirst) onWait((await holderOf(name, folder))?.pid);
    await wait(AGAIN_MS);
  }
}
