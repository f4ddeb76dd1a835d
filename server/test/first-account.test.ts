/** The first account: made once, in a database that never had a shop, and given another password until it is used. */
import pino from 'pino';
import { firstShop } from '../src/people/first-shop';
import { ensureAppRole } from '../src/platform/database/app-role';
import { migrate } from '../src/platform/database/migrate';
import { Pool } from '../src/platform/database/pool';
import { startApplication } from './application';
import { MIGRATIONS, newDatabase } from './databases';

async function emptyDatabase(): Promise<{ pool: Pool; address: string }> {
  const address = await newDatabase();
  await ensureAppRole(address);
  const pool = new Pool(address, pino({ level: 'silent' }), { isPatient: true });
  await migrate(pool, MIGRATIONS);
  return { pool, address };
}

it('whoever never saw the first password, or lost it before using it, is given another; then never again', async () => {
  const { pool, address } = await emptyDatabase();
  const lost = (await firstShop(pool))!;
  const found = (await firstShop(pool))!;
  expect(found).toMatchObject({ shop: 'workshop', name: 'Administrator' });
  expect(found.oneTimePassword).not.toBe(lost.oneTimePassword);
  const app = await startApplication(address);
  try {
    expect(await app.signIn('workshop', 'Administrator', lost.oneTimePassword)).toBe('');
    const cookie = await app.signIn('workshop', 'Administrator', found.oneTimePassword);
    const secrets = { password: found.oneTimePassword, newPassword: 'a password of my own' };
    expect((await app.ask('PUT', '/api/session/secrets', secrets, cookie)).status).toBe(200);
    expect(await firstShop(pool)).toBeNull();
    expect(await app.signIn('workshop', 'Administrator', 'a password of my own')).not.toBe('');
  } finally {
    await app.close();
    await pool.end();
  }
}, 30_000);

it('a database that has other shops, as a restored one, is given neither shop nor account', async () => {
  const { pool, address } = await emptyDatabase();
  const app = await startApplication(address); // with the shops one and two
  try {
    expect(await firstShop(pool)).toBeNull();
    const { rows } = await app.owner.query('SELECT shop_id FROM shop ORDER BY shop_id');
    expect(rows.map((row) => row.shop_id)).toEqual(['one', 'two']);
  } finally {
    await app.close();
    await pool.end();
  }
}, 30_000);
