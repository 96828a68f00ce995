import { access, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { z } from 'zod';
import { Restored } from '$lib/contract/snapshots';
import { DatabaseAway } from './away';
import { lockDataDir } from './dataDirLock';
import { openDatabase, openEmbedded, type Database, type EmbeddedDatabase } from './db';
import { migrate, waitingMigrations } from './migrate';
import { requireSoundKeys } from './soundKeys';
import { snapshotsOf, type Snapshot, type Snapshots } from './snapshots';

export interface Studio {
  readonly db: Database;
  readonly restored: Restored | null;
  /** Somebody has read that a snapshot stands in. */
  restoredRead(): Promise<void>;
  /** Takes a snapshot where something has changed since the last one; of an empty studio none. */
  snapshot(): Promise<void>;
  close(): Promise<void>;
}

export type StudioPlace = Readonly<{
  dataDir: string;
  /** A PostgreSQL server instead of the embedded database: its snapshots are its keeper's own. */
  url?: string;
  /** A snapshot to go back to before anything is opened: its name, or "newest". */
  restore?: string;
  /** Ends this process once another has its data: nothing more may be written. */
  end?: () => void;
}>;

type Say = (text: string) => void;

/**
 * Opens the database of a studio, brings its schema up to date, and takes snapshots of it: one a day, every few hours of change, and at a clean stop.
 *
 * Embedded data that are damaged are put aside, never deleted, and the newest snapshot that opens stands in for them.
 * Throws: Error with a plain sentence when the directory is held by another process, the snapshot asked for is not there, or what is
 * damaged has no snapshot.
 */
export async function openStudio({ dataDir, url, restore, end = () => process.exit(1) }: StudioPlace, say: Say): Promise<Studio> {
  if (url) {
    const db = await openDatabase({ url });
    await untilItAnswers(db, say);
    await update(db, say, async () => undefined);
    return { db, restored: null, restoredRead: async () => undefined, snapshot: async () => undefined, close: () => db.close() };
  }
  const lost = () => {
    say(
      `The data in ${dataDir} were taken over by another Calm Reach while this one stood still. It ends; what it confirmed is kept.`
    );
    end();
  };
  const lock = await lockDataDir(dataDir, { say, lost });
  const requireHeld = () => {
    if (lock.isHeld()) return;
    lost();
    throw new Error('the data are held by another process');
  };
  try {
    return await openHeld({ dataDir, restore, say, free: lock.free, requireHeld });
  } catch (error) {
    lock.free();
    throw error;
  }
}

type Held = Readonly<{ dataDir: string; restore: string | undefined; say: Say; free: () => void; requireHeld: () => void }>;

async function openHeld({ dataDir, restore, say, free, requireHeld }: Held): Promise<Studio> {
  const snapshots = snapshotsOf(dataDir);
  const markPath = join(dataDir, 'restored.json');
  const wanted = restore ?? (await interruptedRestore(dataDir, say));
  if (wanted) {
    await goBack(dataDir, snapshots, wanted, say);
    await rm(markPath, { force: true }); // it was of other data
  }
  await rm(join(dataDir, trialFolder), { recursive: true, force: true }); // of a start that was cut off
  const closedPath = join(dataDir, 'closed');
  const wasClosed = await isThere(closedPath);
  await rm(closedPath, { force: true }); // before anything is opened: a kill from here on is an end without a close
  const db = await openOrStandIn({ dataDir, snapshots, markPath, say, requireHeld, wasClosed });
  const take = (occasion: Snapshot['occasion']) => snapshots.take(occasion, new Date(), db.whileStill);
  await update(db, say, async () => void (await take('migration')));
  const due = dueSnapshots(db, snapshots, take, say);
  let restored = await readMark(markPath);
  return {
    db,
    get restored() {
      return restored;
    },
    async restoredRead() {
      await rm(markPath, { force: true });
      restored = null;
    },
    snapshot: () => due.look('changed'),
    async close() {
      await due.stop();
      await db.close();
      requireHeld(); // of another's data nothing is said
      await writeFile(closedPath, '');
      free();
    }
  };
}

async function readMark(path: string): Promise<Restored | null> {
  const text = await readFile(path, 'utf8').catch(() => null);
  return text === null ? null : Restored.parse(JSON.parse(text));
}

/** A database server may start later than the studio. */
async function untilItAnswers(db: Database, say: Say): Promise<void> {
  for (let times = 0; ; times++)
    try {
      await db.query('select 1');
      if (times > 0) say('The database server answers now.');
      return;
    } catch (error) {
      if (!(error instanceof DatabaseAway)) throw error;
      if (times === 0) say('The database server does not answer. Calm Reach asks it again every two seconds.');
      await wait(2000);
    }
}

/** A new database has nothing to lose: the snapshot before a change of the schema is taken of one that was there. */
async function update(db: Database, say: Say, snapshot: () => Promise<void>): Promise<void> {
  const { waiting, applied } = await waitingMigrations(db);
  if (applied > 0 && waiting.length > 0) await snapshot();
  await migrate(db);
  if (waiting.length > 0) say(`database: ${waiting.length} migrations applied`);
}

/** While something changes a snapshot is taken as often as this. */
const changedEveryMs = 4 * 3_600_000;

/**
 * Looks a minute after the start, every hour and at a stop whether a snapshot is due: there is none of today, or something has changed for hours.
 * Of a studio in which nobody is there never is.
 */
function dueSnapshots(db: Database, snapshots: Snapshots, take: (occasion: 'daily') => Promise<Snapshot>, say: Say) {
  let running = Promise.resolve();
  /** The state the last snapshot has, where it was taken since the start. */
  let taken: string | null = null;
  const atStart = stateOf(db);
  const takeIfDue = async (when: 'hourly' | 'changed') => {
    const state = await stateOf(db);
    if (state === null) return;
    const [newest] = await snapshots.list();
    const now = new Date();
    const isChanged = state !== (taken ?? (await atStart)) || !newest;
    const isOfToday = newest?.takenAt.toDateString() === now.toDateString();
    const isLongAgo = !newest || now.getTime() - newest.takenAt.getTime() > changedEveryMs;
    if (when === 'changed' ? !isChanged : isOfToday && !(isChanged && isLongAgo)) return;
    await take('daily');
    taken = state;
  };
  const look = (when: 'hourly' | 'changed') => {
    running = running
      .then(() => takeIfDue(when))
      .catch((e: unknown) => say(`A snapshot that was due could not be taken: ${String(e)}`));
    return running;
  };
  const timers = [setTimeout(() => void look('hourly'), 60_000), setInterval(() => void look('hourly'), 3_600_000)];
  for (const timer of timers) timer.unref();
  return {
    look,
    async stop() {
      timers.forEach(clearTimeout);
      await look('changed');
    }
  };
}

/** Another as soon as anything of a person or the studio is; null while nobody is in it. */
async function stateOf(db: Database): Promise<string | null> {
  const { rows } = await db.query(
    `select md5(string_agg(coalesce(client_id, 0) || ' ' || mark, ',' order by client_id)) as state
       from case_mark where exists (select from client)`
  );
  return z.array(z.object({ state: z.string().nullable() })).parse(rows)[0]?.state ?? null;
}

const trialFolder = 'database-trial';
/** Names the snapshot that is being brought back, until it is. */
const restoringFile = 'restoring';

const isThere = (path: string): Promise<boolean> =>
  access(path).then(
    () => true,
    () => false
  );

/** Returns the snapshot whose bringing back was cut off; it is done whole now. */
async function interruptedRestore(dataDir: string, say: Say): Promise<string | undefined> {
  const name = await readFile(join(dataDir, restoringFile), 'utf8').catch(() => undefined);
  if (name) say(`Bringing back ${name} was cut off; it is done again.`);
  return name || undefined;
}

/** By command: the present state is kept as a snapshot of its own, so that going back can be taken back. */
async function goBack(dataDir: string, snapshots: Snapshots, name: string, say: Say): Promise<void> {
  const all = await snapshots.list();
  const wanted = name === 'newest' ? all[0] : all.find((s) => s.name === name);
  if (!wanted) throw new Error(`There is no snapshot "${name}" in ${join(dataDir, 'snapshots')}. There are: ${listed(all)}.`);
  const under = join(dataDir, restoringFile);
  // One that was cut off has its snapshot of the moment before.
  const isFirstTry = !(await readFile(under, 'utf8').catch(() => ''));
  const before =
    isFirstTry && (await isThere(join(dataDir, 'database')))
      ? await snapshots.take('restore', new Date(), (copy) => copy())
      : null;
  await snapshots.unpack(wanted, join(dataDir, trialFolder));
  await writeFile(under, wanted.name); // until here nothing of the present data was touched
  await rm(join(dataDir, 'database'), { recursive: true, force: true });
  await rename(join(dataDir, trialFolder), join(dataDir, 'database'));
  await rm(under, { force: true });
  say(`The data are again those of ${wanted.name}.${before ? ` Those of a moment ago are kept as ${before.name}.` : ''}`);
}

const listed = (all: readonly Snapshot[]) => all.map((s) => s.name).join(', ') || 'none';

type Opening = Pick<Held, 'dataDir' | 'say' | 'requireHeld'> &
  Readonly<{ snapshots: Snapshots; markPath: string; wasClosed: boolean }>;

async function openOrStandIn({ dataDir, snapshots, markPath, say, requireHeld, wasClosed }: Opening): Promise<EmbeddedDatabase> {
  const databaseDir = join(dataDir, 'database');
  const all = await snapshots.list();
  const wasThere = all.length > 0;
  try {
    return await openSound(databaseDir, { wasThere, wasClosed, requireHeld });
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    const found = await newestSound(dataDir, all);
    if (!found)
      throw new Error(
        `The data in ${databaseDir} could not be opened (${why}), and there is no snapshot that opens. Nothing was changed.`,
        { cause: error }
      );
    const damagedDir = `${databaseDir}-damaged-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}`;
    await rename(databaseDir, damagedDir).catch(() => undefined); // it may be gone altogether
    await rename(found.dir, databaseDir);
    const restored: Restored = { takenAt: found.snapshot.takenAt.toISOString(), damagedDir };
    await writeFile(`${markPath}.half`, JSON.stringify(restored));
    await rename(`${markPath}.half`, markPath);
    say(
      `The data in ${databaseDir} could not be opened (${why}). The snapshot ${found.snapshot.name} stands in for them; ` +
        `what was kept after it is not in it. The damaged files are in ${damagedDir}.`
    );
    return openEmbedded({ dataDir: databaseDir, requireHeld });
  }
}

async function newestSound(dataDir: string, all: readonly Snapshot[]): Promise<{ snapshot: Snapshot; dir: string } | null> {
  const dir = join(dataDir, trialFolder);
  for (const snapshot of all)
    try {
      await snapshotsOf(dataDir).unpack(snapshot, dir);
      await (await openSound(dir, { wasThere: true, wasClosed: false })).close();
      return { snapshot, dir };
    } catch {
      await rm(dir, { recursive: true, force: true }); // the next older one may do
    }
  return null;
}

/**
 * Opens embedded data and reads through every table; where they were not closed, by every key as well. PGlite would begin anew in a
 * directory whose first files are missing: where data must have been there, that is damage.
 */
async function openSound(
  databaseDir: string,
  { wasThere, wasClosed, requireHeld }: Readonly<{ wasThere: boolean; wasClosed: boolean; requireHeld?: () => void }>
): Promise<EmbeddedDatabase> {
  if (wasThere) for (const file of ['PG_VERSION', 'global/pg_control']) await access(join(databaseDir, file));
  const db = await openEmbedded({ dataDir: databaseDir, ...(requireHeld && { requireHeld }) });
  try {
    const { rows } = await db.query(`select table_name as name from information_schema.tables where table_schema = 'public'`);
    const tables = z.array(z.object({ name: z.string() })).parse(rows);
    if (wasThere && tables.length === 0) throw new Error('no tables are in it');
    for (const { name } of tables) await db.query(`select count(*) from "${name}"`);
    if (!wasClosed) await db.transaction(requireSoundKeys);
    return db;
  } catch (error) {
    await db.close().catch(() => undefined);
    throw error;
  }
}
