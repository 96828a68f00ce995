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

/**
 * Keeps a second process off a data directory: PGlite has no lock of its own, and two processes lose each other's rows.
 *
 * Model:  a file that names its holder and is touched every second. Where its process number says something, here on this machine
 *         since this start, a holder that is gone is taken over at once; from another container or machine it is once its touch
 *         has been silent for five seconds. Only one takes over at a time.
 * Returns a function that gives the directory free.
 * Throws: Error with a plain sentence when a living process holds it.
 */
export async function lockDataDir(dataDir: string, silentMs = usualSilentMs): Promise<() => void> {
  const beatMs = silentMs / 5;
  mkdirSync(dataDir, { recursive: true });
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
  for (;;) {
    const taken = await oneAtATime(`${path}.turn`, () => {
      const holder = holderOf(path);
      if (holder && holds(holder, path, me.place, silentMs)) return holder;
      const half = `${path}.${me.token}`;
      writeFileSync(half, JSON.stringify(me));
      renameSync(half, path);
      return null;
    });
    if (!taken) break;
    if (taken.place === me.place || Date.now() > deadline) throw new Error(inUse(dataDir, taken));
    await wait(beatMs / 2); // held from elsewhere: whether it still lives is told by its touch
  }
  const isMine = () => holderOf(path)?.token === me.token;
  const beat = setInterval(() => {
    const now = new Date();
    if (isMine()) utimesSync(path, now, now);
  }, beatMs).unref();
  return () => {
    clearInterval(beat);
    if (isMine()) rmSync(path, { force: true });
  };
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

function holds({ pid, place, began }: Holder, path: string, here: string, silentMs: number): boolean {
  if (place === here) return isAlive(pid) && (began === null || beganOf(pid) === began);
  return Date.now() - statSync(path).mtimeMs < silentMs;
}

/** Whoever makes the folder has the turn; one that was left behind by a kill counts no more after a while. */
async function oneAtATime<T>(turn: string, run: () => T): Promise<T> {
  for (;;) {
    try {
      mkdirSync(turn);
      break;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
      const age = Date.now() - (statSync(turn, { throwIfNoEntry: false })?.mtimeMs ?? Date.now());
      if (age > usualSilentMs) rmSync(turn, { recursive: true, force: true });
      await wait(20);
    }
  }
  try {
    return run();
  } finally {
    rmdirSync(turn);
  }
}
