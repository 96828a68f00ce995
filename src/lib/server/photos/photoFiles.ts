import { mkdir, open, readdir, readFile, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';

export type MediaType = 'image/jpeg' | 'image/svg+xml';

const ending: Readonly<Record<MediaType, string>> = { 'image/jpeg': 'jpg', 'image/svg+xml': 'svg' };

/** The pictures' own place in the data directory. Names are ids, so nothing of a person stands in them. */
export interface PhotoFiles {
  /** Whole or not at all, and on the disk before it returns. */
  write(id: string, type: MediaType, bytes: Uint8Array): Promise<void>;
  read(id: string, type: MediaType): Promise<Uint8Array<ArrayBuffer>>;
  remove(ids: readonly string[]): Promise<void>;
  /** Ids of everything that lies there. */
  list(): Promise<string[]>;
}

export function photoFiles(dataDir: string): PhotoFiles {
  const folder = join(dataDir, 'photos');
  const pathOf = (id: string, type: MediaType) => join(folder, `${id}.${ending[type]}`);
  const names = () => readdir(folder).catch((): string[] => []);
  return {
    async write(id, type, bytes) {
      await mkdir(folder, { recursive: true });
      const half = join(folder, `${id}.half`);
      const file = await open(half, 'w');
      try {
        await file.writeFile(bytes);
        await file.sync();
      } finally {
        await file.close();
      }
      await rename(half, pathOf(id, type));
    },
    read: async (id, type) => new Uint8Array(await readFile(pathOf(id, type))),
    async remove(ids) {
      const gone = new Set(ids);
      for (const name of await names()) if (gone.has(name.split('.')[0]!)) await rm(join(folder, name), { force: true });
    },
    list: async () => (await names()).map((name) => name.split('.')[0]!)
  };
}
