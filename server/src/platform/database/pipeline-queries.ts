import { createHash } from 'node:crypto';
import type { Writable } from 'node:stream';
import type { ClientBase } from 'pg';

/** Names of statements with values, by their text: each connection has them parsed and planned once. */
const NAMES = new Map<string, string>();
/** PostgreSQL's own limit is 63 characters. */
const NAME_LENGTH = 32;

function nameOf(text: string): string {
  let name = NAMES.get(text);
  if (name === undefined)
    NAMES.set(text, (name = createHash('sha256').update(text).digest('hex').slice(0, NAME_LENGTH)));
  return name;
}

/**
 * Statements that are asked for in one go leave in one packet instead of one each, and are prepared once for each
 * connection. Their answers come in order, as always; a statement that fails does not stop the ones behind it, save by
 * what PostgreSQL says of a transaction.
 */
export function pipelineQueries(client: ClientBase): void {
  const query = client.query.bind(client) as (...given: unknown[]) => unknown;
  const { connection } = client as unknown as { readonly connection: { readonly stream: Writable } };
  client.query = ((text: unknown, values?: unknown, ...more: unknown[]) => {
    const { stream } = connection;
    stream.cork();
    process.nextTick(() => stream.uncork());
    return typeof text === 'string' && Array.isArray(values) && values.length > 0
      ? query({ name: nameOf(text), text, values }, ...more)
      : query(text, values, ...more);
  }) as typeof client.query;
}
