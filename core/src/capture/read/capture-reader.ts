import type { Recording } from '../recording';

/** Takes a file piece by piece, so that it never stands in memory whole. */
export interface CaptureReader {
  /** @throws CaptureError as soon as something cannot be read. */
  push(chunk: Uint8Array): void;
  /** After the last piece. @throws CaptureError */
  finish(): Recording;
}
