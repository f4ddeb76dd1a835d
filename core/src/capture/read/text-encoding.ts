/** Whether bytes are text, and of which kind. */
import { CaptureError } from './capture-fault';

export type TextEncodingName = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

const SIGNATURES: readonly { readonly bytes: readonly number[]; readonly name: string }[] = [
  { bytes: [0x89, 0x50, 0x4e, 0x47], name: 'a PNG picture' },
  { bytes: [0xff, 0xd8, 0xff], name: 'a JPEG picture' },
  { bytes: [0x47, 0x49, 0x46, 0x38], name: 'a GIF picture' },
  { bytes: [0x42, 0x4d], name: 'a BMP picture' },
  { bytes: [0x25, 0x50, 0x44, 0x46], name: 'a PDF document' },
  { bytes: [0x50, 0x4b, 0x03, 0x04], name: 'a ZIP or spreadsheet file' },
  { bytes: [0x1f, 0x8b], name: 'a gzip file' },
];
const TAB = 9;
const LINE_FEED = 10;
const RETURN = 13;
const SPACE = 32;

const begins = (bytes: Uint8Array, with_: readonly number[]): boolean => with_.every((byte, at) => bytes[at] === byte);

/** How many bytes of a byte order mark stand first. */
export const markLength = (encoding: TextEncodingName, head: Uint8Array): number =>
  encoding === 'utf-8' && begins(head, [0xef, 0xbb, 0xbf]) ? 3 : encoding.startsWith('utf-16') ? 2 : 0;

/**
 * @param head The first bytes of a file.
 * @throws CaptureError where a byte cannot stand in a text.
 */
export function textEncodingOf(head: Uint8Array): TextEncodingName {
  if (begins(head, [0xff, 0xfe])) return 'utf-16le';
  if (begins(head, [0xfe, 0xff])) return 'utf-16be';
  const looksLike = SIGNATURES.find(({ bytes }) => begins(head, bytes))?.name ?? null;
  const control = head.findIndex(
    (byte) => byte < SPACE && byte !== TAB && byte !== LINE_FEED && byte !== RETURN && byte !== 0x1a,
  );
  if (control >= 0 || (looksLike && head[0]! > 0x7e))
    throw new CaptureError({ code: 'not-text', byte: Math.max(0, control), looksLike });
  try {
    // the head may end within a letter of several bytes
    new TextDecoder('utf-8', { fatal: true }).decode(head, { stream: true });
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}
