import { randomUUID } from 'node:crypto';
import { cp, mkdir, open, readdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { differenceInCalendarDays, formatISO, getISOWeek } from 'date-fns';
import { create, extract } from 'tar';
import { longestSnapshotDays } from '$lib/contract/snapshots';

/** Why a snapshot was taken: on a day, before the schema changes, before an older one is brought back. */
export type Occasion = 'daily' | 'migration' | 'restore';
export type Snapshot = Readonly<{ name: string; occasion: Occasion; takenAt: Date }>;

const form = /^(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})Z-(daily|migration|restore)\.tar\.gz$/;

const snapshotOf = (name: string): Snapshot | null => {
  const [, day, h, m, s, occasion] = form.exec(name) ?? [];
  return day ? { name, occasion: occasion as Occasion, takenAt: new Date(`${day}T${h}:${m}:${s}Z`) } : null;
};

/** Of so many days the last one stays, however long ago they are. */
const keptDays = 7;

const newestFirst = (a: Snapshot, b: Snapshot) => b.takenAt.getTime() - a.takenAt.getTime();
const dayOf = (at: Date) => formatISO(at, { representation: 'date' });

/**
 * Which snapshots stay.
 *
 * Model:  always the newest; the last daily one of each of the last seven days that have any, however long ago they are; of the last five
 *         weeks the last daily one of each calendar week; those before a change of the schema or a restore for five weeks. After a start with
 *         the clock ahead the others stay by their number, and what lies in the future stays once the clock is right again.
 */
export function kept(all: readonly Snapshot[], now: Date): Snapshot[] {
  const days = new Set<string>();
  const weeks = new Set<number>();
  const isFirst = <T>(seen: Set<T>, of: T) => !seen.has(of) && seen.add(of);
  return all.toSorted(newestFirst).filter((snapshot, i) => {
    const { occasion, takenAt } = snapshot;
    if (takenAt > now) return true;
    const isOld = differenceInCalendarDays(now, takenAt) >= longestSnapshotDays;
    if (occasion !== 'daily') return i === 0 || !isOld;
    const isLastOfDay = isFirst(days, dayOf(takenAt)) && days.size <= keptDays;
    const isLastOfWeek = isFirst(weeks, getISOWeek(takenAt)) && !isOld;
    return i === 0 || isLastOfDay || isLastOfWeek;
  });
}

export interface Snapshots {
  /** Newest first. */
  list(): Promise<Snapshot[]>;
  /** Copies the files while nothing asks the database, packs the copy afterwards, and lets go what the rule no longer keeps. */
  take(occasion: Occasion, now: Date, whileStill: (copy: () => Promise<void>) => Promise<void>): Promise<Snapshot>;
  unpack(snapshot: Snapshot, into: string): Promise<void>;
}

/** Snapshots of the embedded database, each a packed copy of its directory, in a folder beside it. Pictures are not in them. */
export function snapshotsOf(dataDir: string): Snapshots {
  const databaseDir = join(dataDir, 'database');
  const folder = join(dataDir, 'snapshots');
  const names = () => readdir(folder).catch(() => [] as string[]);
  const list = async () => (await names()).flatMap((name) => snapshotOf(name) ?? []).toSorted(newestFirst);
  return {
    list,
    async take(occasion, now, whileStill) {
      await mkdir(folder, { recursive: true });
      // Whatever a kill left half-done begins with a dot.
      for (const name of await names()) if (name.startsWith('.')) await rm(join(folder, name), { recursive: true, force: true });
      const copy = join(folder, `.${randomUUID()}`);
      const half = `${copy}.half`;
      const name = `${now.toISOString().slice(0, 19).replaceAll(':', '-')}Z-${occasion}.tar.gz`;
      try {
        await whileStill(() => cp(databaseDir, copy, { recursive: true }));
        await create({ gzip: true, cwd: copy, file: half }, ['.']);
        const file = await open(half, 'r');
        await file.sync().finally(() => file.close());
        await rename(half, join(folder, name));
      } finally {
        for (const path of [copy, half]) await rm(path, { recursive: true, force: true });
      }
      const all = await list();
      const staying = new Set(kept(all, now).map((s) => s.name));
      for (const old of all) if (!staying.has(old.name)) await rm(join(folder, old.name), { force: true });
      return snapshotOf(name)!;
    },
    async unpack({ name }, into) {
      await rm(into, { recursive: true, force: true });
      await mkdir(into, { recursive: true });
      await extract({ file: join(folder, name), cwd: into });
    }
  };
}
