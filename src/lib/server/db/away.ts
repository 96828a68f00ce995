/** The database server does not answer, or a connection broke: nothing is wrong with what was asked. */
export class DatabaseAway extends Error {}

const codes = new Set(['ECONNREFUSED', 'ECONNRESET', 'ENOTFOUND', 'EAI_AGAIN', 'ETIMEDOUT', 'EHOSTUNREACH', 'EPIPE']);
/** The database took too long: somebody else holds the row, or the server has a limit. Nothing of it was written. */
export class DatabaseBusy extends Error {}
/** SQLSTATE: a statement that was cancelled for its time, a lock that was waited for too long, a deadlock. */
const busyStates = /^(57014|55P03|40P01)$/;
const isBusy = (error: unknown): boolean => error instanceof Error && 'code' in error && busyStates.test(String(error.code));

/** SQLSTATE: broken connections, a server that stops or starts, one that takes no more of them. */
const states = /^(08...|57P0[123]|53300)$/;
/** What node-postgres says without a code. */
const words = /connection terminated|connection error|timeout exceeded when trying to connect|not queryable/i;

function isAway(error: unknown): boolean {
  if (error instanceof DatabaseAway) return true;
  if (!(error instanceof Error)) return false;
  const code = 'code' in error ? String(error.code) : '';
  return codes.has(code) || states.test(code) || words.test(error.message);
}

/** Runs what asks the server, and names its being away, or busy, by its own name. */
export const orAway = <T>(asking: Promise<T>): Promise<T> =>
  asking.catch((error: unknown) => {
    if (isBusy(error)) throw new DatabaseBusy('the database took too long', { cause: error });
    throw isAway(error) ? new DatabaseAway('the database server does not answer', { cause: error }) : error;
  });
