import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { AngleSample } from '$lib/core';
import type { AngleSource, Trouble } from './angleSource';
import { InstrumentState } from './instrumentState.svelte';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** An instrument that is moved by hand. */
function held() {
  let hear: (sample: AngleSample) => void = () => undefined;
  let fail: (trouble: Trouble) => void = () => undefined;
  let tMs = 0;
  const stopped = vi.fn();
  const source: AngleSource = {
    start(onSample, onTrouble) {
      [hear, fail] = [onSample, onTrouble];
      return stopped;
    }
  };
  return {
    source,
    stopped,
    fail: (trouble: Trouble) => fail(trouble),
    /** Lies at an angle for so many milliseconds, fifty samples a second. */
    lie(degAt: (ms: number) => number | null, forMs = 3000) {
      for (let ms = 0; ms < forMs; ms += 20) hear({ tMs: (tMs += 20), deg: degAt(ms) });
    }
  };
}

function reading() {
  const state = new InstrumentState();
  const instrument = held();
  state.start(instrument.source);
  return { state, ...instrument };
}

describe('an instrument', () => {
  test('locks where it comes to rest, and stays there', () => {
    const { state, lie } = reading();
    lie((ms) => 20 + ms / 100, 2000);
    expect(state.lockedDeg).toBeNull();
    lie(() => 41);
    const locked = state.lockedDeg;
    expect(locked).toBeCloseTo(41, 0);
    lie(() => 60);
    expect(state.lockedDeg).toBe(locked);
  });

  test('does not lock while it moves or shakes', () => {
    const { state, lie } = reading();
    lie((ms) => ms / 40);
    lie((ms) => 40 + 6 * Math.sin(ms / 60));
    expect(state.lockedDeg).toBeNull();
  });

  test('the value that was taken is not read again until the needle has left it', () => {
    const { state, lie } = reading();
    lie(() => 41);
    expect(state.take()).toBeCloseTo(41, 1);
    lie(() => 42);
    expect(state.lockedDeg).toBeNull();
    lie((ms) => 42 - ms / 100, 2000);
    lie(() => 41.5);
    expect(state.lockedDeg).toBeCloseTo(41.5, 1);
  });

  test('a locked value that is let go is read from anywhere, the same place too', () => {
    const { state, lie } = reading();
    lie(() => 41);
    state.again();
    lie(() => 41);
    expect(state.lockedDeg).toBeCloseTo(41, 1);
  });

  test('nothing locked, nothing taken', () => expect(reading().state.take()).toBeNull());

  test.each(['gone', 'denied', 'no sensor'] as const)('%s ends the reading and says so', (trouble) => {
    const { state, fail, stopped } = reading();
    fail(trouble);
    expect([state.trouble, state.running]).toEqual([trouble, false]);
    expect(stopped).toHaveBeenCalledOnce();
  });

  test('a value that was locked before it went away is still there to be taken', () => {
    const { state, lie, fail } = reading();
    lie(() => 41);
    fail('gone');
    expect(state.take()).toBeCloseTo(41, 1);
  });

  test('a sensor that tells no angle may yet begin to', () => {
    const { state, lie, fail } = reading();
    fail('nothing to tell');
    expect(state.running).toBe(true);
    lie(() => 30);
    expect(state.trouble).toBeNull();
  });

  test('silence is not a steady needle', () => {
    const { state, lie } = reading();
    lie(() => 41, 200);
    expect(state.status.deg).not.toBeNull();
    vi.advanceTimersByTime(1500);
    expect(state.status.deg).toBeNull();
  });

  test('another source begins afresh, and the first is let go', () => {
    const { state, lie, stopped } = reading();
    lie(() => 41);
    state.start(held().source);
    expect(stopped).toHaveBeenCalledOnce();
    expect([state.lockedDeg, state.running]).toEqual([null, true]);
    state.stop();
    expect(state.running).toBe(false);
  });
});
