/** Where a shop is read from: a folder, or one zip file. */
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { promisify } from 'node:util';
import { open } from 'yauzl';
import type { Entry, Options, ZipFile } from 'yauzl';
import type { FileSum } from './manifest';
import { ArchiveError } from './archive-error';

export interface ArchiveIn {
  /** @throws ArchiveError where the archive has no such file. */
  open(name: string): Promise<Readable>;
  close(): void;
}

/** @throws ArchiveError where there is no archive. */
export async function archiveIn(from: string): Promise<ArchiveIn> {
  const known = await stat(from).catch(() => null);
  if (!known) throw new ArchiveError(`${from} is not there`);
  return known.isDirectory() ? folderIn(from) : zipIn(from);
}

const missing = (name: string): ArchiveError => new ArchiveError(`${name} is missing`);

const folderIn = (from: string): ArchiveIn => ({
  async open(name) {
    if (!(await stat(join(from, name)).catch(() => null))?.isFile()) throw missing(name);
    return createReadStream(join(from, name));
  },
  close: () => undefined,
});

async function zipIn(from: string): Promise<ArchiveIn> {
  const opened = promisify<string, Options, ZipFile>(open);
  const zip = await opened(from, { lazyEntries: true, autoClose: false }).catch((error: Error) => {
    throw new ArchiveError(`${from} is no zip file: ${error.message}`);
  });
  const entries = new Map<string, Entry>();
  await new Promise<void>((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.on('end', resolve);
    zip.on('error', (error: Error) => reject(new ArchiveError(`${from} is no whole zip file: ${error.message}`)));
    zip.readEntry();
  });
  return {
    async open(name) {
      const entry = entries.get(name);
      if (!entry) throw missing(name);
      return promisify<Entry, Readable>(zip.openReadStream.bind(zip) as never)(entry);
    },
    close: () => zip.close(),
  };
}

/** What a file that cannot be read is told as. */
export const unreadable = (name: string, error: unknown): ArchiveError =>
  error instanceof ArchiveError
    ? error
    : new ArchiveError(`${name} cannot be read: ${error instanceof Error ? error.message : String(error)}`);

/** @throws ArchiveError where a file is not what its archive says. */
export async function checkFile(archive: ArchiveIn, name: string, { bytes, sha256 }: FileSum): Promise<void> {
  const hash = createHash('sha256');
  let found = 0;
  try {
    for await (const part of (await archive.open(name)) as AsyncIterable<Buffer>) {
      hash.update(part);
      found += part.length;
    }
  } catch (error) {
    throw unreadable(name, error);
  }
  if (found !== bytes) throw new ArchiveError(`${name} has ${found} bytes; its archive says ${bytes}`);
  if (hash.digest('hex') !== sha256) throw new ArchiveError(`${name} is not the file that was exported`);
}
