/** The middleware that knows who asks. */
import session from 'express-session';
import type { RequestHandler } from 'express';
import type { Pool } from '../platform/database/pool';
import { SHIFT_MS, shopToBe } from './open-session';
import { newToken } from './secrets';
import { SessionStore, sessionId } from './session-store';

export const COOKIE = 'tetrad.session';

/** @param secret Signs the cookie; the same for all processes on one database. */
export const sessions = (pool: Pool, secret: string): RequestHandler =>
  session({
    name: COOKIE,
    secret,
    store: new SessionStore(pool),
    genid: (request) => sessionId(shopToBe(request), newToken()),
    resave: false,
    saveUninitialized: false,
    // TLS may end here or before us: `auto` looks
    cookie: { httpOnly: true, sameSite: 'strict', secure: 'auto', maxAge: SHIFT_MS, path: '/' },
  });
