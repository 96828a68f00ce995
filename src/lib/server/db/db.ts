import { setImmediate as othersTurn } from 'node:timers/promises';
import pg from 'pg';
import { orAway } from './away';
import { flushOf } from './flush';

/** What every query needs, and nothing of where it runs: a pool, or one client inside a transaction. */
export interface Db {
  query(text: string, values?: readonly unknown[]): Promise<{ rows: unknown[]; rowCount: number | null }>;
}

declare const isLocked: unique symbol;
/** A transaction that holds the lock of one client: whatever writes to their record asks for it, and `changeClient` alone gives it. */
export type ClientTx = Db & Readonly<{ [isLocked]: true }>;

export interface Database extends Db {
  /** Runs all or nothing. Inside, only the handle that is passed in may be used. */
  transaction<T>(run: (tx: Db) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

export interface EmbeddedDatabase extends Database {
  /** Runs something while no query is answered, so that the files can be copied as a kill would leave them. */
  whileStill(run: () => Promise<void>): Promise<void>;
  /** Returns a copy of the whole database, for another one to begin with. */
  image(): Promise<Blob>;
}

/** Where the data are: a directory of one's own, nothing (in memory, for tests), or a PostgreSQL server. */
export type DatabasePlace = Readonly<{
  dataDir?: string;
  url?: string;
  /** An image of another embedded database, to begin with its data: a quarter of the time that a new one takes. */
  image?: Blob;
  /** Asked before anything is written to a directory, and before it is confirmed; throws where it is no longer this process's own. */
  requireHeld?: () => void;
}>;

/** Dates stay ISO text, instants become ISO text, numerics and counts become numbers. Keys: the types' oids. */
const parsers: Readonly<Record<number, (text: string) => unknown>> = {
  20: Number, // int8
  1082: (text) => text, // date
  1184: (text) => new Date(text).toISOString(), // timestamptz
  1700: Number // numeric
};

/** Opens PGlite, or a server through node-postgres; the same SQL runs on both. */
export const openDatabase = ({ url, ...embedded }: DatabasePlace): Promise<Database> =>
  url ? openServer(url) : openEmbedded(embedded);

/**
 * PGlite by its own interface, not behind node-postgres': over that wire a parameter that cannot be read leaves the only
 * connection out of step, and every later query fails.
 */
export async function openEmbedded({
  dataDir,
  image,
  requireHeld = () => undefined
}: Omit<DatabasePlace, 'url'> = {}): Promise<EmbeddedDatabase> {
  const { PGlite } = await import('@electric-sql/pglite');
  const { amcheck } = await import('@electric-sql/pglite/contrib/amcheck');
  const lite = await PGlite.create({
    ...(dataDir && { dataDir }),
    ...(image && { loadDataDir: image }),
    extensions: { amcheck }
  });
  const flush = dataDir ? flushOf(dataDir, requireHeld) : null;
  await flush?.all();
  const over = (target: Pick<typeof lite, 'query'>): Db => ({
    query: guarded(async (text, values) => {
      // It answers in this very thread, and its promises alone let nobody else in between two queries.
      await othersTurn();
      requireHeld();
      const { rows, affectedRows = null } = await target.query(text, values, { parsers });
      return { rows, rowCount: affectedRows };
    })
  });
  const { query } = over(lite);
  return {
    async query(text, values) {
      const result = await query(text, values);
      if (!/^\s*select\b/i.test(text)) await flush?.log();
      return result;
    },
    async transaction(run) {
      const result = await lite.transaction((tx) => run(over(tx)));
      await flush?.log();
      return result;
    },
    whileStill: (run) => lite.runExclusive(run),
    image: () => lite.dumpDataDir('none'),
    async close() {
      await lite.close();
      await flush?.all();
    }
  };
}

/** Who waits longer for a row that somebody else holds gives its connection back: else one row would in time hold up everybody. */
const lockWaitMs = 4000;

async function openServer(url: string): Promise<Database> {
  const types = { getTypeParser: (id: number, format?: 'text' | 'binary') => parsers[id] ?? pg.types.getTypeParser(id, format) };
  const pool = new pg.Pool({
    connectionString: url,
    types: types as pg.CustomTypesConfig,
    connectionTimeoutMillis: 5000,
    lock_timeout: lockWaitMs
  });
  // A connection that breaks: the pool makes a new one, and who used it hears of it at the next query. Without a listener, on the pool
  // for one that rests and on the connection for one in a transaction, it would end the process.
  pool.on('error', ({ message }) => process.stderr.write(`database: a connection was lost (${message}); it is made anew\n`));
  pool.on('connect', (client) => client.on('error', () => undefined));
  const over = (target: pg.Pool | pg.PoolClient): Db => ({
    query: guarded((text, values) => orAway(target.query(text, values)))
  });
  return {
    ...over(pool),
    async transaction(run) {
      const client = await orAway(pool.connect());
      let isLost = false;
      try {
        const tx = over(client);
        await tx.query('begin');
        const result = await run(tx);
        await tx.query('commit');
        return result;
      } catch (error) {
        // Where the connection itself is gone the server has rolled back, and the pool must not give it out again.
        isLost = await client.query('rollback').then(
          () => false,
          () => true
        );
        throw error;
      } finally {
        client.release(isLost);
      }
    },
    close: () => pool.end()
  };
}

/** Several steps that are each a transaction of their own, as one: all of them or none. */
export const asOne = <T>(db: Database, run: (db: Database) => Promise<T>): Promise<T> =>
  db.transaction((tx) =>
    run({ query: (text, values) => tx.query(text, values), transaction: (step) => step(tx), close: async () => undefined })
  );

/** PGlite binds undefined as null without a word; here it is a fault. */
const guarded =
  (query: (text: string, values: unknown[]) => ReturnType<Db['query']>): Db['query'] =>
  async (text, values = []) => {
    const at = values.indexOf(undefined);
    if (at >= 0) throw new TypeError(`parameter $${at + 1} is undefined in: ${text}`);
    return query(text, [...values]);
  };
