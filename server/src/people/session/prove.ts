import type { ShopId } from '@tetrad/contracts';
import type { Request } from 'express';
import { addAuditEntry } from '../../audit-log/audit-log.sql';
import type { Pool } from '../../platform/database/pool';
import { workingShop } from '../../platform/database/working-shop';
import type { Refusal } from '../../platform/http/problem';
import { NO_SHOP, byAddress, byPassword, byShop, byUnknownName, reserveAttempt } from '../attempts';
import { attemptSucceeded } from '../attempts.sql';
import type { Counter } from '../attempts.sql';
import type { PersonRow } from '../people.sql';
import { isSecret } from '../secrets';

/** A secret to be compared. */
export interface Proof {
  readonly person: PersonRow | null;
  readonly isRight: () => Promise<boolean>;
  readonly counters: readonly Counter[];
  /** Where it is wrong. */
  readonly refusal: Refusal;
}

/** Compares a secret, counted and slowed; a wrong one is answered alike for all reasons. */
export async function prove(
  pool: Pool,
  request: Request,
  { person, isRight, counters, refusal }: Proof,
): Promise<PersonRow> {
  await reserveAttempt(pool, counters);
  if ((await isRight()) && person?.active) {
    await attemptSucceeded(pool, counters);
    return person;
  }
  if (workingShop() !== NO_SHOP)
    await addAuditEntry(pool, {
      what: 'sign-in-failed',
      person: null,
      from: request.ip ?? null,
      about: person?.id ?? null,
    });
  throw refusal;
}

/** A password, and whose it should be. */
export interface GivenPassword {
  readonly shop: ShopId;
  readonly name: string;
  /** Null where nobody has that name. */
  readonly found: PersonRow | null;
  readonly password: string;
  readonly refusal: Refusal;
}

/** The password of a person, or of a name that nobody has. */
export const provePassword = (
  pool: Pool,
  request: Request,
  { shop, name, found, password, refusal }: GivenPassword,
): Promise<PersonRow> =>
  prove(pool, request, {
    person: found,
    isRight: () => isSecret(password, found?.passwordHash ?? null),
    counters: [found ? byPassword(found.id) : byUnknownName(shop, name), byAddress(request.ip), byShop],
    refusal,
  });
