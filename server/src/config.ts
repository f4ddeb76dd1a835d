import { shopId } from '@tetrad/contracts';
import { createHmac } from 'node:crypto';
import type { StandIns } from './instruments/stand-ins/stand-in-addresses';
import { DEMO_DOORS } from './people/demo';
import type { DemoDoor } from './people/demo';
import type { SingleSignOnConfig } from './people/single-sign-on';
import { readClusters } from './clusters/clusters-file';
import type { Clusters } from './clusters/clusters-file';

/** What a server process is told by its environment. */
export interface Config {
  readonly databaseUrl: string;
  /** A second host that follows the first and may take its place; null where there is none. */
  readonly standbyUrl: string | null;
  /** The clusters that keep shops beside the first. */
  readonly clusters: Clusters;
  readonly standIns: StandIns;
  readonly port: number;
  readonly host: string;
  readonly clientFolder: string | null;
  readonly migrationsFolder: string;
  /** Folder of the package of the fonts that reports embed. */
  readonly fontsFolder: string;
  readonly logLevel: string;
  /** Signs the session cookie. */
  readonly sessionSecret: string;
  /** Names that this server is reached by, beside localhost and its own. */
  readonly names: readonly string[];
  readonly demoDoor: DemoDoor;
  /** The accounts that one shop has of its own; null where none has. */
  readonly singleSignOn: SingleSignOnConfig | null;
  readonly requestsASecond: number;
  /** Serving processes behind the port. */
  readonly processes: number;
  /** Files of certificate and key; null to serve plain HTTP. */
  readonly tls: { readonly cert: string; readonly key: string } | null;
  /** Where backups are made by schedule; null where they are not. */
  readonly backupsFolder: string | null;
  /** Whether webhooks may be addresses of this machine itself. */
  readonly tellsItself: boolean;
}

export const DEFAULT_FONTS = 'node_modules/source-sans';

/** Where none is told: made from the database's password, so that all processes on one database have the same. */
const secretOf = (databaseUrl: string): string =>
  createHmac('sha256', new URL(databaseUrl).password).update('session cookie').digest('base64url');

const SINGLE_SIGN_ON = ['TETRAD_OIDC_ISSUER', 'TETRAD_OIDC_CLIENT', 'TETRAD_OIDC_SECRET', 'TETRAD_OIDC_SHOP'] as const;

function singleSignOnOf(env: NodeJS.ProcessEnv): SingleSignOnConfig | null {
  const [issuer, clientId, clientSecret, shop] = SINGLE_SIGN_ON.map((name) => env[name]);
  if (!issuer && !clientId && !clientSecret && !shop) return null;
  if (!issuer || !clientId || !clientSecret || !shop)
    throw new Error(
      `${SINGLE_SIGN_ON.join(', ')} belong together; not set: ${SINGLE_SIGN_ON.filter((name) => !env[name]).join(', ')}`,
    );
  if (!URL.canParse(issuer) || !/^https?:/.test(issuer))
    throw new Error(`TETRAD_OIDC_ISSUER is ${issuer}: it must be an address that begins with https://`);
  return { issuer, clientId, clientSecret, shop: shopId(shop) };
}

/** More on one machine than any has use for. */
const MAX_PROCESSES = 32;

function tlsOf(env: NodeJS.ProcessEnv): Config['tls'] {
  const [cert, key] = [env['TETRAD_TLS_CERT'], env['TETRAD_TLS_KEY']];
  if (!cert && !key) return null;
  if (!cert || !key) throw new Error('TETRAD_TLS_CERT and TETRAD_TLS_KEY belong together: one of them is not set');
  return { cert, key };
}

/** @throws Error that names the variable, what it holds and what is allowed. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env['TETRAD_DATABASE_URL'];
  if (!databaseUrl)
    throw new Error('TETRAD_DATABASE_URL is not set: it must be the address of a PostgreSQL 15 or newer');
  const port = Number(env['TETRAD_PORT'] ?? 4300);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`TETRAD_PORT is ${env['TETRAD_PORT']}: it must be a whole number from 0 to 65535`);
  const door = env['TETRAD_DEMO_DOOR'] ?? 'closed';
  const demoDoor = DEMO_DOORS.find((known) => known === door);
  if (!demoDoor) throw new Error(`TETRAD_DEMO_DOOR is ${door}: it must be one of ${DEMO_DOORS.join(', ')}`);
  const requestsASecond = Number(env['TETRAD_REQUESTS_A_SECOND'] ?? 300);
  if (!Number.isInteger(requestsASecond) || requestsASecond < 1)
    throw new Error(`TETRAD_REQUESTS_A_SECOND is ${env['TETRAD_REQUESTS_A_SECOND']}: it must be a whole number from 1`);
  const processes = Number(env['TETRAD_PROCESSES'] ?? 1);
  if (!Number.isInteger(processes) || processes < 1 || processes > MAX_PROCESSES)
    throw new Error(
      `TETRAD_PROCESSES is ${env['TETRAD_PROCESSES']}: it must be a whole number from 1 to ${MAX_PROCESSES}`,
    );
  return {
    databaseUrl,
    standbyUrl: env['TETRAD_STANDBY_URL'] || null,
    clusters: env['TETRAD_CLUSTERS_FILE'] ? readClusters(env['TETRAD_CLUSTERS_FILE']) : new Map(),
    standIns: JSON.parse(env['TETRAD_STAND_INS'] || '{}') as StandIns,
    sessionSecret: env['TETRAD_SESSION_SECRET'] ?? secretOf(databaseUrl),
    names: (env['TETRAD_NAMES'] ?? '').split(',').filter(Boolean),
    demoDoor,
    singleSignOn: singleSignOnOf(env),
    requestsASecond,
    processes,
    tls: tlsOf(env),
    backupsFolder: env['TETRAD_BACKUPS'] ?? null,
    tellsItself: env['TETRAD_WEBHOOKS_TO_ITSELF'] === '1',
    port,
    host: env['TETRAD_HOST'] ?? '127.0.0.1',
    clientFolder: env['TETRAD_CLIENT'] ?? null,
    migrationsFolder: env['TETRAD_MIGRATIONS'] ?? 'server/src/platform/database/migrations',
    fontsFolder: env['TETRAD_FONTS'] ?? DEFAULT_FONTS,
    logLevel: env['TETRAD_LOG_LEVEL'] ?? 'info',
  };
}
