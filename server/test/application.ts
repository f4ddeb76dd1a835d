/** A whole application on a database of its own, for one test file. */
import { shopId } from '@tetrad/contracts';
import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { Role } from '@tetrad/contracts';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Express } from 'express';
import pg from 'pg';
import pino from 'pino';
import { DEFAULT_FONTS } from '../src/config';
import { createApp } from '../src/app';
import type { AppOptions } from '../src/app';
import { JobNewsFeed } from '../src/job-store/job-news';
import { OpenStreams } from '../src/platform/live/open-streams';
import { addPerson, personNamed } from '../src/people/people.sql';
import { hashSecret } from '../src/people/secrets';
import { appAddress } from '../src/platform/database/app-role';
import { Pool } from '../src/platform/database/pool';
import { addShop } from '../src/shops/shops.sql';
import { inShop } from '../src/platform/database/working-shop';
import { migrated, newDatabase, template } from './databases';

export interface Answer {
  readonly status: number;
  readonly type: string;
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- answers are looked into freely by tests
  readonly body: any;
}

export interface Application {
  /** As the application's role. */
  readonly pool: Pool;
  /** As the owner of the tables, who sees every shop. */
  readonly owner: pg.Pool;
  readonly ownerUrl: string;
  readonly url: string;
  readonly express: Express;
  /** The event streams that are open. */
  readonly streams: OpenStreams;
  /** The cookie of a new session. */
  signIn(shop: string, name: string, password?: string): Promise<string>;
  /** The cookie of the administrator of the shop that an address names. */
  cookieFor(path: string): string;
  /** Asks as the administrator of the shop that the address names, or with another cookie. */
  ask(method: string, path: string, body?: unknown, cookie?: string): Promise<Answer>;
  close(): Promise<void>;
}

const log = pino({ level: 'silent' });

export const PASSWORD = 'correct horse battery';

/** Adds a person who signs in with `PASSWORD`. */
export const addMember = (pool: Pool, named: string, name: string, role: Role): Promise<string> =>
  inShop(shopId(named), async () => {
    const id = randomUUID();
    passwordHash ??= hashSecret(PASSWORD);
    await addPerson(pool, { id, name, role, passwordHash: await passwordHash, mustChange: false });
    return id;
  });
let passwordHash: Promise<string> | null = null;

/** Brings a database up to date, and adds the two shops with their administrator where they are not there. */
async function prepare(owner: string): Promise<void> {
  const pool = new Pool(owner, log, { isPatient: true });
  await migrated(owner);
  for (const id of [shopId('one'), shopId('two')])
    await inShop(id, async () => {
      await addShop(pool, { id, name: `Shop ${id}` });
      if (!(await personNamed(pool, 'Ada'))) await addMember(pool, id, 'Ada', 'administrator');
    });
  await pool.end();
}

/** Starts an application with two shops, `one` and `two`; in each an administrator, `Ada`, is signed in. */
export async function startApplication(databaseUrl?: string, more: Partial<AppOptions> = {}): Promise<Application> {
  const owner = databaseUrl ?? (await newDatabase(await template('shops', prepare)));
  if (databaseUrl !== undefined) await prepare(databaseUrl);
  const database = appAddress(owner);
  const admin = new pg.Pool({ connectionString: owner, max: 2 });
  admin.on('error', () => undefined);
  const pool = new Pool(database, log);
  const feed = new JobNewsFeed(database, log);
  const streams = new OpenStreams();
  await feed.open();
  const express = createApp({
    pool,
    feed,
    streams,
    fontsFolder: DEFAULT_FONTS,
    log,
    clientFolder: null,
    sessionSecret: 'a secret of the tests',
    requestsASecond: 10_000,
    ...more,
  });
  // a test may think for longer than a server waits, and then ask by a connection that has just been closed
  const server: Server = createServer({ keepAliveTimeout: 0 }, express);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const signIn = async (shop: string, name: string, password = PASSWORD): Promise<string> => {
    const response = await fetch(`${url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ shop, name, password }),
    });
    return response.headers.getSetCookie()[0]?.split(';')[0] ?? '';
  };
  const cookies: Record<string, string> = { one: await signIn('one', 'Ada'), two: await signIn('two', 'Ada') };
  const cookieFor = (path: string): string => cookies[/^\/api\/shops\/two\b/.test(path) ? 'two' : 'one']!;
  return {
    pool,
    owner: admin,
    ownerUrl: owner,
    url,
    streams,
    express,
    signIn,
    cookieFor,
    async ask(method, path, body, cookie = cookieFor(path)) {
      const response = await fetch(url + path, {
        method,
        headers: { cookie, ...(body !== undefined && { 'content-type': 'application/json' }) },
        ...(body !== undefined && {
          body: typeof body === 'string' ? body : JSON.stringify(body),
        }),
      });
      const text = await response.text();
      const type = response.headers.get('content-type') ?? '';
      return { status: response.status, type, body: text && /json/.test(type) ? JSON.parse(text) : text };
    },
    async close() {
      streams.endAll();
      await feed.close();
      const closed = new Promise((resolve) => server.close(resolve));
      server.closeAllConnections();
      await closed;
      await pool.end();
      await admin.end();
    },
  };
}

/** A page of a list, and where the next one begins. */
export async function pageOf<Row>(app: Application, address: string, cookie = app.cookieFor(address)) {
  const response = await fetch(app.url + address, { headers: { cookie } });
  const next = /<([^>]+)>; rel="next"/.exec(response.headers.get('link') ?? '')?.[1] ?? null;
  return { rows: (await response.json()) as Row[], next };
}

/** The rows of every page of a list, from this one on. */
export async function pagesOf<Row>(app: Application, first: string): Promise<Row[][]> {
  const all: Row[][] = [];
  for (let address: string | null = first; address !== null;) {
    const { rows, next }: { rows: Row[]; next: string | null } = await pageOf<Row>(app, address);
    all.push(rows);
    address = next;
  }
  return all;
}

export { jobBody, readingBody } from './made-bodies';
