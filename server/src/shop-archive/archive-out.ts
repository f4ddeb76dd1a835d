/** Where a shop is written to: a folder, or one zip file. */
import { createHash } from 'node:crypto';
import { createWriteStream, existsSync } from 'node:fs';
import { mkdir, readdir, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { finished, pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { MANIFEST } from './manifest';
import type { FileSum } from './manifest';
import { ArchiveError } from './archive-error';

export type Content = AsyncIterable<Buffer> | Iterable<Buffer>;

export interface ArchiveOut {
  /** Writes a file. @returns its length and SHA-256. */
  file(name: string, content: Content): Promise<FileSum>;
  /** Writes the manifest, and only then gives the archive its name. */
  close(manifest: string): Promise<void>;
  /** Leaves nothing behind. */
  abandon(): Promise<void>;
}

/** Read and written by its owner alone. */
const OWN = 0o600;

/** The same for every file, so that the same shop gives the same bytes. */
const ZIP_OPTIONS = { mtime: new Date(1980, 0, 1), mode: 0o100600, forceDosTimestamp: true } as const;

/** @throws ArchiveError where something is there already. */
export async function archiveOut(to: string): Promise<ArchiveOut> {
  if (/\.zip$/i.test(to)) return zipOut(to);
  if (existsSync(to) && (await readdir(to).catch(() => ['a file'])).length > 0)
    throw new ArchiveError(`${to} is there already and not empty: an export replaces nothing`);
  return folderOut(to);
}

async function folderOut(to: string): Promise<ArchiveOut> {
  // it holds hashes of passwords and PINs: for its owner alone
  await mkdir(to, { recursive: true, mode: 0o700 });
  const write = async (name: string, content: Content): Promise<FileSum> => {
    await mkdir(dirname(join(to, name)), { recursive: true, mode: 0o700 });
    const summed = new Summed(content);
    await pipeline(Readable.from(summed), createWriteStream(join(to, name), { flags: 'wx', mode: OWN }));
    return summed.sum();
  };
  return {
    file: write,
    close: async (manifest) => void (await write(MANIFEST, [Buffer.from(manifest)])),
    abandon: () => rm(to, { recursive: true, force: true }),
  };
}

async function zipOut(to: string): Promise<ArchiveOut> {
  if (existsSync(to)) throw new ArchiveError(`${to} is there already: an export replaces nothing`);
  await mkdir(dirname(to), { recursive: true, mode: 0o700 });
  const draft = `${to}.part`;
  const zip = new ZipFile();
  await rm(draft, { force: true });
  const file = createWriteStream(draft, { flags: 'wx', mode: OWN });
  const written = pipeline(zip.outputStream as unknown as Readable, file);
  written.catch(() => undefined); // heard of below
  const write = async (name: string, content: Content): Promise<FileSum> => {
    const summed = new Summed(content);
    const stream = Readable.from(summed);
    zip.addReadStream(stream, name, ZIP_OPTIONS);
    await Promise.race([finished(stream), written.then(() => Promise.reject(new Error('the zip ended too early')))]);
    return summed.sum();
  };
  return {
    file: write,
    async close(manifest) {
      await write(MANIFEST, [Buffer.from(manifest)]);
      zip.end();
      await written;
      await rename(draft, to);
    },
    abandon: () => rm(draft, { force: true }),
  };
}

/** Content that is counted and summed as it passes. */
class Summed implements AsyncIterable<Buffer> {
  readonly #hash = createHash('sha256');
  #bytes = 0;

  constructor(private readonly content: Content) {}

  async *[Symbol.asyncIterator](): AsyncGenerator<Buffer> {
    for await (const part of this.content) {
      this.#hash.update(part);
      this.#bytes += part.length;
      yield part;
    }
  }
  sum(): FileSum {
    return { bytes: this.#bytes, sha256: this.#hash.digest('hex') };
  }
}
