import type { Writable } from 'node:stream';
import type { ClientBase } from 'pg';

/**
 * Statements that are asked for in one go leave in one packet instead of one each. Their answers come in order, as
 * always; a statement that fails does not stop the ones behind it, save by what PostgreSQL says of a transaction.
 */
export function sendTogether(client: ClientBase): void {
  const query = client.query.bind(client) as (...given: unknown[]) => unknown;
  const { connection } = client as unknown as { readonly connection: { readonly stream: Writable } };
  client.query = ((...given: unknown[]) => {
    const { stream } = connection;
    stream.cork();
    process.nextTick(() => stream.uncork());
    return query(...given);
  }) as typeof client.query;
}
