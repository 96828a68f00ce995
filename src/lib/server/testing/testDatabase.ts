import { afterAll, beforeAll } from 'vitest';
import { openDatabase, type Database, type Db } from '../db/db';
import { migrate } from '../db/migrate';

class RollBack extends Error {}

/**
 * A migrated database for one test file: PGlite in memory, or an empty schema of the server in TEST_DATABASE_URL.
 * `rolledBack` gives each test the same clean start in a transaction that never commits.
 */
export function testDatabase() {
  let db: Database;
  beforeAll(async () => {
    const url = process.env.TEST_DATABASE_URL;
    db = await openDatabase(url ? { url } : {});
    if (url) {
      await db.query('drop schema public cascade');
      await db.query('create schema public');
    }
    await migrate(db);
  });
  afterAll(() => db.close());
  return {
    get db() {
      return db;
    },
    /** Transactions inside the test run in its own, so that they are undone with it. */
    async rolledBack(run: (db: Database) => Promise<void>): Promise<void> {
      await db
        .transaction(async (tx) => {
          await run(nested(tx));
          throw new RollBack();
        })
        .catch((error) => {
          if (!(error instanceof RollBack)) throw error;
        });
    }
  };
}

function nested(tx: Db): Database {
  return {
    query: (text, values) => tx.query(text, values),
    async transaction(run) {
      await tx.query('savepoint inner_transaction');
      try {
        const result = await run(tx);
        await tx.query('release savepoint inner_transaction');
        return result;
      } catch (error) {
        await tx.query('rollback to savepoint inner_transaction');
        throw error;
      }
    },
    close: async () => undefined
  };
}
