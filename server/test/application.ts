/** A whole application on a database of its own, for one test file. */
import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import pg from 'pg';
import pino from 'pino';
import { DEFAULT_FONTS } from '../src/config';
import { createApp } from '../src/http/app';
import type { Streams } from '../src/http/routes/live';
import { JobNewsFeed } from '../src/live/job-news';
import { migrate } from '../src/sql/migrate';
import { openPool } from '../src/sql/pool';
import type { Pool } from '../src/sql/pool';
import { addShop } from '../src/sql/shops';

export interface Answer {
  readonly status: number;
  readonly type: string;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- answers are looked into freely by tests
  readonly body: any;
}

export interface Application {
  readonly pool: Pool;
  readonly url: string;
  ask(method: string, path: string, body?: unknown): Promise<Answer>;
  close(): Promise<void>;
}

export const MIGRATIONS = 'server/src/sql/migrations';
const log = pino({ level: 'silent' });

export async function newDatabase(): Promise<string> {
  const admin = new pg.Client({ connectionString: process.env['TETRAD_TEST_CLUSTER']! });
  await admin.connect();
  const name = `t_${randomUUID().replaceAll('-', '')}`;
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.end();
  return process.env['TETRAD_TEST_CLUSTER']!.replace(/\/postgres$/, `/${name}`);
}

/** Starts an application with two shops, `one` and `two`. */
export async function startApplication(databaseUrl?: string): Promise<Application> {
  const database = databaseUrl ?? (await newDatabase());
  const pool = openPool(database, log);
  const feed = new JobNewsFeed(database, log);
  const streams: Streams = new Set();
  await migrate(pool, MIGRATIONS);
  await addShop(pool, { id: 'one', name: 'Shop one' });
  await addShop(pool, { id: 'two', name: 'Shop two' });
  await feed.open();
  const server: Server = createServer(
    createApp({ pool, feed, streams, fontsFolder: DEFAULT_FONTS, log, clientFolder: null }),
  );
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    pool,
    url,
    async ask(method, path, body) {
      const response = await fetch(url + path, {
        method,
        ...(body !== undefined && {
          headers: { 'content-type': 'application/json' },
          body: typeof body === 'string' ? body : JSON.stringify(body),
        }),
      });
      const text = await response.text();
      const type = response.headers.get('content-type') ?? '';
      return { status: response.status, type, body: text && /json/.test(type) ? JSON.parse(text) : text };
    },
    async close() {
      for (const stream of [...streams]) stream.end();
      await feed.close();
      const closed = new Promise((resolve) => server.close(resolve));
      server.closeAllConnections();
      await closed;
      await pool.end();
    },
  };
}

/** A body that opens a job. */
export const jobBody = (id: string = randomUUID()) => ({
  id,
  vehicle: { id: randomUUID(), name: 'Test van 1.8 petrol', plate: 'TV-1' },
  system: { nominalVolts: 12, battery: { chemistry: 'flooded', rating: { value: 560, standard: 'SAE' } } },
  complaint: { symptoms: ['slow-crank'] },
});

/** A body that adds a reading. */
export const readingBody = (test: string, value: number | null, more: object = {}) => ({
  reading: { id: randomUUID(), test, value, ...more },
});
