/** Where the clusters are that keep shops beside the first one: a file, since addresses hold passwords. */
import { readFileSync } from 'node:fs';

/** Of one cluster: its database, and a standby where there is one. */
export interface ClusterAddress {
  readonly database: string;
  readonly standby: string | null;
}
export type Clusters = ReadonlyMap<string, ClusterAddress>;

/** The name of the cluster that `TETRAD_DATABASE_URL` names. */
export const FIRST_CLUSTER = 'first';

const NAME = /^[a-z0-9-]{1,40}$/;
const ADDRESS = /^postgres(ql)?:\/\//;
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Reads a file such as `{ "east": { "database": "postgres://…", "standby": "postgres://…" } }`.
 *
 * @throws Error that names the field, what was found and what is allowed; an address is never told.
 */
export function readClusters(file: string): Clusters {
  let found: unknown;
  try {
    found = JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    throw new Error(`${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`, {
      cause: error,
    });
  }
  if (!isObject(found)) throw new Error(`${file} must hold an object: each cluster by its name`);
  return new Map(
    Object.entries(found).map(([name, cluster]) => {
      if (!NAME.test(name) || name === FIRST_CLUSTER)
        throw new Error(
          `${file}: ${name} is no name of a further cluster; allowed are 1 to 40 of a to z, 0 to 9 and -`,
        );
      const { database, standby = null } = isObject(cluster) ? cluster : {};
      for (const [field, address] of Object.entries({ database, ...(standby !== null && { standby }) }))
        if (typeof address !== 'string' || !ADDRESS.test(address))
          throw new Error(`${file}: ${name}.${field} must be an address that begins with postgres://`);
      return [name, { database: database as string, standby: standby as string | null }];
    }),
  );
}
