/** The first shop of an empty database, with the administrator who lets everybody else in. */
import { randomUUID } from 'node:crypto';
import { addAct } from '../acts/acts.sql';
import { inTransaction } from '../sql/pool';
import type { Pool } from '../sql/pool';
import { addShop } from '../sql/shops';
import { inShop } from '../sql/working-shop';
import { addPerson, personNamed } from './people.sql';
import { hashSecret, oneTimePassword } from './secrets';

export const FIRST_SHOP = { id: 'workshop', name: 'Workshop' } as const;
const FIRST_NAME = 'Administrator';

export interface FirstAccount {
  readonly shop: string;
  readonly name: string;
  /** Shown once and kept nowhere. */
  readonly oneTimePassword: string;
}

/** @returns the account that was made; null where the shop has its administrator. */
export const firstShop = (pool: Pool): Promise<FirstAccount | null> =>
  inShop(FIRST_SHOP.id, async () => {
    if (await personNamed(pool, FIRST_NAME)) return null;
    const password = oneTimePassword();
    const id = randomUUID();
    const passwordHash = await hashSecret(password);
    await inTransaction(pool, async (sql) => {
      await addShop(sql, FIRST_SHOP);
      await addPerson(sql, { id, name: FIRST_NAME, role: 'administrator', passwordHash, mustChange: true });
      await addAct(sql, { what: 'person-added', person: null, from: null, about: id, detail: { name: FIRST_NAME } });
    });
    return { shop: FIRST_SHOP.id, name: FIRST_NAME, oneTimePassword: password };
  });
