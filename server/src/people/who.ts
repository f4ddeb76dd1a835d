/** Who asks: told by the session, never by what a request says of itself. */
import type { Request, RequestHandler } from 'express';
import { PERMISSIONS, may } from '@tetrad/contracts';
import type { Operation } from '@tetrad/contracts/operations';
import type { PermissionName, Problem, SessionKind } from '@tetrad/contracts';
import { Refusal, notFound, problem } from '../platform/http/problem';
import { inShop } from '../platform/database/working-shop';
import type { SignedIn } from './session-store';

export const NOT_SIGNED_IN = problem(
  401,
  'not-signed-in',
  'Nobody is signed in on this device, or the session has ended.',
);

/** Who asks with a key instead of a session: known for this request alone. */
export function asksAs(request: Request, signedIn: SignedIn): void {
  Object.assign(request, { session: { signedIn }, sessionID: `key ${signedIn.shop} ${signedIn.person}` });
}

/** @throws Refusal 401 where nobody is signed in. */
export function whoOf(request: Request): SignedIn {
  const who = request.session.signedIn;
  if (!who) throw new Refusal(NOT_SIGNED_IN);
  return who;
}

/** Who did it and from where, for the audit log. */
export const actor = (request: Request) => {
  const who = whoOf(request);
  return { person: { id: who.person, kind: identityKind(who), name: who.name }, from: request.ip ?? null };
};

/** A person by whatever session, or a key. */
export const identityKind = ({ kind }: SignedIn): 'person' | 'key' => (kind === 'key' ? 'key' : 'person');

/** @throws Refusal 403 that says who may. */
export function permit(request: Request, permission: PermissionName): SignedIn {
  const who = whoOf(request);
  if (may(who.role, permission)) return who;
  const { words, roles } = PERMISSIONS[permission];
  throw new Refusal(
    problem(403, 'not-allowed', `${who.name} (${who.role}) may not ${words}. Those who may: ${roles.join(', ')}.`),
  );
}

/** Lets through who may ask an operation. Handlers ask only for what depends on more than the operation. */
export const permitted =
  ({ by, permission, ofOthers }: Operation): RequestHandler =>
  (request, _response, next) => {
    // what anybody may ask is answered before a session is looked for
    const signedIn = (request as Partial<Request>).session?.signedIn;
    if (!signedIn && by.includes('nobody')) return next();
    const { kind, person, job } = whoOf(request);
    if (!by.includes(kind)) throw new Refusal(notFor(kind, request));
    // a paired phone sees its own job and nothing beside it
    const named = request.params['job'];
    if (kind === 'phone' && named !== undefined && String(named).toLowerCase() !== job)
      throw new Refusal(notFor(kind, request));
    if (permission) permit(request, permission);
    if (ofOthers && request.params['person'] !== person) permit(request, ofOthers);
    next();
  };

/** Why a session of this kind may not ask this. */
function notFor(kind: SessionKind, { method, originalUrl }: Request): Problem {
  switch (kind) {
    case 'first':
      return problem(403, 'password-first', 'This is a one-time password: choose your own before anything else.');
    case 'key':
      return problem(
        403,
        'not-for-keys',
        `${method} ${originalUrl.split('?', 1)[0]} is for people alone. /api/openapi.json tells what keys may do.`,
      );
    case 'phone':
    case 'device':
      return problem(403, 'phone', 'This phone is paired with one job and may do nothing else.');
  }
}

/** The shop of the address is that of the session; any other is not there for it. What follows works in that shop. */
export const ownShop: RequestHandler = (request, _response, next) => {
  const { shop } = whoOf(request);
  const named = String((request.params as Record<string, unknown>)['shop']);
  if (named !== shop) throw notFound('shop', named);
  inShop(shop, next);
};
