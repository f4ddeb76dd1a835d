import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, raw } from 'express';
import type { Request } from 'express';
import { CAPTURE_PIECE_BYTES, CaptureFound, NewCapture, PageQuery } from '@tetrad/contracts';
import { addAct } from '../acts/acts.sql';
import { bodyAs, queryAs, shopParam, uuidParam } from '../http/body';
import { tellNextPage } from '../http/next-page';
import { doOnce } from '../http/once';
import { Refusal, misfit, notFound, problem } from '../http/problem';
import { jobOf } from '../http/routes/with-job';
import { scopeOfRequest } from '../people/access';
import { actor, only, permit, whoOf } from '../people/who';
import { findJob } from '../sql/jobs';
import type { Pool } from '../sql/pool';
import {
  addCapture,
  addFound,
  addPiece,
  alikeView,
  captureView,
  capturesAlike,
  capturesOfJob,
  findCapture,
  pieceBytes,
  pieceCount,
  shopBytes,
  storedBytes,
} from './captures.sql';
import type { CaptureRow } from './captures.sql';
import { pieceOf } from './piece';

/** Captures of one page, where nobody asks for another number. */
const PAGE = 50;
/** Bytes of recorded files that a shop may keep. */
export const SHOP_QUOTA_BYTES = 50_000_000_000;

/**
 * Recorded files: announced, sent piece by piece, told what was found in them, and given back as they were. One
 * piece at a time is in memory; a broken connection goes on with the pieces that are missing.
 *
 * @param quotaBytes What one shop may keep.
 */
export function captureRoutes(pool: Pool, quotaBytes = SHOP_QUOTA_BYTES): Router {
  const router = Router({ mergeParams: true });

  async function captureOf(request: Request): Promise<CaptureRow> {
    const id = uuidParam(request, 'capture');
    const capture = await findCapture(pool, shopParam(request), id);
    const scope = scopeOfRequest(request);
    const job = capture && (await findJob(pool, shopParam(request), capture.job, { scope }));
    if (!job) throw notFound('capture', id);
    return capture;
  }

  router.get('/jobs/:job/captures', async (request, response) => {
    const { limit = PAGE, after } = queryAs(PageQuery, request);
    const { id } = await jobOf(pool, request);
    const { rows, next } = await capturesOfJob(pool, shopParam(request), id, { limit, after });
    tellNextPage(request, response, next);
    response.json(rows.map(captureView));
  });

  // those of other vehicles are nothing for a phone beside one job
  router.get('/jobs/:job/captures-alike', only('device'), async (request, response) => {
    const { id } = await jobOf(pool, request);
    const rows = await capturesAlike(pool, shopParam(request), id, scopeOfRequest(request));
    response.json(rows.map(alikeView));
  });

  router.post('/jobs/:job/captures', async (request, response) => {
    const shop = shopParam(request);
    permit(request, 'work');
    const body = bodyAs(NewCapture, request);
    const { id: job } = await jobOf(pool, request);
    const known = await findCapture(pool, shop, body.id);
    if (known && (known.job !== job || known.name !== body.name || known.bytes !== body.bytes))
      throw new Refusal(
        problem(409, 'id-taken', `Capture ${body.id} is another file: ${known.name}, ${known.bytes} bytes.`),
      );
    if (!known) {
      const kept = await shopBytes(pool, shop);
      if (kept + body.bytes > quotaBytes)
        throw new Refusal(
          problem(
            413,
            'quota',
            `This shop keeps ${kept} bytes of captures; with this file it would be more than ${quotaBytes}.`,
            [{ field: 'bytes', found: String(body.bytes), allowed: `at most ${Math.max(0, quotaBytes - kept)} more` }],
          ),
        );
      await doOnce(pool, request, async (sql) => {
        await addCapture(sql, shop, job, body, whoOf(request).name);
        await addAct(sql, {
          what: 'capture-added',
          ...actor(request),
          about: job,
          detail: { capture: body.id, name: body.name, bytes: body.bytes },
        });
      });
    }
    response.status(201).json(captureView((await findCapture(pool, shop, body.id))!));
  });

  router.put(
    '/captures/:capture/pieces/:number',
    raw({ type: 'application/octet-stream', limit: CAPTURE_PIECE_BYTES }),
    async (request, response) => {
      const capture = await captureOf(request);
      const number = pieceNumber(request, capture);
      const body: unknown = request.body;
      const piece = Buffer.isBuffer(body) ? body : Buffer.alloc(0);
      const wanted = pieceBytes(capture.bytes, number);
      if (piece.length !== wanted)
        throw misfit([
          { field: 'piece', found: `${piece.length} bytes`, allowed: `${wanted} bytes of application/octet-stream` },
        ]);
      const stored = await addPiece(pool, shopParam(request), capture.id, await pieceOf(number, piece));
      if (!stored)
        throw new Refusal(problem(409, 'piece-taken', `Piece ${number} is stored already with other bytes.`));
      response.status(204).end();
    },
  );

  router.post('/captures/:capture/found', async (request, response) => {
    const shop = shopParam(request);
    const { found } = bodyAs(CaptureFound, request);
    const capture = await captureOf(request);
    if (capture.stored !== capture.bytes)
      throw new Refusal(
        problem(
          409,
          'not-whole',
          `${capture.pieces.length} of ${pieceCount(capture.bytes)} pieces are stored; send the others first.`,
        ),
      );
    const { data: _samples, ...told } = found;
    await doOnce(pool, request, (sql) => addFound(sql, shop, capture.id, told));
    response.status(201).json(captureView((await findCapture(pool, shop, capture.id))!));
  });

  router.get('/captures/:capture/file', async (request, response) => {
    const shop = shopParam(request);
    const capture = await captureOf(request);
    if (capture.stored !== capture.bytes)
      throw new Refusal(
        problem(409, 'not-whole', `Only ${capture.stored} of ${capture.bytes} bytes are stored so far.`),
      );
    await addAct(pool, {
      what: 'capture-exported',
      ...actor(request),
      about: capture.job,
      detail: { capture: capture.id },
    });
    response.attachment(capture.name);
    response.type('application/octet-stream');
    response.setHeader('Content-Length', String(capture.bytes));
    // fetched piece by piece as the reader takes them
    await pipeline(Readable.from(storedBytes(pool, shop, capture)), response);
  });

  return router;
}

function pieceNumber(request: Request, { bytes }: CaptureRow): number {
  const word = String(request.params['number']);
  const number = Number(word);
  if (/^\d{1,6}$/.test(word) && number < pieceCount(bytes)) return number;
  throw misfit([
    { field: 'number', found: JSON.stringify(word), allowed: `a whole number from 0 to ${pieceCount(bytes) - 1}` },
  ]);
}
