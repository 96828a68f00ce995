/** The database server does not answer, or a connection broke: nothing is wrong with what was asked. */
export class DatabaseAway extends Error {}

const codes = new Set(['ECONNREFUSED', 'ECONNRESET', 'ENOTFOUND', 'EAI_AGAIN', 'ETIMEDOUT', 'EHOSTUNREACH', 'EPIPE']);
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

/** Runs what asks the server, and names its being away by its own name. */
export const orAway = <T>(asking: Promise<T>): Promise<T> =>
  asking.catch((error: unknown) => {
    throw isAway(error) ? new DatabaseAway('the database server does not answer', { cause: error }) : error;
  });
