import { parse } from 'cookie';
import { sign, unsign } from 'cookie-signature';
import { Router } from 'express';
import type { CookieOptions, Request } from 'express';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import type { Pool } from '../platform/database/pool';
import { inShop } from '../platform/database/working-shop';
import { openSession } from './open-session';
import { personOfIdentity } from './people.sql';
import type { Flow, SingleSignOn } from './single-sign-on';

const COOKIE = 'tetrad.sign-on';
/** How long somebody may take at the issuer's page. */
const PATIENCE_MS = 10 * 60_000;
/** Where the browser comes back to; told to the issuer once when this server is registered there. */
const CALLBACK = '/api/session/oidc/callback';

/** What the page of signing in is told in its address, and explains. */
type Outcome = 'unknown' | 'refused';

/**
 * The way to the issuer's page and back. Both are addresses that the browser goes to, so what goes wrong is told by the
 * page of signing in. The flow is kept in a cookie that comes back from another site, unlike the session's.
 */
export function singleSignOnRoutes(pool: Pool, signOn: SingleSignOn, secret: string): Router {
  const router = Router();
  const here = (request: Request): string => `${request.protocol}://${request.get('host')}`;
  const cookie = (request: Request): CookieOptions => ({
    httpOnly: true,
    sameSite: 'lax',
    secure: request.protocol === 'https',
    path: '/api/session/oidc',
  });

  router.get('/', async (request, response) => {
    const { address, flow } = await signOn.begin(here(request) + CALLBACK);
    const kept = Buffer.from(JSON.stringify({ ...flow, until: Date.now() + PATIENCE_MS })).toString('base64url');
    response.cookie(COOKIE, sign(kept, secret), { ...cookie(request), maxAge: PATIENCE_MS });
    response.redirect(address);
  });

  router.get('/callback', async (request, response) => {
    const back = (outcome: Outcome) => response.redirect(`/sign-in?shop=${signOn.shop}&outcome=${outcome}`);
    const flow = keptFlow(request, secret);
    response.clearCookie(COOKIE, cookie(request));
    if (!flow) return back('refused');
    const identity = await signOn.finish(here(request) + request.originalUrl, flow).catch((error: unknown) => {
      request.log.warn({ code: (error as { code?: string }).code }, 'the issuer let nobody in');
      return null;
    });
    const from = request.ip ?? null;
    await inShop(signOn.shop, async () => {
      const person = identity && (await personOfIdentity(pool, identity));
      if (!person?.active) {
        await addAuditEntry(pool, { what: 'sign-in-failed', person: null, from, about: person?.id ?? null });
        return back(identity ? 'unknown' : 'refused');
      }
      const { id, name, role } = person;
      const who = { kind: 'device', shop: signOn.shop, person: id, job: null, name, role } as const;
      await openSession(request, who, { openedBy: id });
      await addAuditEntry(pool, {
        what: 'signed-in',
        person: { id, kind: 'person', name },
        from,
        detail: { by: 'single sign-on' },
      });
      response.redirect('/floor');
    });
  });

  return router;
}

/** What was kept when this browser left for the issuer; null where it did not, or too long ago. */
function keptFlow(request: Request, secret: string): Flow | null {
  const signed = parse(request.get('cookie') ?? '')[COOKIE];
  const kept = signed ? unsign(signed, secret) : false;
  if (kept === false) return null;
  const { until, ...flow } = JSON.parse(Buffer.from(kept, 'base64url').toString()) as Flow & { until: number };
  return until > Date.now() ? flow : null;
}
