/** Begins a session under a new id, so that one planted before is worth nothing. */
import type { ShopId } from '@tetrad/contracts';
import { shopId } from '@tetrad/contracts';
import { promisify } from 'node:util';
import type { Request } from 'express';
import type { SignedIn } from './session-store';

/** A shift: sessions end after it, ms. */
export const SHIFT_MS = 12 * 3_600_000;

const SHOP_TO_BE = new WeakMap<Request, ShopId>();
/** The shop that the session being made is of. */
export const shopToBe = (request: Request): ShopId =>
  SHOP_TO_BE.get(request) ?? request.session?.signedIn?.shop ?? shopId('');

/** Instead of a person: the demo's own way in, where PINs are told to everybody. */
export const OPENED_BY_DEMO = 'demo';

/** How a session came about. */
export interface Opened {
  /** Who signed the device in with a password (or the shop's own accounts), by id. */
  readonly openedBy: string | null;
  /** When it ends; a shift from now where nothing else is said. */
  readonly endsAt?: Date;
}

export async function openSession(
  request: Request,
  signedIn: SignedIn,
  { openedBy, endsAt = new Date(Date.now() + SHIFT_MS) }: Opened,
): Promise<void> {
  SHOP_TO_BE.set(request, signedIn.shop);
  await promisify(request.session.regenerate.bind(request.session))();
  request.session.signedIn = signedIn;
  request.session.address = request.ip;
  request.session.openedBy = openedBy;
  request.session.endsAt = endsAt.toISOString();
  request.session.cookie.expires = endsAt;
  await promisify(request.session.save.bind(request.session))();
}

export const closeSession = (request: Request): Promise<void> =>
  promisify(request.session.destroy.bind(request.session))();
