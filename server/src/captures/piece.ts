import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';

/** A piece of a recorded file as it is stored: compressed, with the digest of what it was. */
export interface Piece {
  readonly number: number;
  readonly bytes: number;
  readonly sha256: Buffer;
  readonly packed: Buffer;
}

const pack = promisify(gzip);

/** @param number Its place in the file, from 0. */
export const pieceOf = async (number: number, piece: Buffer): Promise<Piece> => ({
  number,
  bytes: piece.length,
  sha256: createHash('sha256').update(piece).digest(),
  packed: await pack(piece),
});
