import type { Database, Db } from '../db/db';
import { lockClient } from '../repo/clientRepo';

/**
 * One change of a client's record. The client is locked before anything is read, so that what the change was decided on is still so when it is
 * written; two changes of one client come one after the other, and neither undoes the other.
 */
export const changeClient = <C, T>(
  db: Database,
  clientId: number,
  load: (tx: Db) => Promise<C>,
  change: (tx: Db, c: C) => Promise<T>
): Promise<T> =>
  db.transaction(async (tx) => {
    await lockClient(tx, clientId);
    return change(tx, await load(tx));
  });
