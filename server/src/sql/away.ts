/** SQLSTATE classes and socket codes that mean "the database is away", not "the query is wrong". */
const AWAY = /^(08|57P|53|55000|ECONN|EPIPE|ENOTFOUND|ETIMEDOUT|ENOENT)/;
/** A statement that took too long, a lock not had in time, a deadlock, a transaction that idled: the same may work again. */
const BUSY = new Set(['57014', '55P03', '40P01', '40001', '25P03']);

const codeOf = (error: unknown): string => (error as { code?: string } | null)?.code ?? '';

/** True where the failure is the database's absence. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  return (
    AWAY.test(codeOf(error)) ||
    /connection terminated|timeout exceeded when trying to connect|not queryable/i.test(error.message)
  );
}

/** True where the database answered that it could not do it now. */
export const isBusy = (error: unknown): boolean => error instanceof Error && BUSY.has(codeOf(error));
