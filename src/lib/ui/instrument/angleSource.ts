import { inclinationDeg, upOf, type AngleSample, type Up } from '$lib/core';

export type Trouble = 'no sensor' | 'denied' | 'nothing to tell' | 'gone';

/** Something that tells how its long side lies, again and again. */
export interface AngleSource {
  /** Samples carry the rise of the long side in degrees, level 0. Returns how to stop. */
  start(onSample: (sample: AngleSample) => void, onTrouble: (trouble: Trouble) => void): () => void;
}

/** After this long without one sample there is none to come. */
const patienceMs = 2000;
/** So long a busy server may take before it answers at all. */
const answerMs = 15_000;

type Tilt = Readonly<{ tMs: number; betaDeg: number | null; gammaDeg: number | null }>;

/** Turns what a device tells of its tilt into the rise of its long side; the face that looked up at first tells forward from back. */
function riseReader(): (tilt: Tilt) => AngleSample {
  let began: Up | null = null;
  return ({ tMs, betaDeg, gammaDeg }) => {
    if (betaDeg === null || gammaDeg === null) return { tMs, deg: null };
    const up = upOf(betaDeg, gammaDeg);
    began ??= up;
    return { tMs, deg: inclinationDeg(up, began) };
  };
}

type Orientation = Readonly<{ beta: number | null; gamma: number | null }>;
type AskingEvent = { requestPermission?: () => Promise<'granted' | 'denied'> };

/** The tilt sensor of this phone or tablet. Asks for permission where the browser wants it; must start from a tap. */
export const deviceAngle: AngleSource = {
  start(onSample, onTrouble) {
    let stopped = false;
    const riseOf = riseReader();
    let seen = 0;
    const listen = (event: Event) => {
      const { beta, gamma } = event as unknown as Orientation;
      const sample = riseOf({ tMs: event.timeStamp, betaDeg: beta, gammaDeg: gamma });
      if (++seen === 1 && sample.deg === null) onTrouble('nothing to tell');
      onSample(sample);
    };
    const wait = setTimeout(() => seen === 0 && onTrouble('no sensor'), patienceMs);
    const begin = async () => {
      if (typeof DeviceOrientationEvent === 'undefined') return onTrouble('no sensor');
      const { requestPermission } = DeviceOrientationEvent as unknown as AskingEvent;
      const answer = requestPermission ? await requestPermission().catch(() => 'denied' as const) : 'granted';
      if (stopped) return;
      if (answer === 'denied') return onTrouble('denied');
      addEventListener('deviceorientation', listen);
    };
    void begin();
    return () => {
      stopped = true;
      clearTimeout(wait);
      removeEventListener('deviceorientation', listen);
    };
  }
};

/** A device behind an address that sends how it is tilted, sample after sample. */
export const streamedAngle = (address: string): AngleSource => ({
  start(onSample, onTrouble) {
    const stream = new EventSource(address);
    const riseOf = riseReader();
    let seen = 0;
    let nulls = 0;
    const stop = () => {
      clearTimeout(wait);
      stream.close();
    };
    const giveUp = () => seen === 0 && onTrouble('gone');
    let wait = setTimeout(giveUp, answerMs);
    stream.onopen = () => {
      clearTimeout(wait);
      wait = setTimeout(giveUp, patienceMs);
    };
    stream.onmessage = ({ data }) => {
      const sample = riseOf(JSON.parse(data as string) as Tilt);
      seen++;
      if (sample.deg === null && ++nulls === 20 && nulls === seen) onTrouble('nothing to tell');
      onSample(sample);
    };
    // It would connect again by itself, in the middle of another reading: that is for the hand that measures to say.
    stream.onerror = () => {
      stop();
      onTrouble('gone');
    };
    return stop;
  }
});
