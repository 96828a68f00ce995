import pg from 'pg';

/** What every query needs, and nothing of where it runs: a pool, or one client inside a transaction. */
export interface Db {
  query(text: string, values?: readonly unknown[]): Promise<{ rows: unknown[]; rowCount: number | null }>;
}

export interface Database extends Db {
  /** Runs all or nothing. Inside, only the handle that is passed in may be used. */
  transaction<T>(run: (tx: Db) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Where the data are: a directory of one's own, nothing (in memory, for tests), or a PostgreSQL server. */
export type DatabasePlace = Readonly<{ dataDir?: string; url?: string }>;

const oid = { int8: 20, date: 1082, timestamptz: 1184, numeric: 1700 } as const;

/** Dates stay ISO text, instants become ISO text, numerics and counts become numbers. */
const types = {
  getTypeParser(id: number, format?: 'text' | 'binary') {
    if (id === oid.date) return (text: string) => text;
    if (id === oid.timestamptz) return (text: string) => new Date(text).toISOString();
    if (id === oid.int8 || id === oid.numeric) return Number;
    return pg.types.getTypeParser(id, format);
  }
} as pg.CustomTypesConfig;

/** Opens PGlite behind node-postgres' interface, or a server of that interface; the same SQL runs on both. */
export async function openDatabase({ dataDir, url }: DatabasePlace): Promise<Database> {
  if (url) {
    const pool = new pg.Pool({ connectionString: url, types });
    return databaseOver(pool, () => pool.end());
  }
  const [{ PGlite }, { createPgConfig }] = await Promise.all([
    import('@electric-sql/pglite'),
    import('@electric-sql/pglite/node-postgres')
  ]);
  const lite = await PGlite.create(dataDir ? { dataDir } : {});
  // PGlite serves one connection; a second one crashes it.
  const pool = new pg.Pool({ ...createPgConfig(lite), types, max: 1 } as unknown as pg.PoolConfig);
  return databaseOver(pool, async () => {
    await pool.end();
    await lite.close();
  });
}

function databaseOver(pool: pg.Pool, close: () => Promise<void>): Database {
  return {
    query: guarded(pool),
    async transaction(run) {
      const client = await pool.connect();
      try {
        await client.query('begin');
        const result = await run({ query: guarded(client) });
        await client.query('commit');
        return result;
      } catch (error) {
        await client.query('rollback');
        throw error;
      } finally {
        client.release();
      }
    },
    close
  };
}

/** PGlite binds undefined as null without a word; here it is a fault. */
function guarded(target: pg.Pool | pg.PoolClient): Db['query'] {
  return (text, values = []) => {
    const at = values.indexOf(undefined);
    if (at >= 0) throw new TypeError(`parameter $${at + 1} is undefined in: ${text}`);
    return target.query(text, [...values]);
  };
}
