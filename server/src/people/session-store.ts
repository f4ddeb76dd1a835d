/** Sessions in PostgreSQL, found by the hash of their id, in the shop that the id begins with. */
import { shopId } from '@tetrad/contracts';
import type { JobId, ShopId } from '@tetrad/contracts';
import session from 'express-session';
import type { SessionData } from 'express-session';
import type { Role, SessionKind } from '@tetrad/contracts';
import type { Pool } from '../platform/database/pool';
import { inShop } from '../platform/database/working-shop';
import { tokenHash } from './secrets';

/** Who a session is of, and how far it reaches. */
export interface SignedIn {
  readonly kind: SessionKind;
  readonly shop: ShopId;
  readonly person: string;
  /** Of a phone: the one job it may see. */
  readonly job: JobId | null;
  /** Told anew with every request: a role that is taken away is gone at once. */
  readonly name: string;
  readonly role: Role;
}

declare module 'express-session' {
  interface SessionData {
    signedIn?: SignedIn;
    /** When it ends, however often it is used; the cookie's own time moves with every request. */
    endsAt?: string;
    address?: string | undefined;
    /** Who signed the device in with a password; see `Opened`. */
    openedBy?: string | null;
  }
}

/** A session's id: the shop it is found in, and a random token. */
export const sessionId = (shop: ShopId, token: string): string => `${shop}.${token}`;
export const shopOfSession = (id: string): ShopId => shopId(id.slice(0, Math.max(0, id.indexOf('.'))));

type Done = (error?: unknown) => void;

interface Row {
  readonly data: SessionData;
  readonly name: string;
  readonly role: Role;
}

export class SessionStore extends session.Store {
  constructor(private readonly pool: Pool) {
    super();
  }

  override get(id: string, done: (error: unknown, found?: SessionData | null) => void): void {
    this.find(id).then((found) => done(null, found), done);
  }

  /** The session, with the person's name and role of now; null where it has ended or the person has left. */
  find(id: string): Promise<SessionData | null> {
    const shop = shopOfSession(id);
    return inShop(shop, async () => {
      const { rows } = await this.pool.query<Row>(
        `SELECT s.data, p.name, p.role FROM session s JOIN person p USING (shop_id, person_id)
          WHERE s.shop_id = $1 AND s.id_hash = $2 AND s.expires_at > now() AND p.active`,
        [shop, tokenHash(id)],
      );
      const [row] = rows;
      if (!row?.data.signedIn) return null;
      return { ...row.data, signedIn: { ...row.data.signedIn, name: row.name, role: row.role } };
    });
  }

  override set(id: string, data: SessionData, done?: Done): void {
    const { signedIn, endsAt, address = null } = data;
    if (!signedIn || !endsAt) return done?.();
    inShop(signedIn.shop, () =>
      this.pool.query(
        `INSERT INTO session (shop_id, id_hash, person_id, data, address, expires_at) VALUES ($1, $2, $3, $4, $5, $6)
         ON CONFLICT (shop_id, id_hash) DO UPDATE SET data = excluded.data, expires_at = excluded.expires_at`,
        [signedIn.shop, tokenHash(id), signedIn.person, JSON.stringify(data), address, endsAt],
      ),
    ).then(() => done?.(), done);
  }

  override destroy(id: string, done?: Done): void {
    const shop = shopOfSession(id);
    inShop(shop, () =>
      this.pool.query('DELETE FROM session WHERE shop_id = $1 AND id_hash = $2', [shop, tokenHash(id)]),
    ).then(() => done?.(), done);
  }
}
