/**
 * A commit whose wait for the standby was cut short (by a time limit, or by a person) is told by PostgreSQL as done, with
 * a warning: it is stored on this host, and lost if this host is. It counts as neither done nor undone.
 */
import type { ClientBase } from 'pg';

/** The function of PostgreSQL that warns so; unlike the text it is the same in every language. */
const WAIT_FOR_STANDBY = 'SyncRepWaitForLSN';

/** SQLSTATE 08007, transaction resolution unknown (PostgreSQL 15, Appendix A). */
export class UnconfirmedCommit extends Error {
  readonly code = '08007';

  constructor() {
    super('the commit is stored on one host, and the standby has not confirmed it');
  }
}

const unconfirmed = new WeakSet<ClientBase>();

/** Hears what PostgreSQL says of the commits of a connection. */
export function hearUnconfirmed(client: ClientBase): void {
  client.on('notice', ({ routine }: { readonly routine?: string | undefined }) => {
    if (routine === WAIT_FOR_STANDBY) unconfirmed.add(client);
  });
}

/** @throws UnconfirmedCommit where the newest commit of the connection was not confirmed. */
export function assertConfirmed(client: ClientBase): void {
  if (unconfirmed.delete(client)) throw new UnconfirmedCommit();
}
