/** The first shop of an empty database, with the administrator who lets everybody else in. */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import { randomUUID } from 'node:crypto';
import { addAuditEntry } from '../audit-log/audit-log.sql';
import { inTransaction } from '../platform/database/pool';
import type { Pool, Sql } from '../platform/database/pool';
import { addShop } from '../shops/shops.sql';
import { inShop } from '../platform/database/working-shop';
import { addPerson, changePerson, endSessions, listPeople } from './people.sql';
import type { PersonRow } from './people.sql';
import { hashSecret, oneTimePassword } from './secrets';

export const FIRST_SHOP = { id: shopId('workshop'), name: 'Workshop' } as const;
const FIRST_NAME = 'Administrator';

export interface FirstAccount {
  readonly shop: ShopId;
  readonly name: string;
  /** Shown once and kept nowhere. */
  readonly oneTimePassword: string;
}

/**
 * Makes the first shop in a database that never had one. Whoever did not see the first password, or lost it before
 * using it, is given another at the next start.
 *
 * @returns the account and its one-time password; null where there is nobody to give one to.
 */
export const firstShop = (pool: Pool): Promise<FirstAccount | null> =>
  inShop(FIRST_SHOP.id, async () => {
    const isUntouched = await hasNoShop(pool);
    const unused = isUntouched ? null : await unusedAdministrator(pool);
    if (!isUntouched && !unused) return null;
    const password = oneTimePassword();
    const passwordHash = await hashSecret(password);
    await inTransaction(pool, async (sql) => {
      if (unused) {
        await changePerson(sql, unused.id, { passwordHash });
        await endSessions(sql, unused.id);
        await addAuditEntry(sql, { what: 'password-reset', person: null, from: null, about: unused.id });
        return;
      }
      const id = randomUUID();
      await addShop(sql, FIRST_SHOP);
      await addPerson(sql, { id, name: FIRST_NAME, role: 'administrator', passwordHash, mustChange: true });
      await addAuditEntry(sql, {
        what: 'person-added',
        person: null,
        from: null,
        about: id,
        detail: { name: FIRST_NAME },
      });
    });
    return { shop: FIRST_SHOP.id, name: FIRST_NAME, oneTimePassword: password };
  });

/** Asked of the table's size: row-level security may hide the rows of every shop from who asks. */
async function hasNoShop(sql: Sql): Promise<boolean> {
  const { rows } = await sql.query<{ isEmpty: boolean }>(`SELECT pg_relation_size('shop') = 0 AS "isEmpty"`);
  return rows[0]!.isEmpty;
}

/** The administrator of the first shop, alone in it and with no password of their own yet. */
async function unusedAdministrator(sql: Sql): Promise<PersonRow | null> {
  const [person, ...others] = await listPeople(sql);
  return person && others.length === 0 && person.name === FIRST_NAME && person.mustChange ? person : null;
}
