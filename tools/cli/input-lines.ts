import { MAX_CASE_BYTES } from './case-size';

const NEW_LINE = 10;
const RETURN = 13;

/** A line of input; null where it is longer than any case and was passed over. */
export type InputLine = string | null;

/**
 * The lines of a stream of bytes, each in turn. A line that is too long to be a case is not kept in memory.
 *
 * @param input Bytes in pieces of any size, UTF-8.
 */
export async function* inputLines(input: AsyncIterable<Uint8Array>): AsyncGenerator<InputLine> {
  let parts: Uint8Array[] = [];
  let bytes = 0;
  const add = (part: Uint8Array): void => {
    bytes += part.length;
    if (bytes > MAX_CASE_BYTES) parts = [];
    else parts.push(part);
  };
  const take = (): InputLine => {
    const line = bytes > MAX_CASE_BYTES ? null : textOf(parts);
    parts = [];
    bytes = 0;
    return line;
  };
  for await (const piece of input) {
    let from = 0;
    for (let end = piece.indexOf(NEW_LINE); end >= 0; end = piece.indexOf(NEW_LINE, from)) {
      add(piece.subarray(from, end));
      yield take();
      from = end + 1;
    }
    if (from < piece.length) add(piece.subarray(from));
  }
  if (bytes > 0) yield take();
}

function textOf(parts: readonly Uint8Array[]): string {
  const line =
    parts.length === 1 ? Buffer.from(parts[0]!.buffer, parts[0]!.byteOffset, parts[0]!.length) : Buffer.concat(parts);
  return line.toString('utf8', 0, line.at(-1) === RETURN ? line.length - 1 : line.length);
}
