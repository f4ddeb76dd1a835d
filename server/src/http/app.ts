import { join } from 'node:path';
import compression from 'compression';
import express from 'express';
import type { Express, RequestHandler } from 'express';
import { pinoHttp } from 'pino-http';
import type { Logger } from 'pino';
import { captureRoutes } from '../captures/capture-routes';
import { instrumentRoutes } from '../instruments/instrument-routes';
import type { JobNewsFeed } from '../live/job-news';
import { listShops } from '../sql/shops';
import type { Pool } from '../sql/pool';
import { onError, sendProblem } from './on-error';
import { notFound, problem } from './problem';
import { caseRoutes } from './routes/cases';
import { jobRoutes } from './routes/jobs';
import { liveRoutes } from './routes/live';
import type { Streams } from './routes/live';
import { readingRoutes } from './routes/readings';
import { reportRoutes } from './routes/reports';
import { signOffRoutes } from './routes/sign-offs';
import { timerRoutes } from './routes/timers';
import { security } from './security';

export interface AppOptions {
  readonly pool: Pool;
  /** News of jobs, from whichever process changed them. */
  readonly feed: JobNewsFeed;
  /** Filled with the event streams that are open. */
  readonly streams: Streams;
  /** Folder of the fonts that reports embed. */
  readonly fontsFolder: string;
  readonly log: Logger;
  /** Folder of the built client, or null to serve the API alone. */
  readonly clientFolder: string | null;
}

const BODY_LIMIT = '1mb';
const YEAR_S = 31_536_000;

/** The whole HTTP application; it holds no state of its own but its open streams. */
export function createApp({ pool, feed, streams, fontsFolder, log, clientFolder }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: ({ url = '' }) => !url.startsWith('/api/') || url === '/api/health' },
    }),
  );
  app.use(security(), compression({ filter: isNoStream }));
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });

  app.get('/api/health', async (_request, response) => {
    await pool.query('SELECT 1');
    response.json({ status: 'ok' });
  });
  // what time it is here: devices count by this clock, not by their own
  app.get('/api/clock', (_request, response) => {
    response.json({ now: Date.now() });
  });
  app.get('/api/shops', async (_request, response) => {
    response.json(await listShops(pool));
  });
  const shopRouter = express.Router({ mergeParams: true });
  shopRouter.use(
    express.json({ limit: BODY_LIMIT, type: ['application/json', 'application/*+json'] }),
    knownShop(pool),
  );
  shopRouter.use(
    liveRoutes(pool, feed, streams),
    caseRoutes(pool),
    jobRoutes(pool),
    instrumentRoutes(pool),
    captureRoutes(pool),
  );
  shopRouter.use(
    '/jobs/:job',
    readingRoutes(pool),
    timerRoutes(pool),
    signOffRoutes(pool),
    reportRoutes(pool, fontsFolder),
  );
  app.use('/api/shops/:shop', shopRouter);
  app.use('/api', (request, response) => {
    sendProblem(
      response,
      problem(404, 'no-such-address', `${request.method} ${request.originalUrl} is no address of this server.`),
    );
  });

  if (clientFolder !== null) serveClient(app, clientFolder);
  app.use(onError);
  return app;
}

/** An event stream must not wait in a compressor's buffer, and a recorded file tells its length. */
const isNoStream: compression.CompressionFilter = (request, response) =>
  !/event-stream|octet-stream/.test(String(response.getHeader('Content-Type'))) &&
  compression.filter(request, response);

const knownShop =
  (pool: Pool): RequestHandler =>
  async (request, _response, next) => {
    const id = String((request.params as Record<string, string>)['shop']);
    const { rowCount } = await pool.query('SELECT 1 FROM shop WHERE shop_id = $1', [id]);
    if (rowCount === 0) throw notFound('shop', id);
    next();
  };

/** Built files are named by their content and kept for a year; the page itself is asked for every time. */
function serveClient(app: Express, folder: string): void {
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) =>
        response.setHeader(
          'Cache-Control',
          /-[A-Z0-9]{8}\.\w+$/.test(path) ? `public, max-age=${YEAR_S}, immutable` : 'no-cache',
        ),
    }),
  );
  app.get('/{*splat}', (request, response, next) => {
    if (!request.accepts('html') || /\.\w+$/.test(request.path)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(folder, 'index.html'));
  });
  app.use((request, response) => {
    sendProblem(response, problem(404, 'no-such-address', `${request.path} is not here.`));
  });
}
