import type { SubmitFunction } from '@sveltejs/kit';
import { page } from '$app/state';

type Progress = Readonly<{ done: number; of: number }>;

/** One solve of a plan that a form of this page asked for: how far it is, and the way to stop it. Nothing is kept before it is solved. */
export class Solving {
  isRunning = $state(false);
  isStopping = $state(false);
  progress = $state<Progress | null>(null);

  readonly #address = () => `/people/${page.params.clientId}/plan/progress.json`;

  /** For `use:enhance`: what `send` does, watched from here. */
  watched(send: SubmitFunction): SubmitFunction {
    return async (submit) => {
      const then = await send(submit);
      this.isRunning = true;
      const look = setInterval(() => void this.#look(), 500);
      return async (answered) => {
        clearInterval(look);
        this.isRunning = this.isStopping = false;
        this.progress = null;
        await then?.(answered);
      };
    };
  }

  /** A glance that fails is passed over. */
  async #look(): Promise<void> {
    const told = await fetch(this.#address()).catch(() => null);
    if (told?.ok && this.isRunning) this.progress = ((await told.json()) as Progress | null) ?? this.progress;
  }

  async stop(): Promise<void> {
    this.isStopping = true;
    await fetch(this.#address(), { method: 'DELETE' }).catch(() => (this.isStopping = false));
  }
}
