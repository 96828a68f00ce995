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

/**
 * A forecast that follows what is asked for as long as its component is there. What was told of another ask is gone at once: the one side's
 * never stands under the other's name.
 */
export function followed(ask: () => HeadlineAsk | null | undefined): Foretelling {
  const own = new Foretelling();
  $effect(() => {
    const asked = ask();
    own.told = null;
    if (asked) own.ask(asked);
  });
  $effect(() => () => own.stop());
  return own;
}
