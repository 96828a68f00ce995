import { inclinationDeg, upOf, type AngleSample, type Up } from '$lib/core';

export type Trouble = 'no sensor' | 'denied' | 'nothing to tell' | 'gone';

/** Something that tells how its long side lies, again and again. */
export interface AngleSource {
  /** Samples carry the rise of the long side in degrees, level 0. Returns how to stop. */
  start(onSample: (sample: AngleSample) => void, onTrouble: (trouble: Trouble) => void): () => void;
}

/** After this long without one sample there is none to come. */
const patienceMs = 2000;

type Orientation = Readonly<{ beta: number | null; gamma: number | null }>;
type AskingEvent = { requestPermission?: () => Promise<'granted' | 'denied'> };

/** The tilt sensor of this phone or tablet. Asks for permission where the browser wants it; must start from a tap. */
export const deviceAngle: AngleSource = {
  start(onSample, onTrouble) {
    let stopped = false;
    let began: Up | null = null;
    let seen = 0;
    const listen = (event: Event) => {
      const { beta, gamma } = event as unknown as Orientation;
      seen++;
      if (beta === null || gamma === null) {
        onSample({ tMs: event.timeStamp, deg: null });
        if (seen === 1) onTrouble('nothing to tell');
        return;
      }
      const up = upOf(beta, gamma);
      began ??= up;
      onSample({ tMs: event.timeStamp, deg: inclinationDeg(up, began) });
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

/** An instrument behind an address that sends its samples one after the other. */
export const streamedAngle = (address: string): AngleSource => ({
  start(onSample, onTrouble) {
    const stream = new EventSource(address);
    let seen = 0;
    let nulls = 0;
    const stop = () => {
      clearTimeout(wait);
      stream.close();
    };
    const wait = setTimeout(() => seen === 0 && onTrouble('gone'), patienceMs);
    stream.onmessage = ({ data }) => {
      const sample = JSON.parse(data as string) as AngleSample;
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
