import { CaptureFound } from '@tetrad/contracts';
import { bodyAs, shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { Refusal, problem } from '../../platform/http/problem';
import { captureOf } from '../capture-of-request';
import { addFound, captureView, findCapture, pieceCount } from '../captures.sql';
import type { CaptureRoute } from './capture-route';

/** Stores what was found in a file, once it is there whole. */
export const storeFound: CaptureRoute = (pool) => async (request, response) => {
  const shop = shopParam(request);
  const { found } = bodyAs(CaptureFound, request);
  const capture = await captureOf(pool, request);
  if (capture.stored !== capture.bytes)
    throw new Refusal(
      problem(
        409,
        'not-whole',
        `${capture.pieces.length} of ${pieceCount(capture.bytes)} pieces are stored; send the others first.`,
      ),
    );
  const { data: _samples, ...told } = found;
  await runIdempotent(pool, request, (sql) => addFound(sql, shop, capture.id, told));
  response.status(201).json(captureView((await findCapture(pool, shop, capture.id))!));
};
