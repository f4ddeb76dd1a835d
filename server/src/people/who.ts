/** Who asks: told by the session, never by what a request says of itself. */
import type { Request, RequestHandler } from 'express';
import { PERMISSIONS, may } from '@tetrad/contracts';
import { operationAt } from '@tetrad/contracts/operations';
import type { PermissionName, SessionKind } from '@tetrad/contracts';
import { Refusal, noSuchAddress, notFound, problem } from '../platform/http/problem';
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

/**
 * Lets through who may ask the operation of this request, by the table of operations; what is not in the table is not there.
 * Handlers ask only for what depends on more than the operation.
 */
export const permitted: RequestHandler = (request, _response, next) => {
  const operation = operationAt(request.method, request.baseUrl + request.path);
  if (!operation) throw new Refusal(noSuchAddress(request));
  const { permission, ofOthers } = operation;
  if (permission) permit(request, permission);
  const person = ofOthers && /\/people\/([^/]+)/.exec(request.path)?.[1];
  if (ofOthers && person !== whoOf(request).person) permit(request, ofOthers);
  next();
};

/** Lets sessions of these kinds through. */
export const only =
  (...kinds: readonly SessionKind[]): RequestHandler =>
  (request, _response, next) => {
    const { kind } = whoOf(request);
    if (kinds.includes(kind)) return next();
    throw new Refusal(
      kind === 'first'
        ? problem(403, 'password-first', 'This is a one-time password: choose your own before anything else.')
        : kind === 'key'
          ? problem(403, 'not-for-keys', 'This is for people who are signed in, not for a key.')
          : problem(403, 'phone', 'This phone is paired with one job and may do nothing else.'),
    );
  };

/** The shop of the address is that of the session; any other is not there for it. What follows works in that shop. */
export const ownShop: RequestHandler = (request, _response, next) => {
  const { shop } = whoOf(request);
  const named = String((request.params as Record<string, unknown>)['shop']);
  if (named !== shop) throw notFound('shop', named);
  inShop(shop, next);
};

/** A paired phone sees its own job and nothing beside it; `request.path` is what follows the shop. */
export const ownJob: RequestHandler = (request, response, next) => {
  const { kind, job } = whoOf(request);
  const named = /^\/jobs\/([^/]+)/.exec(request.path)?.[1];
  if (kind !== 'phone' || named?.toLowerCase() === job) return next();
  return only('device')(request, response, next);
};
