/** What is turned away before anybody looks at it: other hosts' names, other sites' requests, too many of them. */
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import type { RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { sendProblem } from './on-error';
import { Refusal, problem } from './problem';

const nameOf = (host: string): string =>
  host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();

/**
 * The name in the address must be one of this server's: a page of another site that points its own name at this
 * machine is not answered. An address in figures cannot be pointed elsewhere.
 *
 * @param names Further names that this server is reached by.
 */
export function ownHost(names: readonly string[]): RequestHandler {
  const known = new Set(['localhost', hostname().toLowerCase(), ...names.map((name) => name.toLowerCase())]);
  return (request, _response, next) => {
    const name = nameOf(request.get('host') ?? '');
    if (isIP(name) || known.has(name)) return next();
    throw new Refusal(
      problem(421, 'other-host', `This server is not ${JSON.stringify(name)}. Its names are told to it with --name.`),
    );
  };
}

const CHANGES_NOTHING = new Set(['GET', 'HEAD', 'OPTIONS']);

/** What changes something comes from a page of this server: browsers say where from (Fetch Metadata, Origin). */
export const ownPages: RequestHandler = (request, _response, next) => {
  if (CHANGES_NOTHING.has(request.method)) return next();
  const site = request.get('sec-fetch-site');
  const origin = request.get('origin');
  const isOwn =
    (site === undefined || site === 'same-origin' || site === 'none') &&
    (origin === undefined || hostOf(origin) === request.get('host')?.toLowerCase());
  if (isOwn) return next();
  throw new Refusal(problem(403, 'other-site', 'This was asked by a page of another site.'));
};

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

const tooOften =
  (most: number, who: string): RequestHandler =>
  (_request, response) => {
    response.setHeader('Retry-After', '1');
    sendProblem(response, problem(429, 'too-often', `More than ${most} requests in one second came from ${who}.`));
  };
const WITHIN_A_SECOND = { windowMs: 1000, standardHeaders: false, legacyHeaders: false } as const;

/** At most so many requests a second from one address. */
export const pace = (most: number): RequestHandler =>
  rateLimit({
    ...WITHIN_A_SECOND,
    limit: most,
    keyGenerator: ({ ip = '' }) => ipKeyGenerator(ip),
    handler: tooOften(most, 'this device'),
  });

/** Devices of a workshop may share an address: of what that may ask, one session may ask this share. */
const SESSION_SHARE = 1 / 3;

/** At most a share of that from one session, wherever it comes from; stands after what knows the session. */
export function paceOfSession(mostOfAddress: number): RequestHandler {
  const most = Math.max(1, Math.floor(mostOfAddress * SESSION_SHARE));
  return rateLimit({
    ...WITHIN_A_SECOND,
    limit: most,
    skip: ({ session }) => !session.signedIn,
    keyGenerator: ({ sessionID }) => sessionID,
    handler: tooOften(most, 'this session'),
  });
}
