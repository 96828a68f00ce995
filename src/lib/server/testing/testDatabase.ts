import { openAsBlob } from 'node:fs';
import { afterAll, beforeAll, inject } from 'vitest';
import { openDatabase, type Database, type Db } from '../db/db';
import { migrate } from '../db/migrate';
import type { DatabaseImages } from './databaseImages';
import { personWithSplitPlan } from './sessions';

class RollBack extends Error {}

/**
 * A migrated database for one test file: PGlite in memory, begun from the image of the whole run, or an empty schema of the server in
 * TEST_DATABASE_URL. With 'split plan' somebody who is 20 cm from the front split has six weeks planned in it: `splitPlanId`.
 * `rolledBack` gives each test the same start in a transaction that never commits.
 */
export function testDatabase(begin: keyof DatabaseImages = 'empty') {
  let db: Database;
  let splitPlanId: number;
  beforeAll(async () => {
    const url = process.env.TEST_DATABASE_URL;
    const images = inject('images');
    db = await openDatabase(url ? { url } : { image: await openAsBlob(images[begin].path) });
    splitPlanId = images[begin].splitPlanId;
    if (!url) return;
    await db.query('drop schema public cascade');
    await db.query('create schema public');
    await migrate(db);
    if (begin === 'split plan') splitPlanId = await personWithSplitPlan(db);
  });
  afterAll(() => db.close());
  return {
    get db() {
      return db;
    },
    get splitPlanId() {
      return splitPlanId;
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
