/** The role that server processes work as: it owns nothing, and row-level security holds for it. */
import { createHmac } from 'node:crypto';
import pg from 'pg';

export const APP_ROLE = 'tetrad_app';

/** SQLSTATE of what two processes that make the role at once can see. */
const MADE_MEANWHILE = new Set(['42710', '23505', 'XX000']);

/**
 * The address that server processes use, from the owner's: the same database, the application's role, and a password
 * made from the owner's, so that every host that knows the one finds the other.
 *
 * @throws Error where the owner's address has no password to make one from.
 */
export function appAddress(ownerUrl: string): string {
  const address = new URL(ownerUrl);
  if (address.password === '')
    throw new Error('the address of the database has no password, from which that of the application’s role is made');
  const password = createHmac('sha256', decodeURIComponent(address.password)).update(APP_ROLE).digest('base64url');
  address.username = APP_ROLE;
  address.password = password;
  return address.toString();
}

/** Makes the application's role where it is not there, or where its password is another. */
export async function ensureAppRole(ownerUrl: string): Promise<void> {
  const address = appAddress(ownerUrl);
  if (await canConnect(address)) return;
  const owner = new pg.Client({ connectionString: ownerUrl });
  await owner.connect();
  try {
    await owner
      .query(`CREATE ROLE ${APP_ROLE} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS`)
      .catch(ignoreMade);
    const password = owner.escapeLiteral(new URL(address).password);
    await owner.query(`ALTER ROLE ${APP_ROLE} PASSWORD ${password}`).catch(ignoreMade);
  } finally {
    await owner.end();
  }
}

function ignoreMade(error: unknown): void {
  if (!MADE_MEANWHILE.has((error as { code?: string }).code ?? '')) throw error;
}

async function canConnect(address: string): Promise<boolean> {
  const client = new pg.Client({ connectionString: address });
  try {
    await client.connect();
    return true;
  } catch (error) {
    if (/^28/.test((error as { code?: string }).code ?? '')) return false;
    throw error;
  } finally {
    await client.end().catch(() => undefined);
  }
}
