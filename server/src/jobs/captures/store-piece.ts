import type { Request } from 'express';
import { shopParam } from '../../platform/http/body';
import { Refusal, misfit, problem } from '../../platform/http/problem';
import { captureOf } from './capture-of-request';
import { addPiece, pieceBytes, pieceCount } from '../../captures/captures.sql';
import type { CaptureRow } from '../../captures/captures.sql';
import { pieceOf } from '../../captures/piece';
import type { CaptureRoute } from './capture-route';

/** Stores one piece of an announced file; a piece that is stored already is not stored again. */
export const storePiece: CaptureRoute<'storePiece'> = (pool) => async (request, response) => {
  const capture = await captureOf(pool, request);
  const number = pieceNumber(request, capture);
  const body: unknown = request.body;
  const piece = Buffer.isBuffer(body) ? body : Buffer.alloc(0);
  const wanted = pieceBytes(capture.bytes, number);
  if (piece.length !== wanted)
    throw misfit([
      { field: 'piece', found: `${piece.length} bytes`, allowed: `${wanted} bytes of application/octet-stream` },
    ]);
  const stored = await addPiece(pool, shopParam(request), capture.id, await pieceOf(number, piece));
  if (!stored) throw new Refusal(problem(409, 'piece-taken', `Piece ${number} is stored already with other bytes.`));
  response.end();
};

function pieceNumber(request: Request, { bytes }: CaptureRow): number {
  const word = String(request.params['number']);
  const number = Number(word);
  if (/^\d{1,6}$/.test(word) && number < pieceCount(bytes)) return number;
  throw misfit([
    { field: 'number', found: JSON.stringify(word), allowed: `a whole number from 0 to ${pieceCount(bytes) - 1}` },
  ]);
}
