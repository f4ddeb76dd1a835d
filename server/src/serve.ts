/** One serving process: answers until it is told to stop, then finishes what it has begun. */
import cluster from 'node:cluster';
import { readFileSync } from 'node:fs';
import { createServer as createHttpServer } from 'node:http';
import type { RequestListener, Server } from 'node:http';
import { createServer as createHttpsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import type { Logger } from 'pino';
import type { Config } from './config';
import { doHeavyWork, inThreads } from './platform/workers/heavy-work';
import { createApp } from './app';
import { InstrumentsOfFirst } from './instruments/live/across-processes';
import { LiveInstruments } from './instruments/live/live-instruments';
import { JobNewsFeed, together } from './job-store/job-news';
import { OpenStreams } from './platform/live/open-streams';
import { appAddress } from './platform/database/app-role';
import { Pool } from './platform/database/pool';
import { Primary } from './platform/database/primary';
import { WebhookSender } from './open-interface/webhook-sender';
import { PoolOfClusters } from './clusters/pool-of-clusters';

/** Requests that are still running get this long before the process ends without them. */
const GRACE_MS = 5000;
/** Exit status where the port is taken. */
export const PORT_TAKEN = 98;

/** What one connection may hold: headers, the time to send them, a request, an idle wait. */
const LIMITS = {
  maxHeaderSize: 16 * 1024,
  headersTimeout: 10_000,
  requestTimeout: 120_000, // a piece of a capture on a slow network
  keepAliveTimeout: 10_000,
} as const;

/** Whoever started this ends a process that has been silent for 10 s. */
export const ALIVE_EVERY_MS = 2000;

/** Whoever started this may be gone already: that is heard as a disconnect. */
const sayToStarter = (message: object): void => {
  if (process.connected) process.send?.(message, undefined, undefined, () => undefined);
};

const listener = ({ tls }: Config, app: RequestListener): Server =>
  tls
    ? createHttpsServer({ ...LIMITS, cert: readFileSync(tls.cert), key: readFileSync(tls.key) }, app)
    : createHttpServer(LIMITS, app);

/** Beside other processes the first one has the instruments. */
function instrumentsOfFirst(): InstrumentsOfFirst {
  const instruments = new InstrumentsOfFirst(sayToStarter);
  process.on('message', (message: unknown) => instruments.hear(message));
  return instruments;
}

export function serve(config: Config, log: Logger): void {
  const { databaseUrl, standbyUrl, clusters } = config;
  const primary = new Primary(databaseUrl, standbyUrl);
  const others = [...clusters].map(([name, { database, standby: second }]) => ({
    name,
    primary: new Primary(appAddress(database), second && appAddress(second)),
  }));
  const pool =
    others.length === 0
      ? new Pool(primary, log)
      : new PoolOfClusters(primary, log, new Map(others.map((other) => [other.name, new Pool(other.primary, log)])));
  const feeds = [primary, ...others.map((other) => other.primary)].map((one) => ({
    primary: one,
    feed: new JobNewsFeed(one, log),
  }));
  const feed = together(feeds.map((one) => one.feed));
  const senders = feeds.map(
    (one) => new WebhookSender(new Pool(one.primary, log), log, { toItself: config.tellsItself }),
  );
  const standby = standbyUrl ? new Pool(standbyUrl, log) : null;
  const streams = new OpenStreams();
  const instruments = cluster.isWorker ? instrumentsOfFirst() : new LiveInstruments();
  const server = listener(config, createApp({ ...config, pool, standby, feed, streams, instruments, log }));
  for (const one of feeds) void one.primary.find().then(() => one.feed.open());
  for (const sender of senders) sender.open();
  const heavy = inThreads(new URL('./worker.mjs', import.meta.url));
  doHeavyWork(heavy);

  server.on('error', (error: NodeJS.ErrnoException) => {
    log.fatal({ code: error.code }, error.message);
    process.exit(error.code === 'EADDRINUSE' ? PORT_TAKEN : 1);
  });
  server.listen(config.port, config.host, () => {
    const { port } = server.address() as AddressInfo;
    log.info({ port, host: config.host }, 'listening');
    sayToStarter({ listening: port });
    setInterval(() => sayToStarter({ alive: true }), ALIVE_EVERY_MS).unref();
  });

  let stopping = false;
  function stop(reason: string): void {
    if (stopping) return;
    stopping = true;
    log.info({ reason }, 'stopping');
    setTimeout(() => process.exit(0), GRACE_MS).unref();
    streams.endAll();
    instruments.closeAll();
    for (const sender of senders) sender.close();
    server.close(
      () =>
        void Promise.all([
          pool.end(),
          standby?.end(),
          ...feeds.map((one) => one.feed.close()),
          ...senders.map((one) => one.end()),
          heavy.close(),
        ]).finally(() => process.exit(0)),
    );
    server.closeIdleConnections();
  }
  process.on('SIGTERM', () => stop('SIGTERM'));
  process.on('SIGINT', () => stop('SIGINT'));
  process.on('disconnect', () => stop('the starting process is gone'));
  // it went while this file was being loaded
  if (process.send && !process.connected) stop('the starting process is gone');
}
