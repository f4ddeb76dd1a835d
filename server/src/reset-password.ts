/** `NAME [--shop ID]`: gives somebody a new one-time password, prints it as JSON, and ends their sessions. */
import { shopId } from '@tetrad/contracts';
import type { ShopId } from '@tetrad/contracts';
import { parseArgs } from 'node:util';
import pino from 'pino';
import { addAuditEntry } from './audit-log/audit-log.sql';
import { readConfig } from './config';
import { forgetAttempts } from './people/attempts';
import { changePerson, endSessions, personNamed } from './people/people.sql';
import { hashSecret, oneTimePassword } from './people/secrets';
import { assertUpToDate } from './platform/database/up-to-date';
import { Pool, inTransaction } from './platform/database/pool';
import { listShops } from './shops/shops.sql';
import { inShop } from './platform/database/working-shop';

const { positionals, values } = parseArgs({ allowPositionals: true, options: { shop: { type: 'string' } } });
const [name = ''] = positionals;
const config = readConfig(process.env);
const pool = new Pool(config.databaseUrl, pino({ level: 'error' }), { isPatient: true });

async function shopOf(named: string | undefined): Promise<ShopId> {
  const shops: readonly string[] = (await listShops(pool)).map(({ id }) => id);
  if (named !== undefined && !shops.includes(named))
    throw new Error(`there is no shop ${named}; known are ${shops.join(', ') || 'none'}`);
  if (named === undefined && shops.length !== 1)
    throw new Error(`name the shop with --shop; known are ${shops.join(', ') || 'none'}`);
  return shopId(named ?? shops[0]!);
}

async function reset(shop: ShopId): Promise<object> {
  const person = await personNamed(pool, name);
  if (!person) throw new Error(`the shop ${shop} has nobody called ${name}`);
  if (!person.active) throw new Error(`${person.name} is deactivated: an administrator must reactivate them first`);
  const password = oneTimePassword();
  const passwordHash = await hashSecret(password);
  await inTransaction(pool, async (sql) => {
    await changePerson(sql, person.id, { passwordHash, mustChange: true });
    await endSessions(sql, person.id);
    await forgetAttempts(sql, person.id);
    await addAuditEntry(sql, {
      what: 'password-reset',
      person: null,
      from: null,
      about: person.id,
      detail: { by: 'command line' },
    });
  });
  return { shop, name: person.name, oneTimePassword: password };
}

try {
  await assertUpToDate(pool, config.migrationsFolder);
  const shop = await shopOf(values.shop);
  process.stdout.write(JSON.stringify(await inShop(shop, () => reset(shop))));
} catch (error) {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = 1;
} finally {
  await pool.end();
}
