/** Writes to the database of its own host without a pause, knowing of no other, and prints what was acknowledged. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';

const [address] = process.argv.slice(2);
const PAUSE_MS = 100;
for (;;) {
  const client = new pg.Client({ connectionString: address, connectionTimeoutMillis: 1000 });
  client.on('error', () => undefined);
  try {
    await client.connect();
    for (;;) {
      const id = randomUUID();
      await client.query('INSERT INTO direct_write VALUES ($1)', [id]);
      process.stdout.write(`${id}\n`);
      await wait(PAUSE_MS);
    }
  } catch {
    await client.end().catch(() => undefined);
    await wait(PAUSE_MS); // a standby, or none
  }
}
