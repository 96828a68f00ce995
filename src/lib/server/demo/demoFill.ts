import { setTimeout as wait } from 'node:timers/promises';
import type { Database } from '../db/db';
import type { PhotoFiles } from '../photos/photoFiles';
import { fillDemo, type DemoProgress } from './fillDemo';

export interface DemoFill {
  /** Null once everybody is there. */
  readonly progress: DemoProgress | null;
  /** Settles once everybody is there, or it was stopped. */
  readonly filled: Promise<void>;
  /** Ends it after the person at hand; the next start goes on. */
  stop(): Promise<void>;
}

/** The first page of all comes before anybody else; a page asks the database several times, and between two people it gets all its answers. */
const usualPauses = { firstMs: 3000, betweenMs: 500 };

/** Fills the demo beside the work of the server. Resolves as soon as one person is there. */
export async function startDemoFill(
  db: Database,
  files: PhotoFiles,
  now: Date,
  say: (text: string) => void,
  pauses = usualPauses
): Promise<DemoFill> {
  const people = fillDemo(db, files, now);
  const stopping = new AbortController();
  let progress: DemoProgress | null = null;
  const fillOne = async (): Promise<boolean> => {
    const next = await people.next();
    progress = next.done ? null : next.value;
    return !next.done;
  };
  const pause = (ms: number) => wait(ms, undefined, { signal: stopping.signal }).catch(() => undefined);

  while ((await fillOne()) && progress!.done === 0);
  const rest = (async () => {
    await pause(pauses.firstMs);
    while (!stopping.signal.aborted && (await fillOne())) await pause(pauses.betweenMs);
  })().catch((error: unknown) => say(`The demo could not be filled any further: ${String(error)}. The next start goes on.`));
  return {
    get progress() {
      return progress;
    },
    filled: rest,
    async stop() {
      stopping.abort();
      await rest;
    }
  };
}
