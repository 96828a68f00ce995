import { steadiness, withSample, type AngleSample, type Steadiness } from '$lib/core';
import type { AngleSource, Trouble } from './angleSource';

const nothing: Steadiness = { state: 'silent', deg: null, restDeg: null, spreadDeg: null, driftDegPerS: null, samples: 0 };
/** How far the needle has to leave a value that was taken before the next is read. */
const leavesDeg = 4;
/** Without a sample for so long the needle is no longer live. */
const silentMs = 600;

/** One instrument while it is read: live, and locked once it is steady. */
export class InstrumentState {
  status = $state.raw<Steadiness>(nothing);
  /** Where it came to rest. */
  lockedDeg = $state<number | null>(null);
  trouble = $state<Trouble | null>(null);
  running = $state(false);
  #takenDeg: number | null = null;
  #kept: readonly AngleSample[] = [];
  #arrivedAt = 0;
  #stop: (() => void) | null = null;
  #watch: ReturnType<typeof setInterval> | undefined;

  /** Begins to read, or reads on with another source. */
  start(source: AngleSource): void {
    this.stop();
    this.running = true;
    this.trouble = null;
    this.#arrivedAt = performance.now();
    this.#stop = source.start(
      (sample) => this.#hear(sample),
      (trouble) => {
        this.trouble = trouble;
        if (trouble !== 'nothing to tell') this.#quiet();
      }
    );
    this.#watch = setInterval(() => {
      if (performance.now() - this.#arrivedAt > silentMs && this.lockedDeg === null) this.status = nothing;
    }, 250);
  }

  stop(): void {
    this.#quiet();
    this.#kept = [];
    this.status = nothing;
    this.lockedDeg = null;
  }

  #quiet(): void {
    this.#stop?.();
    this.#stop = null;
    clearInterval(this.#watch);
    this.running = false;
    if (this.lockedDeg === null) this.status = nothing;
  }

  #hear(sample: AngleSample): void {
    this.#arrivedAt = performance.now();
    this.#kept = withSample(this.#kept, sample);
    if (this.#kept.at(-1) !== sample) return; // thinned out
    if (this.lockedDeg !== null) return;
    const status = steadiness(this.#kept, sample.tMs);
    this.status = status;
    if (status.deg === null) return;
    this.trouble = null;
    if (this.#takenDeg !== null && Math.abs(status.deg - this.#takenDeg) < leavesDeg) return;
    this.#takenDeg = null;
    if (status.state === 'steady') this.lockedDeg = status.restDeg;
  }

  /** Lets go of a locked value to read again, from anywhere. */
  again(): void {
    this.lockedDeg = null;
    this.#takenDeg = null;
    this.#kept = [];
  }

  /** Gives the locked value; the next one locks after the needle has left it. */
  take(): number | null {
    const taken = this.lockedDeg;
    this.again();
    this.#takenDeg = taken;
    return taken;
  }
}
