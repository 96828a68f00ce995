import { randomUUID } from 'node:crypto';
import {
  mkdirSync,
  readFileSync,
  readlinkSync,
  renameSync,
  rmSync,
  rmdirSync,
  statSync,
  utimesSync,
  writeFileSync
} from 'node:fs';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { z } from 'zod';

/** One that was silent for so long is taken for gone; a holder says that it lives five times as often. */
const usualSilentMs = 5000;

const Holder = z.object({
  token: z.string(),
  pid: z.int(),
  /** Machine, its start and the room its process numbers count in: only there does the number say anything. */
  place: z.string(),
  /** Since when the process with that number runs, so that a number given out again is told apart; null where nothing says. */
  began: z.string().nullable(),
  host: z.string(),
  since: z.string()
});
type Holder = z.output<typeof Holder>;

const readOr = (path: string): string | null => {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return null;
  }
};

function thisPlace(): string {
  let room = '';
  try {
    room = readlinkSync('/proc/self/ns/pid');
  } catch {
    // not every system has it
  }
  return [hostname(), readOr('/proc/sys/kernel/random/boot_id')?.trim() ?? '', room].join(' ');
}

/** Start of a process in ticks since the machine's: the 22nd word of its line, counted after the name in brackets. */
const beganOf = (pid: number): string | null => readOr(`/proc/${pid}/stat`)?.split(') ').at(-1)?.split(' ')[19] ?? null;

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'; // it lives, but is not ours
  }
}

export type LockOptions = Readonly<{
  silentMs?: number;
  /** Told while it waits to see whether a holder elsewhere still lives. */
  say?: (text: string) => void;
  /** Called once another has taken it over, while this process stood still. */
  lost?: () => void;
}>;

export type DataDirLock = Readonly<{
  /** True while this process still has it: the file is read after every silence in which another may have taken it. */
  isHeld: () => boolean;
  free: () => void;
}>;

/**
 * Keeps a second process off a data directory: PGlite has no lock of its own, and two processes lose each other's rows.
 *
 * Model:  a file that names its holder and is touched every second. Where its process number says something, here on this machine
 *         since this start, a holder that is gone is taken over at once; from another container or machine it is once its touch
 *         has been silent for five seconds, by a touch from the future as soon as it has stood still for as long. Only one takes over at a time.
 * Throws: Error with a plain sentence when a living process holds it, or the directory cannot be written.
 */
export async function lockDataDir(
  dataDir: string,
  { silentMs = usualSilentMs, say = () => undefined, lost = () => undefined }: LockOptions = {}
): Promise<DataDirLock> {
  const beatMs = silentMs / 5;
  inPlainWords(dataDir, () => mkdirSync(dataDir, { recursive: true }));
  const path = join(dataDir, 'calm-reach.lock');
  const me: Holder = {
    token: randomUUID(),
    pid: process.pid,
    place: thisPlace(),
    began: beganOf(process.pid),
    host: hostname(),
    since: new Date().toISOString()
  };
  const deadline = Date.now() + silentMs + 2 * beatMs;
  const touch = touchSeen(path, silentMs);
  let isTold = false;
  for (;;) {
    const taken = await oneAtATime(`${path}.turn`, dataDir, () => {
      const holder = holderOf(path);
      if (holder && holds(holder, me.place, touch)) return holder;
      const half = `${path}.${me.token}`;
      writeFileSync(half, JSON.stringify(me));
      renameSync(half, path);
      return null;
    });
    if (!taken) break;
    if (taken.place === me.place || Date.now() > deadline) throw new Error(inUse(dataDir, taken));
    if (!isTold) say(`The data in ${dataDir} are held from ${taken.host}. In some seconds it shows whether that one still runs.`);
    isTold = true;
    await wait(beatMs / 2); // held from elsewhere: whether it still lives is told by its touch
  }
  const isMine = () => holderOf(path)?.token === me.token;
  let touchedAt = Date.now();
  const beat = setInterval(() => {
    if (!isMine()) {
      clearInterval(beat);
      lost();
      return;
    }
    const now = new Date();
    utimesSync(path, now, now);
    touchedAt = Date.now();
  }, beatMs).unref();
  return {
    isHeld: () => Date.now() - touchedAt < silentMs - beatMs || isMine(),
    free() {
      clearInterval(beat);
      if (isMine()) rmSync(path, { force: true });
    }
  };
}

const diskTroubles: Readonly<Record<string, string>> = {
  ENOSPC: 'the disk is full',
  EROFS: 'it lies on a disk that can only be read',
  EACCES: 'this user may not write there',
  EPERM: 'this user may not write there'
};

/** Runs what writes to the directory; what a disk refuses is thrown as a sentence for whoever starts it. */
export function inPlainWords<T>(dataDir: string, run: () => T): T {
  try {
    return run();
  } catch (error) {
    const trouble = diskTroubles[(error as NodeJS.ErrnoException).code ?? ''];
    if (!trouble) throw error;
    throw new Error(`The data in ${dataDir} cannot be written: ${trouble}. Nothing was changed.`, { cause: error });
  }
}

const inUse = (dataDir: string, { pid, host, since }: Holder): string =>
  `The data in ${dataDir} are in use by another Calm Reach: process ${pid} on ${host}, since ${since.slice(0, 16).replace('T', ' ')}. ` +
  'Stop that one first, or give this one a directory of its own (DATA_DIR). If it ended without a word, try again in a few seconds.';

/** What cannot be read is no lock: it was cut off while it was written, by a process that is gone. */
function holderOf(path: string): Holder | null {
  try {
    return Holder.parse(JSON.parse(readFileSync(path, 'utf8')));
  } catch {
    return null;
  }
}

function holds({ pid, place, began }: Holder, here: string, isTouched: () => boolean): boolean {
  if (place === here) return isAlive(pid) && (began === null || beganOf(pid) === began);
  return isTouched();
}

/** Returns a check that is true while the file is still touched. A touch from the future says nothing by itself: only one that moves does. */
function touchSeen(path: string, silentMs: number): () => boolean {
  let seen: { touchMs: number; sinceMs: number } | null = null;
  return () => {
    const { mtimeMs } = statSync(path);
    if (seen?.touchMs !== mtimeMs) seen = { touchMs: mtimeMs, sinceMs: Date.now() };
    const silenceMs = mtimeMs > Date.now() ? Date.now() - seen.sinceMs : Date.now() - mtimeMs;
    return silenceMs < silentMs;
  };
}

/** Whoever makes the folder has the turn; one that was left behind by a kill counts no more after a while. */
async function oneAtATime<T>(turn: string, dataDir: string, run: () => T): Promise<T> {
  for (;;) {
    try {
      inPlainWords(dataDir, () => mkdirSync(turn));
      break;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const age = Date.now() - (statSync(turn, { throwIfNoEntry: false })?.mtimeMs ?? Date.now());
      if (age > usualSilentMs) rmSync(turn, { recursive: true, force: true });
      await wait(20);
    }
  }
  try {
    return inPlainWords(dataDir, run);
  } finally {
    rmdirSync(turn);
  }
}
