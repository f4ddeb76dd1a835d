import type { JobId, ShopId } from '@tetrad/contracts';
import { CAPTURE_PIECE_BYTES } from '@tetrad/contracts';
import { outlineOf, pyramidOf, readCapture, analyzeRecording } from '@tetrad/core/capture';
import type { Sql } from '../platform/database/pool';
import { addCapture, addFound, addPiece } from './captures.sql';
import { pieceOf } from './piece';

/** Points of the small picture. */
const OUTLINE = 400;

/** Stores a file that is here whole, taken apart at once: for the demo. */
export async function storeFile(
  sql: Sql,
  shop: ShopId,
  job: JobId,
  capture: { readonly id: string; readonly name: string; readonly file: Buffer; readonly cylinders: number | null },
): Promise<void> {
  const { id, name, file, cylinders } = capture;
  await addCapture(sql, shop, job, { id, name, bytes: file.length });
  for (let number = 0; number * CAPTURE_PIECE_BYTES < file.length; number++) {
    const piece = file.subarray(number * CAPTURE_PIECE_BYTES, (number + 1) * CAPTURE_PIECE_BYTES);
    await addPiece(sql, shop, id, await pieceOf(number, piece));
  }
  const recording = readCapture(file);
  const found = analyzeRecording(recording, { cylinders });
  const outline = (role: string): number[] | null => {
    const at = found.channels.findIndex((channel) => channel.role === role);
    if (at < 0) return null;
    const { scale } = found.channels[at]!;
    return outlineOf(pyramidOf(recording.channels[at]!.samples.map((value) => value * scale)), OUTLINE);
  };
  const amps = outline('amps');
  await addFound(sql, shop, id, { ...found, outline: { volts: outline('volts') ?? [], ...(amps && { amps }) } });
}
