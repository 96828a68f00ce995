import type { ClientTx, Database } from '../db/db';
import { lockClient } from '../repo/clientRepo';

/**
 * One change of a client's record. The client is locked before anything is read, so that what the change was decided on is still so when it is
 * written; two changes of one client come one after the other, and neither undoes the other.
 *
 * Throws: CoreError 'not_found' for a client who is gone, and whatever the change throws; then nothing is written.
 */
export const changeClient = <T>(db: Database, clientId: number, change: (tx: ClientTx) => Promise<T>): Promise<T> =>
  db.transaction(async (tx) => change(await lockClient(tx, clientId)));
