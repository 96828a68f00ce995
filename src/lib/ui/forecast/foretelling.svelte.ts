import type { Forecast, HeadlineAsk } from '$lib/core';

export type Told = Readonly<{ number: number; forecast: Forecast | null }>;

/**
 * A forecast that is reckoned beside the page: the last one asked for counts, an older answer is dropped. `told` keeps the answer before
 * while a new one is on its way.
 */
export class Foretelling {
  told = $state.raw<Forecast | null>(null);
  state = $state<'none' | 'reckoning' | 'told' | 'not possible' | 'worker died'>('none');
  #worker: Worker | null = null;
  #number = 0;

  ask(ask: HeadlineAsk): void {
    this.#worker ??= this.#start();
    this.state = 'reckoning';
    this.#worker.postMessage({ number: ++this.#number, ask });
  }

  /** Ends what is under way; what was told stays. */
  stop(): void {
    this.#worker?.terminate();
    this.#worker = null;
    if (this.state === 'reckoning') this.state = this.told ? 'told' : 'none';
  }

  #start(): Worker {
    const worker = new Worker(new URL('./forecastWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<Told>) => {
      if (data.number !== this.#number) return;
      this.told = data.forecast;
      this.state = data.forecast ? 'told' : 'not possible';
    };
    worker.onerror = () => {
      this.stop();
      this.state = 'worker died';
    };
    return worker;
  }
}
