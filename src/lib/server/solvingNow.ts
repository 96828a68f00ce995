import { setImmediate as othersTurn } from 'node:timers/promises';
import type { Solving } from './service/planning';
import { solverFor } from './solver';

type Progress = Readonly<{ done: number; of: number }>;
const solving = new Map<number, { progress: Progress | null; readonly stop: AbortController }>();

/** How far the plan of a client is that is being solved; null where none is. */
export const progressOf = (clientId: number): Progress | null => solving.get(clientId)?.progress ?? null;

/** Stops what is being solved for a client: whoever asked for it is told so, and nothing of it is kept. False where nothing was. */
export function stopSolving(clientId: number): boolean {
  const now = solving.get(clientId);
  now?.stop.abort();
  return now !== undefined;
}

/**
 * Runs what solves a plan, so that others may ask how far it is, and stop it. One at a time for a client: what was begun before ends, and whoever
 * asked for it is told so.
 */
export async function withSolving<T>(clientId: number, run: (by: Solving) => Promise<T>): Promise<T> {
  const now = { progress: null as Progress | null, stop: new AbortController() };
  solving.get(clientId)?.stop.abort();
  solving.set(clientId, now);
  try {
    const onProgress: Solving['onProgress'] = async (done, of) => {
      now.progress = { done, of };
      await othersTurn();
    };
    return await run({ solve: solverFor(now.stop.signal), onProgress });
  } finally {
    // Another tab may have begun since.
    if (solving.get(clientId) === now) solving.delete(clientId);
  }
}
