/** The bytes of captures, taken piece by piece from the files of an archive. */
import { pieceOf } from '../captures/piece';
import type { ArchiveIn } from './archive-in';
import { captureFile } from './manifest';
import { ArchiveError } from './archive-error';
import type { Row } from './rows';

/** Bytes as PostgreSQL writes them. */
const hex = (bytes: Buffer): string => `\\x${bytes.toString('hex')}`;

/** Rows of `capture_piece` come capture by capture, in the order of their numbers. */
export class CaptureBytes {
  #name = '';
  #parts: AsyncIterator<Buffer> | null = null;
  #rest: Buffer = Buffer.alloc(0);

  constructor(private readonly archive: ArchiveIn) {}

  /** The row with its bytes. @throws ArchiveError where they are not those that were recorded. */
  async complete(row: Row): Promise<Row> {
    const name = captureFile(String(row['capture_id']));
    if (name !== this.#name) {
      this.#name = name;
      this.#parts = ((await this.archive.open(name)) as AsyncIterable<Buffer>)[Symbol.asyncIterator]();
      this.#rest = Buffer.alloc(0);
    }
    const { sha256, packed } = await pieceOf(Number(row['number']), await this.#take(Number(row['bytes'])));
    if (hex(sha256) !== row['sha256'])
      throw new ArchiveError(`${name}: piece ${String(row['number'])} is not what was recorded`);
    return { ...row, packed: hex(packed) };
  }

  async #take(bytes: number): Promise<Buffer> {
    const parts = [this.#rest];
    let have = this.#rest.length;
    while (have < bytes) {
      const { value, done } = await this.#parts!.next();
      if (done) break;
      parts.push(value);
      have += value.length;
    }
    const all = Buffer.concat(parts);
    this.#rest = all.subarray(bytes);
    return all.subarray(0, bytes);
  }
}
