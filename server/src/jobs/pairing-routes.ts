import { idempotencyKey } from '../platform/http/idempotency';
import { jobOf } from './locked-job';
import type { Pool } from '../platform/database/pool';
import type { Handlers } from '../platform/http/handlers';
import { addPairing } from '../people/pairings.sql';
import { bytesFor, newToken, tokenHash } from '../people/secrets';
import { sessionId } from '../people/session-store';
import { whoOf } from '../people/who';

/** A key for a phone beside one job, shown as a QR code; good once, and for a shift from then on. */
export function pairingRoutes(pool: Pool, secret: string): Handlers<'pairPhone'> {
  return {
    pairPhone: async (request, response) => {
      const { shop, person } = whoOf(request);
      const { id } = await jobOf(pool, request);
      const sent = idempotencyKey(request);
      const bytes = sent === null ? undefined : bytesFor(secret, `pairing ${shop} ${id} ${person} ${sent}`);
      const key = sessionId(shop, newToken(bytes));
      const openUntil = await addPairing(pool, tokenHash(key), id, person);
      response.json({ key, openUntil: openUntil.toISOString() });
    },
  };
}
