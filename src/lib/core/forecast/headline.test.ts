import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  expectedPerWeek,
  headlineForecast,
  isForetold,
  measureOf,
  measures,
  scored,
  shareWithin,
  type HeadlineAsk,
  type KeptBands
} from '../index';

const ask: HeadlineAsk = {
  measureId: 'front_split_gap',
  legs: { leadLegCm: 90, trailLegCm: 90 },
  limbCm: 90,
  values: [24, 22, 19.5, 17].map((value, i) => ({ session: 6 * i, week: 2 * i, value, sd: 1.8 })),
  target: 0,
  sessionsPerWeek: 3,
  attended: 18,
  missed: 2,
  weeks: 16,
  seed: 3,
  paths: 400
};
const endOf = (a: HeadlineAsk) => headlineForecast(a).weeks.at(-1)!;

describe('headlineForecast', () => {
  test('a split is told as depths, deeper as it goes on', () => {
    const { now, weeks } = headlineForecast(ask);
    expect(now.p50).toBeGreaterThan(12);
    expect(now.p50).toBeLessThan(22);
    expect(weeks.at(-1)!.p50).toBeLessThan(now.p50);
    for (const w of weeks) expect(w.p05 <= w.p25 && w.p25 <= w.p50 && w.p50 <= w.p75 && w.p75 <= w.p95).toBe(true);
  });

  test('past flat a goal is foretold as well, and farther off than flat', () => {
    expect(endOf({ ...ask, target: -10 }).reachedShare).toBeLessThan(endOf(ask).reachedShare);
    const past = { ...ask, values: ask.values.map((v) => ({ ...v, value: v.value - 20 })) };
    expect(endOf(past).p50).toBeLessThan(0);
  });

  test('who stands as high as the legs, and who is past the straight leg, are told something', () => {
    for (const value of [89.95, -89.95])
      expect(Number.isFinite(endOf({ ...ask, values: [{ session: 0, week: 0, value, sd: 2 }] }).p50)).toBe(true);
  });

  test('without a goal there is a band and nothing reached', () => {
    expect(endOf({ ...ask, target: null })).toMatchObject({ reachedShare: 0 });
    expect(endOf({ ...ask, measureId: 'turnout_angle', target: null }).reachedShare).toBe(0);
  });

  test('every measure that is foretold stays where a body can be', () => {
    const foretold = measures.filter((m) => isForetold(m.id));
    expect(foretold.length).toBeGreaterThan(20);
    for (const { id, usual, possible, betterIs } of foretold) {
      const [low, high] = usual;
      const path = betterIs === 'higher' ? [0.3, 0.45, 0.6] : [0.6, 0.45, 0.3];
      const values = path.map((share, i) => ({ session: 6 * i, week: 2 * i, value: low + share * (high - low), sd: 2 }));
      const end = endOf({ ...ask, measureId: id, values, target: null, limbCm: 45 });
      expect(end.p05, id).toBeGreaterThanOrEqual(possible[0] - 30); // a split past flat goes on, as deep as the leg is long
      expect(end.p95, id).toBeLessThanOrEqual(possible[1]);
      expect(betterIs === 'higher' ? end.p50 > values[0]!.value : end.p50 < values[0]!.value, id).toBe(true);
    }
  });

  test('minutes, counts, levels and points are not foretold', () => {
    expect(isForetold('easy_seat_minutes')).toBe(false);
    expect(isForetold('ease')).toBe(false);
    expect(measureOf('clean_kicks').unit === '×' && isForetold('clean_kicks')).toBe(false);
  });
});

// Source: the assumption of the forecast (docs/sources.md#forecast), by hand: gain × rate × sessions of a week.
test('what is expected of a week: that of an angle where there is room, else a share of the usual range', () => {
  const expected = (measureId: string) => expectedPerWeek({ measureId, legs: ask.legs, limbCm: 90, sessionsPerWeek: 3 });
  expect(expected('HF-KS')).toBeCloseTo(25 * 0.03 * 3, 9);
  /** So much of its usual range is to be gained at most (assumption). */
  const gainOfRange = 0.25;
  const points = measures.filter((m) => m.unit === '/10');
  const rangeOf = ({ usual: [least, most] }: (typeof measures)[number]) => most - least;
  expect(points.length).toBeGreaterThan(0);
  for (const m of points) expect(expected(m.id) / expected(points[0]!.id)).toBeCloseTo(rangeOf(m) / rangeOf(points[0]!), 9);
  const angles = measures.filter((m) => m.unit === '°');
  const isNarrow = (m: (typeof measures)[number]) => gainOfRange * rangeOf(m) < 25;
  expect(angles.filter(isNarrow).length).toBeGreaterThan(0);
  for (const m of angles) expect(expected(m.id), m.id).toBeCloseTo((isNarrow(m) ? gainOfRange * rangeOf(m) : 25) * 0.03 * 3, 9);
});

describe('a kept forecast', () => {
  const bands: KeptBands = [0, 1, 2].map((week) => ({
    week,
    p05: 10 - week,
    p25: 11 - week,
    p50: 12 - week,
    p75: 13 - week,
    p95: 14 - week
  }));

  test('is held against a measure between its weeks, joined straight', () => {
    expect(scored(bands, 1.5, 10.5, 0)).toMatchObject({ within50: true, within90: true, band: { p50: 10.5 } });
    expect(scored(bands, 1, 9.1, 0)).toMatchObject({ within50: false, within90: true });
    expect(scored(bands, 1, 8.9, 0)).toMatchObject({ within90: false });
  });

  test('the error of the measure widens the band, in squares', () => {
    // Half of the band is 2, the error at nine in ten 1.645: together √(4 + 2.706) = 2.59.
    expect(scored(bands, 1, 11 - 2.58, 1)!.within90).toBe(true);
    expect(scored(bands, 1, 11 - 2.6, 1)!.within90).toBe(false);
  });

  test('each half of a band is judged by itself: what is likely below need not be so above', () => {
    const lopsided: KeptBands = [{ week: 1, p05: 4, p25: 8, p50: 12, p75: 13, p95: 14 }];
    const at = (value: number) => scored(lopsided, 1, value, 0)!;
    expect([at(5), at(9)].map((s) => [s.within50, s.within90])).toEqual([
      [false, true],
      [true, true]
    ]);
    expect([at(14.5), at(13.5)].map((s) => [s.within50, s.within90])).toEqual([
      [false, false],
      [false, true]
    ]);
  });

  test('nothing is said outside its weeks', () => {
    expect(scored(bands, 2.1, 10, 1)).toBeNull();
    expect(scored(bands, -0.5, 10, 1)).toBeNull();
  });
});

describe('shareWithin', () => {
  // Wilson's interval, worked by hand: 8 of 10 at 1.96 gives 0.49 to 0.943 (textbook value, from memory, medium).
  test('gives the worked interval', () => {
    const { share, low, high } = shareWithin(8, 10);
    expect(share).toBe(0.8);
    expect(low).toBeCloseTo(0.4902, 3);
    expect(high).toBeCloseTo(0.9433, 3);
  });

  test('stays within nought and one and holds the share', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.double({ min: 0, max: 1, noNaN: true }), (of, part) => {
        const held = Math.round(of * part);
        const { share, low, high } = shareWithin(held, of);
        expect(low).toBeGreaterThanOrEqual(-1e-12);
        expect(high).toBeLessThanOrEqual(1 + 1e-12);
        expect(low).toBeLessThanOrEqual(share + 1e-12);
        expect(high).toBeGreaterThanOrEqual(share - 1e-12);
      })
    );
  });
});
