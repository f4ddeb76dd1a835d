import type { ShopId } from '@tetrad/contracts';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import { closed, jobOf } from '../locked-job';
import { actor, whoOf } from '../../people/who';
import type { Pool } from '../../platform/database/pool';
import { shopParam } from '../../platform/http/body';
import { runIdempotent } from '../../platform/http/idempotency';
import { Refusal, problem } from '../../platform/http/problem';
import { addCapture, captureView, findCapture, shopBytes } from '../../captures/captures.sql';
import type { CaptureRoute } from './capture-route';

/**
 * Announces a file; its pieces follow. Announced again, it is answered with the pieces that are stored already.
 *
 * @param quotaBytes What one shop may keep.
 */
export const announceCapture =
  (quotaBytes: number): CaptureRoute<'announceCapture'> =>
  (pool) =>
  async (request, response, { body }) => {
    const shop = shopParam(request);
    const at = await jobOf(pool, request);
    const { id: job } = at;
    const known = await findCapture(pool, shop, body.id);
    if (known && (known.job !== job || known.name !== body.name || known.bytes !== body.bytes))
      throw new Refusal(
        problem(409, 'id-taken', `Capture ${body.id} is another file: ${known.name}, ${known.bytes} bytes.`),
      );
    if (!known) {
      if (at.status === 'closed') throw closed(at);
      await refuseOverQuota(pool, shop, body.bytes, quotaBytes);
      await runIdempotent(pool, request, async (sql) => {
        await addCapture(sql, shop, job, body, whoOf(request).name);
        await addAuditEntry(sql, {
          what: 'capture-added',
          ...actor(request),
          about: job,
          detail: { capture: body.id, name: body.name, bytes: body.bytes },
        });
      });
    }
    response.json(captureView((await findCapture(pool, shop, body.id))!));
  };

async function refuseOverQuota(pool: Pool, shop: ShopId, bytes: number, quotaBytes: number): Promise<void> {
  const kept = await shopBytes(pool, shop);
  if (kept + bytes <= quotaBytes) return;
  throw new Refusal(
    problem(
      413,
      'quota',
      `This shop keeps ${kept} bytes of captures; with this file it would be more than ${quotaBytes}.`,
      [{ field: 'bytes', found: String(bytes), allowed: `at most ${Math.max(0, quotaBytes - kept)} more` }],
    ),
  );
}
