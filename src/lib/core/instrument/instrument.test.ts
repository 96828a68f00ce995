import { describe, expect, test } from 'vitest';
import {
  inclinationDeg,
  instrumentDoubt,
  instrumentValueDeg,
  simulateAngles,
  steadiness,
  steadinessRule,
  upOf,
  withSample,
  type AngleSample,
  type Behaviour
} from '../index';

const stream = (
  degAt: (s: number) => number | null,
  { perS = 50, forS = 3, dropped = (i: number): boolean => i < 0 } = {}
): AngleSample[] =>
  Array.from({ length: perS * forS }, (_, i) => ({ tMs: (i * 1000) / perS, deg: degAt(i / perS) })).filter((_, i) => !dropped(i));
const atEnd = (samples: readonly AngleSample[]) => steadiness(samples, samples.at(-1)!.tMs);

describe('steadiness', () => {
  test('a limb held still is steady, and reads where it is', () => {
    const s = atEnd(stream(() => 84));
    expect(s).toMatchObject({ state: 'steady', restDeg: 84, spreadDeg: 0 });
    expect(s.driftDegPerS).toBeCloseTo(0, 9);
  });

  test('the tremor of a held limb, 8 to 12 a second by some tenths of a degree (common practice), is averaged out', () => {
    for (const hz of [8, 10, 12]) {
      const s = atEnd(stream((t) => 84 + 0.5 * Math.sin(2 * Math.PI * hz * t)));
      expect(s.state).toBe('steady');
      expect(Math.abs(s.restDeg! - 84)).toBeLessThan(0.2);
    }
  });

  test('a tremor of degrees is not steady', () => expect(atEnd(stream((t) => 84 + 3 * Math.sin(60 * t))).state).toBe('moving'));

  test('a slow creep is taken, a quicker one waited for', () => {
    const slow = atEnd(stream((t) => 84 + 0.3 * t));
    expect(slow.state).toBe('steady');
    expect(slow.driftDegPerS).toBeCloseTo(0.3, 6);
    expect(atEnd(stream((t) => 84 + 1.5 * t)).state).toBe('moving');
    expect(atEnd(stream((t) => 84 - 1.5 * t)).state).toBe('moving');
  });

  test('the end of a settling limb is not held back by its way there', () => {
    const arriving = stream((t) => 84 - 40 * Math.exp(-t / 0.9), { forS: 8 });
    const first = arriving.findIndex(
      (_, i) => i > 80 && steadiness(arriving.slice(0, i), arriving[i - 1]!.tMs).state === 'steady'
    );
    const { restDeg } = steadiness(arriving.slice(0, first), arriving[first - 1]!.tMs);
    expect(84 - restDeg!).toBeLessThan(0.5);
  });

  test('one dropped sample in ten does no harm; a hole of half a second does', () => {
    expect(atEnd(stream(() => 84, { dropped: (i) => i % 10 === 3 })).state).toBe('steady');
    expect(atEnd(stream(() => 84, { dropped: (i) => i > 110 && i < 136 })).state).toBe('gathering');
  });

  test('a limb that is still settling is moving', () =>
    expect(atEnd(stream((t) => 84 - 40 * Math.exp(-t / 0.9), { forS: 2 })).state).toBe('moving'));

  test('is silent without samples, after the last one, and where a sensor tells nothing', () => {
    expect(steadiness([], 0).state).toBe('silent');
    const samples = stream(() => 84);
    expect(steadiness(samples, samples.at(-1)!.tMs + steadinessRule.maxSilenceMs + 1).state).toBe('silent');
    expect(atEnd(stream(() => null)).state).toBe('silent');
    expect(atEnd(stream(() => Number.NaN)).state).toBe('silent');
  });

  test('gathers until its window is full', () => expect(atEnd(stream(() => 84, { forS: 1 })).state).toBe('gathering'));
});

describe('withSample', () => {
  test('keeps a flood short and still sees it rest', () => {
    let kept: readonly AngleSample[] = [];
    for (const s of stream(() => 40, { perS: 400, forS: 4 })) kept = withSample(kept, s);
    expect(kept.length).toBeLessThanOrEqual((steadinessRule.windowMs / 1000) * steadinessRule.maxPerS + 1);
    expect(atEnd(kept).state).toBe('steady');
  });
  test('leaves out what comes late or without a clock', () => {
    const kept = withSample([], { tMs: 100, deg: 1 });
    expect(withSample(kept, { tMs: 90, deg: 2 })).toBe(kept);
    expect(withSample(kept, { tMs: Number.NaN, deg: 2 })).toBe(kept);
  });
});

describe('the tilt of a device', () => {
  const lying = upOf(0, 0);
  test.each([
    // beta, gamma, rise: from the definition of the web's orientation event
    [0, 0, 0],
    [30, 0, 30],
    [90, 0, 90],
    [-45, 0, -45],
    [135, 0, 135],
    [0, 60, 0]
  ])('beta %i, gamma %i rises %i', (beta, gamma, rise) => expect(inclinationDeg(upOf(beta, gamma), lying)).toBeCloseTo(rise, 9));

  test('is the same with the screen to the side', () => {
    const aside = upOf(0, 89);
    expect(inclinationDeg(upOf(0, 89), aside)).toBeCloseTo(0, 6);
    // Tipped over by the long side: the face that looked up looks down.
    expect(inclinationDeg({ x: -aside.x * 0.5, y: 0.8, z: -aside.z * 0.5 }, aside)).toBeGreaterThan(90);
  });

  test('the way up is a direction', () => {
    for (const [beta, gamma] of [
      [10, 20],
      [170, -80],
      [-90, 45]
    ] as const) {
      const up = upOf(beta, gamma);
      expect(Math.hypot(up.x, up.y, up.z)).toBeCloseTo(1, 12);
    }
  });
});

describe('instrumentValueDeg', () => {
  test('level: the rise, past upright and past level on the other side; a fall where the limb sinks', () => {
    expect(instrumentValueDeg({ zero: 'level' }, 112)).toBe(112);
    expect(instrumentValueDeg({ zero: 'level' }, -170)).toBe(190);
    expect(instrumentValueDeg({ zero: 'level', sign: -1 }, -75)).toBe(75);
    expect(instrumentValueDeg({ zero: 'level', sign: -1 }, 12)).toBe(-12);
  });
  test('up and down: from straight up or down to whichever side, below level too', () => {
    expect(instrumentValueDeg({ zero: 'up' }, 52)).toBeCloseTo(38, 9);
    expect(instrumentValueDeg({ zero: 'up' }, 128)).toBeCloseTo(38, 9);
    expect(instrumentValueDeg({ zero: 'up' }, -10)).toBeCloseTo(100, 9);
    expect(instrumentValueDeg({ zero: 'down' }, -50)).toBeCloseTo(40, 9);
    expect(instrumentValueDeg({ zero: 'up' }, 80, 0, 'tipped the other way')).toBeCloseTo(-10, 9);
  });
  test('what a tilt leaves open is asked, and only that', () => {
    expect(instrumentDoubt({ zero: 'up' }, [-40, 130])).toBe('tipped the other way');
    expect(instrumentDoubt({ zero: 'up' }, [0, 120])).toBeNull();
    expect(instrumentDoubt({ zero: 'set' }, [0, 240])).toBe('past a straight line');
    expect(instrumentDoubt({ zero: 'set', keepsSign: true }, [-90, 30])).toBeNull();
    expect(instrumentDoubt({ zero: 'level' }, [-40, 210])).toBeNull();
  });
  test('set: the turn since the zero, the short way round', () => {
    expect(instrumentValueDeg({ zero: 'set' }, 140, 5)).toBe(135);
    expect(instrumentValueDeg({ zero: 'set' }, -170, 170)).toBeCloseTo(20, 9);
    expect(instrumentValueDeg({ zero: 'set' }, 5, 140)).toBe(135);
    expect(instrumentValueDeg({ zero: 'set', keepsSign: true }, -15, 0)).toBe(-15);
    expect(instrumentValueDeg({ zero: 'set', offsetDeg: 90, sign: -1 }, 60, 5)).toBe(35);
    expect(instrumentValueDeg({ zero: 'set' }, 80, -90, 'past a straight line')).toBe(190);
  });
});

/** Reads a simulated instrument as the page does: until it is steady, or it gives up. */
function readSimulated(seed: number, behaviour: Behaviour = 'well', limitS = 12) {
  let kept: readonly AngleSample[] = [];
  for (const sample of simulateAngles({ restDeg: 84, startDeg: 50, seed, behaviour })) {
    if (sample.tMs > limitS * 1000) return null;
    kept = withSample(kept, sample);
    const s = steadiness(kept, sample.tMs);
    if (s.state === 'steady') return { deg: s.restDeg!, tMs: sample.tMs };
  }
  return null;
}

describe('the simulated instrument', () => {
  test('comes to rest within ten seconds and reads within its stated error, 1.96 × 1.5°, in at least 95 of 100 readings', () => {
    const readings = Array.from({ length: 100 }, (_, seed) => readSimulated(seed));
    expect(readings.every((r) => r !== null && r.tMs < 10_000)).toBe(true);
    expect(readings.filter((r) => Math.abs(r!.deg - 84) <= 1.96 * 1.5).length).toBeGreaterThanOrEqual(95);
  });
  test('is the same for the same seed', () => expect(readSimulated(7)).toEqual(readSimulated(7)));
  test('a flood is read as well; one that drops out, is silent or tells nothing never locks', () => {
    expect(readSimulated(3, 'flood')).not.toBeNull();
    for (const behaviour of ['drops out', 'silent', 'nothing to tell'] as const) expect(readSimulated(3, behaviour)).toBeNull();
  });
});
