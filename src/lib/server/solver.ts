import { createRequire } from 'node:module';
import { Worker } from 'node:worker_threads';
import { CoreError, type LinearSolver, type Solved } from '$lib/core';

/** What the thread does: one program after the other. A string, so that it is the same in the built server as in the tests. */
const threadCode = `
const { parentPort, workerData } = require('node:worker_threads');
const highs = require(workerData)();
parentPort.on('message', async ({ id, program, ends }) => {
  try {
    const { Status, Columns } = (await highs).solve(program, {
      output_flag: false,
      ...(ends && { mip_rel_gap: ends.gap, mip_max_nodes: ends.nodes })
    });
    const values = Object.fromEntries(Object.entries(Columns).map(([name, c]) => [name, c.Primal ?? 0]));
    parentPort.postMessage({ id, solved: { status: Status, values } });
  } catch (error) {
    parentPort.postMessage({ id, failed: String(error) });
  }
});`;

type Answer = Readonly<{ id: number; solved?: Solved; failed?: string }>;
type Waiting = Readonly<{ resolve: (solved: Solved) => void; reject: (error: Error) => void }>;

/** A thread that solves programs, so that nobody else waits for them; begun when the first one comes. */
class SolverThread {
  #worker: Worker | null = null;
  #next = 0;
  readonly #waiting = new Map<number, Waiting>();

  solve(program: string, ends: Parameters<LinearSolver>[1], signal?: AbortSignal): Promise<Solved> {
    if (signal?.aborted) return Promise.reject(new CoreError('solving_cancelled'));
    const id = this.#next++;
    return new Promise((resolve, reject) => {
      this.#waiting.set(id, { resolve, reject });
      signal?.addEventListener('abort', () => this.#give(id)?.reject(new CoreError('solving_cancelled')), { once: true });
      this.#running().postMessage({ id, program, ends });
    });
  }

  /** Ends the thread; whatever it had in hand is told as lost, and the next program begins another. */
  async stop(): Promise<void> {
    await this.#worker?.terminate();
  }

  #running(): Worker {
    if (this.#worker) return this.#worker;
    const worker = new Worker(threadCode, { eval: true, workerData: createRequire(import.meta.url).resolve('highs') });
    worker.unref();
    worker.on('message', ({ id, solved, failed }: Answer) => {
      const waits = this.#give(id);
      if (solved) waits?.resolve(solved);
      else waits?.reject(new CoreError('not_solved', { why: failed ?? '' }));
    });
    const lost = () => {
      if (this.#worker === worker) this.#worker = null;
      for (const id of [...this.#waiting.keys()]) this.#give(id)?.reject(new CoreError('solver_lost'));
    };
    worker.on('error', lost);
    worker.on('exit', lost);
    this.#worker = worker;
    return worker;
  }

  #give(id: number): Waiting | undefined {
    const waits = this.#waiting.get(id);
    this.#waiting.delete(id);
    return waits;
  }
}

export const solverThread = new SolverThread();

/**
 * Solves in a thread of its own; what was cancelled is not waited for.
 *
 * Errors: rejects with CoreError 'solving_cancelled', 'solver_lost' when the thread died, 'not_solved'.
 */
export const solverFor =
  (signal?: AbortSignal): LinearSolver =>
  (program, ends) =>
    solverThread.solve(program, ends, signal);
