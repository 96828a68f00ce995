import { randomUUID } from 'node:crypto';
import { mkdir, open, readdir, readFile, rename, rm, stat, utimes } from 'node:fs/promises';
import { join } from 'node:path';

export type MediaType = 'image/jpeg' | 'image/svg+xml';

const ending: Readonly<Record<MediaType, string>> = { 'image/jpeg': 'jpg', 'image/svg+xml': 'svg' };

/** Days for which a picture that no row knows is kept aside, in case an older copy of the database was opened. */
const asideDays = 30;

/** The pictures' own place in the data directory. Names are ids, so nothing of a person stands in them. */
export interface PhotoFiles {
  /** Whole or not at all, and on the disk before it returns. */
  write(id: string, type: MediaType, bytes: Uint8Array): Promise<void>;
  /** Nothing where the file is gone. */
  read(id: string, type: MediaType): Promise<Uint8Array<ArrayBuffer> | null>;
  remove(ids: readonly string[]): Promise<void>;
  /**
   * Puts aside what no row knows, and deletes what was put aside long ago and what was never written whole. Known pictures that
   * lie aside, or where they lay before each studio had a folder, come back. Returns how many were put aside.
   */
  sweep(known: ReadonlySet<string>, now: Date): Promise<number>;
}

const idOf = (name: string): string => name.split('.')[0]!;
const isHalf = (name: string): boolean => name.endsWith('.half');

/** The pictures of one studio: each database has a folder of its own, and touches no other. */
export function photoFiles(dataDir: string, studioKey: string): PhotoFiles {
  const shared = join(dataDir, 'photos');
  const folder = join(shared, studioKey);
  const aside = join(folder, 'aside');
  const pathOf = (id: string, type: MediaType) => join(folder, `${id}.${ending[type]}`);
  const filesIn = async (place: string): Promise<string[]> => {
    const entries = await readdir(place, { withFileTypes: true }).catch(() => []);
    return entries.filter((e) => e.isFile()).map((e) => e.name);
  };
  async function bringBack(place: string, known: ReadonlySet<string>): Promise<void> {
    for (const name of await filesIn(place)) if (known.has(idOf(name)) && !isHalf(name)) await move(place, folder, name);
  }
  return {
    async write(id, type, bytes) {
      await mkdir(folder, { recursive: true });
      const half = join(folder, `${id}.${randomUUID()}.half`);
      const file = await open(half, 'w');
      try {
        await file.writeFile(bytes);
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(half, pathOf(id, type));
    },
    read: (id, type) =>
      readFile(pathOf(id, type)).then(
        (bytes) => new Uint8Array(bytes),
        (error: NodeJS.ErrnoException) => (error.code === 'ENOENT' ? null : Promise.reject(error))
      ),
    async remove(ids) {
      const gone = new Set(ids);
      for (const place of [folder, aside])
        for (const name of await filesIn(place)) if (gone.has(idOf(name))) await rm(join(place, name), { force: true });
    },
    async sweep(known, now) {
      await bringBack(shared, known);
      await bringBack(aside, known);
      const oldest = now.getTime() - asideDays * 24 * 3600 * 1000;
      for (const name of await filesIn(aside))
        if ((await stat(join(aside, name))).mtimeMs < oldest) await rm(join(aside, name), { force: true });
      let moved = 0;
      for (const name of await filesIn(folder)) {
        if (isHalf(name)) await rm(join(folder, name), { force: true });
        else if (!known.has(idOf(name))) {
          await move(folder, aside, name);
          await utimes(join(aside, name), now, now); // its days aside begin today
          moved++;
        }
      }
      return moved;
    }
  };
}

async function move(from: string, to: string, name: string): Promise<void> {
  await mkdir(to, { recursive: true });
  await rename(join(from, name), join(to, name));
}
