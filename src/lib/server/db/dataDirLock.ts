import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * Keeps a second process off a data directory: PGlite has no lock of its own, and two processes lose each other's rows.
 *
 * Returns a function that gives the directory free. A lock whose process is gone (after a kill) is taken over.
 * Throws: Error with a plain sentence when a living process holds it.
 */
export function lockDataDir(dataDir: string): () => void {
  mkdirSync(dataDir, { recursive: true });
  const path = join(dataDir, 'calm-reach.pid');
  const take = () => writeFileSync(path, String(process.pid), { flag: 'wx' });
  try {
    take();
  } catch {
    const holder = Number(readFileSync(path, 'utf8'));
    if (holder !== process.pid && isAlive(holder))
      throw new Error(`The data in ${dataDir} are in use by another Calm Reach (process ${holder}). Stop that one first.`);
    rmSync(path, { force: true });
    take();
  }
  return () => rmSync(path, { force: true });
}

function isAlive(pid: number): boolean {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'; // it lives, but is not ours
  }
}
