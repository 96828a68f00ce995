import { open, readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';

/** Forces what is written to a place to the disk itself. */
async function force(path: string): Promise<void> {
  const file = await open(path, 'r');
  await file.sync().finally(() => file.close());
}

/** A file's time of change comes in steps of a few milliseconds: what was changed within this of a flush is flushed again. */
const stepMs = 50;

/**
 * What PGlite writes it leaves to the system, and a power cut takes what the system had not put on the disk yet. This puts it there.
 *
 * Model:  PostgreSQL's own. What was confirmed stands in its log of changes (pg_wal), which is forced to the disk after each write;
 *         the other files are forced when the database was opened and closed, which is when PGlite makes a checkpoint. A start
 *         after a power cut then plays the log over them.
 *         A process that stood still and lost its directory meanwhile confirms nothing.
 */
export function flushOf(databaseDir: string, requireHeld: () => void): { all: () => Promise<void>; log: () => Promise<void> } {
  const logDir = join(databaseDir, 'pg_wal');
  let flushedAtMs = 0;
  let running = Promise.resolve();
  async function flushLog(): Promise<void> {
    requireHeld();
    const sinceMs = flushedAtMs - stepMs;
    flushedAtMs = Date.now();
    for (const name of await readdir(logDir)) {
      const path = join(logDir, name);
      const { mtimeMs, birthtimeMs } = await stat(path);
      if (mtimeMs < sinceMs) continue;
      await force(path);
      if (birthtimeMs >= sinceMs) await force(logDir); // a new file is on the disk once its folder is
    }
  }
  return {
    async all() {
      const entries = await readdir(databaseDir, { withFileTypes: true, recursive: true });
      for (const entry of entries) if (entry.isFile() || entry.isDirectory()) await force(join(entry.parentPath, entry.name));
      await force(databaseDir);
    },
    // One after the other: what one that is under way covers is not confirmed before that one is done.
    log: () => (running = running.catch(() => undefined).then(flushLog))
  };
}
