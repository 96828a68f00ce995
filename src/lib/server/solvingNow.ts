import type { PlanProgress } from '$lib/core';

type Progress = Readonly<{ done: number; of: number }>;
const solving = new Map<number, Progress>();

/** How far the plan of a client is that is being solved; null where none is. */
export const progressOf = (clientId: number): Progress | null => solving.get(clientId) ?? null;

/** Runs what solves a plan, so that others may ask how far it is. */
export async function withProgress<T>(clientId: number, run: (onProgress: PlanProgress) => Promise<T>): Promise<T> {
  try {
    return await run((done, of) => void solving.set(clientId, { done, of }));
  } finally {
    solving.delete(clientId);
  }
}
