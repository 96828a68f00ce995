import { createRequire } from 'node:module';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { CoreError, type LinearSolver, type SearchEnds, type Solved } from '$lib/core';

/** What a thread does: the program it is given. A string, so that it is the same in the built server as in the tests. */
const threadCode = `
const { parentPort, workerData } = require('node:worker_threads');
const loaded = require(workerData)();
const solve = (highs, program, ends) =>
  highs.withModel({ format: 'lp', data: program }, (model) => {
    const { callbackType, modelStatus, solutionStatus } = highs.constants;
    model.options.set({ output_flag: false, ...(ends && { mip_rel_gap: ends.gap, mip_max_nodes: ends.nodes }) });
    const { numRows, numCols } = model.getDimensions();
    const isWorkDone = (data) =>
      Number(data.mip_total_lp_iterations ?? 0) * numRows > ends.work && Math.abs(data.mip_primal_bound ?? Infinity) < 1e20;
    const run = model.run(ends && { [callbackType.mipInterrupt]: (event) => { if (isWorkDone(event.data)) event.interrupt(); } });
    const status = run.modelStatus === modelStatus.optimal ? 'Optimal' : 'ended early (' + run.modelStatus + ')';
    if (model.info.get('primal_solution_status') !== solutionStatus.feasible) return { status, values: {}, gap: Infinity };
    const { colValue } = model.getSolution();
    const values = Object.fromEntries(Array.from({ length: numCols }, (_, i) => [model.getColName(i), colValue[i]]));
    return { status, values, gap: Math.max(0, model.info.get('mip_gap')) };
  });
parentPort.on('message', async ({ program, ends }) => {
  try {
    parentPort.postMessage({ solved: solve(await loaded, program, ends) });
  } catch (error) {
    parentPort.postMessage({ failed: String(error) });
  }
});`;

type Answer = Readonly<{ solved: Solved }> | Readonly<{ failed: string }>;
type Job = Readonly<{
  program: string;
  ends: SearchEnds | undefined;
  resolve: (solved: Solved) => void;
  reject: (error: CoreError) => void;
}>;

/**
 * Threads that solve programs, so that nobody else waits for them: one, and a second where there are cores to spare. A program at a time goes to
 * each, in the order they came. A plan sends its next one when the last is answered, so that several people are served in turn.
 */
class SolverPool {
  readonly #most: number;
  readonly #queue: Job[] = [];
  readonly #idle: Worker[] = [];
  readonly #busy = new Map<Worker, Job>();

  constructor(most: number) {
    this.#most = most;
  }

  solve(program: string, ends: SearchEnds | undefined, signal?: AbortSignal): Promise<Solved> {
    if (signal?.aborted) return Promise.reject(new CoreError('solving_cancelled'));
    return new Promise((resolve, reject) => {
      const cancel = () => this.#cancel(job);
      const settled =
        <V>(then: (value: V) => void) =>
        (value: V) => {
          signal?.removeEventListener('abort', cancel);
          then(value);
        };
      const job: Job = { program, ends, resolve: settled(resolve), reject: settled(reject) };
      signal?.addEventListener('abort', cancel, { once: true });
      this.#queue.push(job);
      this.#begin();
    });
  }

  /** Ends the threads; whatever was asked of them is told as lost, and the next program begins another. */
  async stop(): Promise<void> {
    const threads = [...this.#idle, ...this.#busy.keys()];
    for (const job of this.#queue.splice(0)) job.reject(new CoreError('solver_lost'));
    await Promise.all(threads.map((t) => t.terminate()));
  }

  #begin(): void {
    while (this.#queue.length > 0) {
      const thread = this.#idle.pop() ?? (this.#busy.size < this.#most ? this.#thread() : null);
      if (!thread) return;
      const job = this.#queue.shift()!;
      this.#busy.set(thread, job);
      thread.postMessage({ program: job.program, ends: job.ends });
    }
  }

  /** What waits is taken out of the row; what is being solved ends with its thread, since nothing else reaches it. */
  #cancel(job: Job): void {
    const at = this.#queue.indexOf(job);
    if (at >= 0) this.#queue.splice(at, 1);
    for (const [thread, its] of this.#busy)
      if (its === job) {
        this.#busy.delete(thread);
        void thread.terminate();
      }
    job.reject(new CoreError('solving_cancelled'));
    this.#begin();
  }

  #thread(): Worker {
    const thread = new Worker(threadCode, { eval: true, workerData: createRequire(import.meta.url).resolve('highs') });
    thread.unref();
    thread.on('message', (answer: Answer) => {
      const job = this.#busy.get(thread);
      this.#busy.delete(thread);
      this.#idle.push(thread);
      if ('solved' in answer) job?.resolve(answer.solved);
      else job?.reject(new CoreError('not_solved', { why: answer.failed }));
      this.#begin();
    });
    const lost = () => {
      const at = this.#idle.indexOf(thread);
      if (at >= 0) this.#idle.splice(at, 1);
      this.#busy.get(thread)?.reject(new CoreError('solver_lost'));
      if (this.#busy.delete(thread)) this.#begin();
    };
    thread.on('error', lost);
    thread.on('exit', lost);
    return thread;
  }
}

export const solverPool = new SolverPool(availableParallelism() >= 4 ? 2 : 1);

/**
 * Solves in a thread of its own; what is cancelled ends at once.
 *
 * Errors: rejects with CoreError 'solving_cancelled', 'solver_lost' when the thread died, 'not_solved'.
 */
export const solverFor =
  (signal?: AbortSignal): LinearSolver =>
  (program, ends) =>
    solverPool.solve(program, ends, signal);
