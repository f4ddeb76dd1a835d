/** What a server process is told by its environment. */
export interface Config {
  readonly databaseUrl: string;
  readonly port: number;
  readonly host: string;
  readonly clientFolder: string | null;
  readonly migrationsFolder: string;
  /** Folder of the package of the fonts that reports embed. */
  readonly fontsFolder: string;
  readonly logLevel: string;
}

export const DEFAULT_FONTS = 'node_modules/@expo-google-fonts/source-sans-3';

/** @throws Error that names the variable, what it holds and what is allowed. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const databaseUrl = env['TETRAD_DATABASE_URL'];
  if (!databaseUrl)
    throw new Error('TETRAD_DATABASE_URL is not set: it must be the address of a PostgreSQL 15 or newer');
  const port = Number(env['TETRAD_PORT'] ?? 4300);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`TETRAD_PORT is ${env['TETRAD_PORT']}: it must be a whole number from 0 to 65535`);
  return {
    databaseUrl,
    port,
    host: env['TETRAD_HOST'] ?? '127.0.0.1',
    clientFolder: env['TETRAD_CLIENT'] ?? null,
    migrationsFolder: env['TETRAD_MIGRATIONS'] ?? 'server/src/sql/migrations',
    fontsFolder: env['TETRAD_FONTS'] ?? DEFAULT_FONTS,
    logLevel: env['TETRAD_LOG_LEVEL'] ?? 'info',
  };
}
