import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { actor } from '../../people/who';
import { shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { Refusal, problem } from '../../platform/http/problem';
import { captureOf } from './capture-of-request';
import { addFound, captureView, findCapture, pieceCount } from '../../captures/captures.sql';
import type { CaptureRoute } from './capture-route';

/** Stores what was found in a file, once it is there whole. */
export const storeFound: CaptureRoute<'storeFound'> =
  (pool) =>
  async (request, response, { body }) => {
    const shop = shopParam(request);
    const { found } = body;
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
    await runIdempotent(pool, request, async (sql) => {
      await addFound(sql, shop, capture.id, told);
      const detail = { capture: capture.id, findings: told.findings?.map(({ finding }) => finding) ?? [] };
      await addAuditEntry(sql, { what: 'capture-analyzed', ...actor(request), about: capture.job, detail });
    });
    response.json(captureView((await findCapture(pool, shop, capture.id))!));
  };
