import { join } from 'node:path';
import { constants } from 'node:zlib';
import compression from 'compression';
import express from 'express';
import type { Express } from 'express';
import type { Logger } from 'pino';
import { apiKeyRoutes } from './open-interface/api-key-routes';
import { byKeyOr } from './open-interface/by-key';
import { openApiRoute } from './open-interface/open-api-route';
import { webhookRoutes } from './open-interface/webhook-routes';
import { acknowledgementRoutes } from './jobs/acknowledgement-routes';
import { captureRoutes } from './jobs/captures/capture-routes';
import { auditLogRoutes } from './audit-log/audit-log-routes';
import { instrumentRoutes } from './instruments/instrument-routes';
import { LiveInstruments } from './instruments/live/live-instruments';
import type { InstrumentWatching } from './instruments/live/live-instruments';
import type { StandIns } from './instruments/stand-ins/stand-in-addresses';
import { liveInstrumentRoute } from './instruments/live/live-route';
import { recordingRoute } from './instruments/live/recording-route';
import { simulatedHandsRoute } from './instruments/live/simulated-hands-route';
import type { JobNewsSource } from './job-store/job-news';
import type { OpenStreams } from './platform/live/open-streams';
import { backupRoutes } from './operations/backups';
import { criteriaRoutes } from './criteria/criteria-routes';
import { clockRoute } from './operations/clock';
import { healthRoutes } from './operations/health';
import { metrics } from './operations/metrics';
import type { DemoDoor } from './people/demo';
import { pairingRoutes } from './jobs/pairing-routes';
import { roundCheckRoutes } from './rounds/check-routes';
import { roundRoutes } from './rounds/round-routes';
import { sheetRoutes } from './rounds/sheet-routes';
import { makerFiguresRoutes } from './maker-figures/maker-figures-routes';
import { jobOutcomeRoutes } from './jobs/outcome-routes';
import { outcomesRoute } from './outcomes/outcomes-route';
import { practiceRoutes } from './practice/practice-routes';
import { peopleRoutes } from './people/people-routes';
import { sessionListRoutes } from './people/session-list-routes';
import { shopRoutes } from './settings/shop-routes';
import { sessionRoutes } from './people/session-routes';
import { sessions } from './people/sessions';
import { SingleSignOn } from './people/single-sign-on';
import type { SingleSignOnConfig } from './people/single-sign-on';
import { singleSignOnRoutes } from './people/single-sign-on-routes';
import { ownShop } from './people/who';
import { serverRouter, shopRouter } from './register-operations';
import { addAuditEntry } from './audit-log/audit-log.sql';
import { LeftOutRows } from './platform/left-out-rows';
import { noteWhatIsStored } from './platform/database/what-is-stored';
import { ReadReplica } from './platform/database/read-replica';
import type { Pool } from './platform/database/pool';
import { ownHost, ownPages, pace, paceOfSession } from './platform/http/request-guards';
import { FairQueue } from './platform/workers/fair-queue';
import { onError, sendProblem } from './platform/http/on-error';
import { noSuchAddress, problem } from './platform/http/problem';
import { requestLog } from './platform/http/request-log';
import { caseRoutes } from './jobs/case-routes';
import { floorRoutes } from './jobs/floor-routes';
import { jobRoutes } from './jobs/job-routes';
import { judgementRoutes } from './jobs/judgement-routes';
import { vehicleImportRoutes } from './fleet/import-routes';
import { vehicleRoutes } from './fleet/vehicle-routes';
import { liveRoutes } from './jobs/live-routes';
import { evidenceRoutes } from './jobs/evidence-routes';
import { reportRoutes } from './reports/report-routes';
import { signOffRoutes } from './jobs/sign-off-routes';
import { timerRoutes } from './jobs/timer-routes';
import { security, stayOnTls } from './platform/http/security';

export interface AppOptions {
  readonly pool: Pool;
  /** A host that follows the database's; lists are read from it where it is not behind. */
  readonly standby?: Pool | null;
  /** News of jobs, from whichever process changed them. */
  readonly feed: JobNewsSource;
  /** Filled with the event streams that are open. */
  readonly streams: OpenStreams;
  /** Folder of the fonts that reports embed. */
  readonly fontsFolder: string;
  readonly log: Logger;
  /** Signs the session cookie; the same for all processes on one database. */
  readonly sessionSecret: string;
  /** Names that this server is reached by, beside localhost and its own. */
  readonly names?: readonly string[];
  /** Where the demo lets people in without a password. */
  readonly demoDoor?: DemoDoor;
  /** The accounts that one shop has of its own; null where none has. */
  readonly singleSignOn?: SingleSignOnConfig | null;
  /** Where backups are made by schedule; null where they are not. */
  readonly backupsFolder?: string | null;
  /** The instruments that this process reads live. */
  readonly instruments?: InstrumentWatching;
  readonly standIns?: StandIns;
  /** Requests that one address may make in a second. */
  readonly requestsASecond: number;
  /** Folder of the built client, or null to serve the API alone. */
  readonly clientFolder: string | null;
}

const YEAR_S = 31_536_000;
/** Below it an answer is sent as it is, bytes: in a workshop's own network it is there sooner than it is compressed. */
const WORTH_SQUEEZING = 32 * 1024;

/** The whole HTTP application; it holds no state of its own but its open streams. */
export function createApp(options: AppOptions): Express {
  const { pool, feed, streams, fontsFolder, log, clientFolder, sessionSecret } = options;
  const { names = [], demoDoor = 'closed', requestsASecond, backupsFolder = null, standIns = {} } = options;
  const singleSignOn = options.singleSignOn ? new SingleSignOn(options.singleSignOn) : null;
  const lists = options.standby ? new ReadReplica(pool, options.standby) : pool;
  const app = express();
  app.disable('x-powered-by');
  app.disable('etag'); // answers are never kept
  app.set('trust proxy', 'loopback'); // TLS may end before us, on this machine
  const leftOut = new LeftOutRows(({ list, id, problem: why }) => {
    log.warn({ list, id, problem: why }, 'a row cannot be told and is left out of its list');
    const entry = {
      what: 'row-left-out',
      person: null,
      from: null,
      about: id,
      detail: { list, problem: why },
    } as const;
    void addAuditEntry(pool, entry).catch((error: unknown) =>
      log.error({ error, id }, 'a row left out is not in the audit log'),
    );
  });
  const figures = metrics(pool, { streams, leftOut }, lists instanceof ReadReplica ? lists : null);
  app.use(figures.time, noteWhatIsStored);
  app.use(requestLog(log));
  app.use(security(), stayOnTls, ownHost(names));
  // answers are made anew each time, files of the page once
  const squeezed = compression({ filter: isNoStream, level: constants.Z_BEST_SPEED, threshold: WORTH_SQUEEZING });
  app.use('/api', squeezed, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });

  const ofServer = {
    ...healthRoutes(pool),
    ...openApiRoute(),
    ...clockRoute(),
    ...sessionRoutes({ pool, door: demoDoor, singleSignOnShop: singleSignOn?.shop ?? null }),
  };
  app.use(figures.routes, serverRouter('open', ofServer));
  app.use('/api', pace(requestsASecond), ownPages, byKeyOr(pool, sessions(pool, sessionSecret)));
  app.use('/api', paceOfSession(requestsASecond));
  if (singleSignOn) app.use('/api/session/oidc', singleSignOnRoutes(pool, singleSignOn, sessionSecret));
  app.use(serverRouter('session', ofServer));

  // what looks through a whole shop leaves the database to others: one of a shop at a time
  const wholeShop = new FairQueue({ atOnce: 2, atOnceOfOne: 1, maxWaiting: 100, maxWaitingOfOne: 30 });
  const ofShop = {
    ...liveRoutes(pool, feed, streams),
    ...caseRoutes(pool),
    ...floorRoutes(lists, leftOut),
    ...vehicleRoutes(pool, lists, leftOut),
    ...vehicleImportRoutes(pool),
    ...roundRoutes(pool, lists, wholeShop),
    ...roundCheckRoutes(pool),
    ...sheetRoutes(pool, lists, fontsFolder, wholeShop),
    ...jobRoutes(pool),
    ...judgementRoutes(pool),
    ...instrumentRoutes(pool, leftOut, standIns),
    ...simulatedHandsRoute(standIns),
    ...recordingRoute(pool),
    ...liveInstrumentRoute(pool, options.instruments ?? new LiveInstruments(), streams),
    ...captureRoutes(pool, leftOut),
    ...peopleRoutes(pool, sessionSecret),
    ...practiceRoutes(pool),
    ...sessionListRoutes(pool),
    ...shopRoutes(pool, { mayReadItself: Object.keys(standIns).length > 0 || demoDoor !== 'closed' }),
    ...auditLogRoutes(pool),
    ...backupRoutes(backupsFolder),
    ...apiKeyRoutes(pool, sessionSecret),
    ...webhookRoutes(pool),
    ...criteriaRoutes(pool, lists),
    ...outcomesRoute(pool, lists, wholeShop),
    ...makerFiguresRoutes(pool, lists),
    ...evidenceRoutes(pool),
    ...timerRoutes(pool),
    ...acknowledgementRoutes(pool),
    ...signOffRoutes(pool),
    ...jobOutcomeRoutes(pool),
    ...reportRoutes(pool, fontsFolder),
    ...pairingRoutes(pool, sessionSecret),
  };
  app.use('/api/shops/:shop', ownShop, shopRouter(ofShop));
  app.use('/api', (request, response) => {
    sendProblem(response, noSuchAddress(request));
  });

  if (clientFolder !== null) {
    app.use(compression());
    serveClient(app, clientFolder);
  }
  app.use(onError);
  return app;
}

/** An event stream must not wait in a compressor's buffer, and a recorded file tells its length. */
const isNoStream: compression.CompressionFilter = (request, response) =>
  !/event-stream|octet-stream|ndjson/.test(String(response.getHeader('Content-Type'))) &&
  compression.filter(request, response);

/** Headers that mean something for a document or a worker, and nothing for a script, a style or a font. */
const DOCUMENT_HEADERS = [
  'Content-Security-Policy',
  'Cross-Origin-Opener-Policy',
  'Origin-Agent-Cluster',
  'X-DNS-Prefetch-Control',
  'X-Download-Options',
  'X-Frame-Options',
  'X-Permitted-Cross-Domain-Policies',
] as const;

/** A file that is named by its content; a worker is one too, and has a policy of its own. */
const isBuiltFile = (path: string): boolean => /-[A-Z0-9]{8}\.\w+$/.test(path);
const isWorker = (path: string): boolean => /(^|[\\/])(worker|ngsw)[^\\/]*\.js$/.test(path);

/** Built files are named by their content and kept for a year; the page itself is asked for every time. */
function serveClient(app: Express, folder: string): void {
  app.use(
    express.static(folder, {
      index: false,
      setHeaders: (response, path) => {
        const isBuilt = isBuiltFile(path);
        response.setHeader('Cache-Control', isBuilt ? `public, max-age=${YEAR_S}, immutable` : 'no-cache');
        // the first screen is some fifty files: each would bring a kilobyte of them along
        if (isBuilt && !isWorker(path)) for (const name of DOCUMENT_HEADERS) response.removeHeader(name);
      },
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
