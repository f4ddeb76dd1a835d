/**
 * SQLSTATE classes and socket codes that mean "the database is away", not "the query is wrong"; 25006 comes from a
 * standby, which takes no writes, TS001 from a cluster whose shop is just being moved.
 */
const UNAVAILABLE = /^(08|57P|53|55000|25006|TS001|ECONN|EPIPE|ENOTFOUND|ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ENOENT)/;
/** A statement that took too long, a lock not had in time, a deadlock, a transaction that idled: the same may work again. */
const BUSY = new Set(['57014', '55P03', '40P01', '40001', '25P03']);

const told = (error: unknown): { readonly code: string; readonly message: string } => {
  const { code, message } = (error ?? {}) as { code?: unknown; message?: unknown };
  return { code: String(code ?? ''), message: String(message ?? '') };
};

/** True where the failure is the database's absence. */
export function isUnavailable(error: unknown): boolean {
  const { code, message } = told(error);
  return (
    UNAVAILABLE.test(code) ||
    /connection terminated|timeout exceeded when trying to connect|not queryable|query read timeout/i.test(message)
  );
}

/** True where the database answered that it could not do it now. */
export const isBusy = (error: unknown): boolean => BUSY.has(told(error).code);
