import type { OpenSessionView, PersonView, Role } from '@tetrad/contracts';
import type { Sql } from '../platform/database/pool';
import { isoTime } from '../platform/database/iso-time';
import { workingShop } from '../platform/database/working-shop';
import { endPairings } from './pairings.sql';
import type { Identity } from './single-sign-on';

export interface PersonRow extends PersonView {
  readonly passwordHash: string | null;
  readonly pinHash: string | null;
  readonly mustChange: boolean;
}

/** A one-time password opens for so long, h: somebody who was added before a weekend can still begin after it. */
export const ONE_TIME_HOURS = 72;

/** A one-time password that has ended is none. */
const PERSON = `person_id AS id, name, role, active, email, pin_hash IS NOT NULL AS "hasPin",
  CASE WHEN password_until < now() THEN NULL ELSE password_hash END AS "passwordHash",
  pin_hash AS "pinHash", must_change AS "mustChange",
  CASE WHEN must_change THEN ${isoTime('password_until')} END AS "oneTimeUntil"`;
/** Until when the password opens that is stored now. */
const until = (mustChange: string): string =>
  `CASE WHEN ${mustChange} THEN now() + interval '${ONE_TIME_HOURS} hours' END`;

export const personView = ({ id, name, role, active, hasPin, email, oneTimeUntil }: PersonRow): PersonView => ({
  id,
  name,
  role,
  active,
  hasPin,
  email,
  oneTimeUntil,
});

/** The people of the working shop, by name; those who have left last. */
export async function listPeople(sql: Sql): Promise<readonly PersonRow[]> {
  const { rows } = await sql.query<PersonRow>(
    `SELECT ${PERSON} FROM person WHERE shop_id = $1 ORDER BY active DESC, lower(name), person_id`,
    [workingShop()],
  );
  return rows;
}

export async function findPerson(sql: Sql, id: string): Promise<PersonRow | null> {
  const { rows } = await sql.query<PersonRow>(`SELECT ${PERSON} FROM person WHERE shop_id = $1 AND person_id = $2`, [
    workingShop(),
    id,
  ]);
  return rows[0] ?? null;
}

export async function personNamed(sql: Sql, name: string): Promise<PersonRow | null> {
  const { rows } = await sql.query<PersonRow>(
    `SELECT ${PERSON} FROM person WHERE shop_id = $1 AND lower(name) = lower($2)`,
    [workingShop(), name.trim()],
  );
  return rows[0] ?? null;
}

/**
 * Whom the issuer means: by its own name for them, and the first time by their e-mail address. An address that has passed
 * to somebody else at the issuer opens nothing.
 */
export async function personOfIdentity(sql: Sql, { issuer, subject, email }: Identity): Promise<PersonRow | null> {
  const { rows } = await sql.query<PersonRow>(
    `UPDATE person SET subject = $2
      WHERE shop_id = $1 AND person_id =
            (SELECT person_id FROM person WHERE shop_id = $1 AND email IS NOT NULL
                AND (subject = $2 OR subject IS NULL AND email = $3) ORDER BY subject NULLS LAST LIMIT 1)
      RETURNING ${PERSON}`,
    [workingShop(), `${issuer} ${subject}`, email],
  );
  return rows[0] ?? null;
}

export interface NewAccount {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly passwordHash: string | null;
  readonly pinHash?: string | null;
  readonly mustChange: boolean;
}

/** @returns false where the id or the name is taken. */
export async function addPerson(sql: Sql, account: NewAccount): Promise<boolean> {
  const { id, name, role, passwordHash, pinHash = null, mustChange } = account;
  const { rowCount } = await sql.query(
    `INSERT INTO person (shop_id, person_id, name, role, password_hash, pin_hash, must_change, password_until)
     VALUES ($1, $2, $3, $4, $5, $6, $7, ${until('$7')}) ON CONFLICT DO NOTHING`,
    [workingShop(), id, name.trim(), role, passwordHash, pinHash, mustChange],
  );
  return rowCount === 1;
}

export interface AccountChanges {
  readonly role?: Role | undefined;
  readonly active?: boolean | undefined;
  readonly passwordHash?: string | undefined;
  readonly pinHash?: string | undefined;
  readonly mustChange?: boolean | undefined;
  /** For single sign-on; an empty one is none. Whoever the issuer meant by the one before is forgotten. */
  readonly email?: string | undefined;
}

export async function changePerson(sql: Sql, id: string, changes: AccountChanges): Promise<void> {
  await sql.query(
    `UPDATE person SET role = coalesce($3, role), active = coalesce($4, active),
            password_hash = coalesce($5, password_hash), pin_hash = coalesce($6, pin_hash),
            must_change = coalesce($7, must_change),
            password_until = CASE WHEN $5::text IS NULL THEN password_until
                                  ELSE ${until('coalesce($7, must_change)')} END,
            email = CASE WHEN $8::text IS NULL THEN email ELSE nullif(lower($8), '') END,
            subject = CASE WHEN $8::text IS NULL OR lower($8) = email THEN subject END
      WHERE shop_id = $1 AND person_id = $2`,
    [
      workingShop(),
      id,
      changes.role ?? null,
      changes.active ?? null,
      changes.passwordHash ?? null,
      changes.pinHash ?? null,
      changes.mustChange ?? null,
      changes.email ?? null,
    ],
  );
}

/** Until the transaction ends nobody else changes the shop's people. */
export async function lockPeople(sql: Sql): Promise<void> {
  await sql.query('SELECT 1 FROM person WHERE shop_id = $1 ORDER BY person_id FOR UPDATE', [workingShop()]);
}

/** Whether somebody else of the shop has this e-mail address. */
export async function isEmailTaken(sql: Sql, email: string, but: string): Promise<boolean> {
  const { rows } = await sql.query(
    'SELECT 1 FROM person WHERE shop_id = $1 AND email = lower($2) AND person_id <> $3',
    [workingShop(), email, but],
  );
  return rows.length > 0;
}

/** How many may still manage the people of the shop, one left out. */
export async function otherAdministrators(sql: Sql, id: string): Promise<number> {
  const { rows } = await sql.query<{ count: number }>(
    `SELECT count(*)::integer AS count FROM person
      WHERE shop_id = $1 AND role = 'administrator' AND active AND person_id <> $2`,
    [workingShop(), id],
  );
  return rows[0]!.count;
}

/** Ends every session of a person, on every device, and the keys that would open another. */
export async function endSessions(sql: Sql, person: string): Promise<number> {
  await endPairings(sql, person);
  const { rowCount } = await sql.query('DELETE FROM session WHERE shop_id = $1 AND person_id = $2', [
    workingShop(),
    person,
  ]);
  return rowCount ?? 0;
}

/** The sessions of a person that go on, the newest first. @param own The hash of the id of the one that asks. */
export async function openSessions(sql: Sql, person: string, own: Buffer): Promise<readonly OpenSessionView[]> {
  const { rows } = await sql.query<OpenSessionView>(
    `SELECT session_id AS id, data #>> '{signedIn,kind}' AS kind, ${isoTime('begun_at')} AS "begunAt",
            ${isoTime('expires_at')} AS "endsAt", address, data #>> '{signedIn,job}' AS job, id_hash = $3 AS "isThis"
       FROM session WHERE shop_id = $1 AND person_id = $2 AND expires_at > now() ORDER BY begun_at DESC LIMIT 100`,
    [workingShop(), person, own],
  );
  return rows;
}

/** Ends one session. @returns false where the person has none of that id. */
export async function endSession(sql: Sql, person: string, session: string): Promise<boolean> {
  const { rowCount } = await sql.query(
    'DELETE FROM session WHERE shop_id = $1 AND person_id = $2 AND session_id = $3',
    [workingShop(), person, session],
  );
  return rowCount === 1;
}
