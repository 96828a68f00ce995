import { describe, expect, test } from 'vitest';
import { leftAfterBreak } from './gain';
import {
  drawTruth,
  forecast,
  scaledPrior,
  seededRandom,
  simulateClient,
  usualPrior,
  type ForecastAsk,
  type SimulatedTruth
} from '../index';

const ask: ForecastAsk = {
  observations: [
    { session: 0, week: 0, value: 120 },
    { session: 6, week: 2, value: 124 },
    { session: 12, week: 4, value: 127 },
    { session: 18, week: 6, value: 130 }
  ],
  sem: 2,
  sessionsPerWeek: 3,
  attended: 18,
  missed: 0,
  weeks: 12,
  goal: 140,
  seed: 1,
  paths: 600
};
const endOf = (a: ForecastAsk) => forecast(a).weeks.at(-1)!;
const widthOf = (a: ForecastAsk) => endOf(a).p95 - endOf(a).p05;

describe('forecast', () => {
  test('a band for every week, in order, and the goal reached ever more likely', () => {
    const { weeks, priorShare, now } = forecast(ask);
    expect(weeks.map((w) => w.week)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
    for (const band of [now, ...weeks])
      expect([band.p05, band.p25, band.p50, band.p75, band.p95]).toEqual(
        [band.p05, band.p25, band.p50, band.p75, band.p95].toSorted((a, b) => a - b)
      );
    for (const [i, w] of weeks.entries()) expect(w.reachedShare).toBeGreaterThanOrEqual(weeks[i - 1]?.reachedShare ?? 0);
    expect(priorShare).toBeGreaterThan(0);
    expect(priorShare).toBeLessThan(1);
  });

  test('the same ask gives the same answer; another seed nearly so', () => {
    expect(forecast(ask)).toEqual(forecast(ask));
    expect(endOf({ ...ask, seed: 2 }).p50).not.toBe(endOf(ask).p50);
    expect(Math.abs(endOf({ ...ask, seed: 2 }).p50 - endOf(ask).p50)).toBeLessThan(1);
  });

  test('what is measured as better when it falls is the same thing mirrored', () => {
    const mirrored = forecast({
      ...ask,
      betterIs: 'lower',
      goal: -ask.goal,
      observations: ask.observations.map((o) => ({ ...o, value: -o.value }))
    });
    const there = forecast(ask);
    expect(mirrored.priorShare).toBeCloseTo(there.priorShare, 12);
    expect(mirrored.weeks.at(-1)!.p05).toBeCloseTo(-there.weeks.at(-1)!.p95, 9);
    expect(mirrored.weeks.at(-1)!.reachedShare).toBe(there.weeks.at(-1)!.reachedShare);
  });

  test('one measure rests on the assumption alone; every further one takes from it', () => {
    const shares = [1, 2, 3, 4].map((n) => forecast({ ...ask, observations: ask.observations.slice(0, n) }).priorShare);
    expect(shares[0]).toBeGreaterThan(0.95);
    for (const [i, share] of shares.slice(1).entries()) expect(share).toBeLessThan(shares[i]!);
  });

  test('the better the measure, the narrower the band; the farther ahead, the wider', () => {
    expect(widthOf({ ...ask, sem: 1 })).toBeLessThan(widthOf({ ...ask, sem: 4 }));
    const { weeks } = forecast(ask);
    expect(weeks[11]!.p95 - weeks[11]!.p05).toBeGreaterThan(weeks[1]!.p95 - weeks[1]!.p05);
  });

  test('who comes more often gets there sooner, who never comes loses', () => {
    expect(endOf({ ...ask, sessionsPerWeek: 5 }).p50).toBeGreaterThan(endOf({ ...ask, sessionsPerWeek: 2 }).p50);
    const missing = {
      ...ask,
      attended: 9,
      missed: 27,
      observations: ask.observations.map((o) => ({ ...o, session: o.session / 2 }))
    };
    expect(endOf(missing).reachedShare).toBeLessThan(endOf({ ...missing, missed: 0, attended: 36 }).reachedShare);
    const idle = forecast({ ...ask, sessionsPerWeek: 0 });
    expect(idle.weeks.at(-1)!.p50).toBeLessThan(idle.now.p50);
  });

  test('a break since the last measure counts', () => {
    const now = { session: 18, week: 12 };
    const sessionWeeks = Array.from({ length: 18 }, (_, i) => (i + 1) / 3);
    expect(forecast({ ...ask, sessionWeeks, now }).now.p50).toBeLessThan(forecast({ ...ask, sessionWeeks }).now.p50);
  });

  test('in another unit the same thing, scaled', () => {
    const inHalves = forecast({
      ...ask,
      sem: ask.sem / 2,
      goal: ask.goal / 2,
      prior: scaledPrior(0.5),
      observations: ask.observations.map((o) => ({ ...o, value: o.value / 2 }))
    });
    expect(inHalves.weeks.at(-1)!.p50).toBeCloseTo(endOf(ask).p50 / 2, 9);
    expect(inHalves.priorShare).toBeCloseTo(forecast(ask).priorShare, 9);
  });

  // Source: the assumption about breaks (docs/sources.md#forecast): two weeks cost nothing, each one after that 6 % of what was gained.
  test('a break costs nothing for two weeks and 6 % of the gain a week after that; what has come to rest gains no more', () => {
    const still = { ...usualPrior, wanderPerWeek: 0, comesToRestPerWeek: 0, away: { ...usualPrior.away, perWeek: 0 } };
    expect([0, 1, 2, 3, 5].map(leftAfterBreak)).toEqual([1, 1, 1, 0.94, expect.closeTo(0.94 ** 3, 12)]);
    const away = forecast({ ...ask, sessionsPerWeek: 0, prior: still, weeks: 6 });
    const medians = [away.now, ...away.weeks].map((w) => w.p50);
    expect(medians.slice(0, 3)).toEqual([medians[0], medians[0], medians[0]]);
    for (let week = 3; week <= 6; week++) expect(medians[week]).toBeLessThan(medians[week - 1]!);
    const rested = forecast({ ...ask, prior: { ...still, comesToRestPerWeek: 1 }, weeks: 6 });
    for (const week of rested.weeks) expect(week.p50).toBeCloseTo(rested.now.p50, 9);
  });

  test('says what is missing or out of range', () => {
    expect(() => forecast({ ...ask, observations: [] })).toThrow('measure_missing');
    expect(() => forecast({ ...ask, weeks: 0 })).toThrow('out_of_range');
    expect(() => forecast({ ...ask, sem: 0 })).toThrow('out_of_range');
    expect(() => forecast({ ...ask, sessionsPerWeek: Number.NaN })).toThrow('out_of_range');
  });
});

describe('a simulated client', () => {
  const truth: SimulatedTruth = { start: 100, gain: 20, rate: 0.05, sem: 0, attendance: 1, wanderPerWeek: 0 };
  const plan = { weeks: 12, sessionsPerWeek: 3, measureEveryWeeks: 2 };

  test('lives the curve where nothing wanders and nothing is missed', () => {
    const { levels, observations, attended, missed } = simulateClient(truth, plan, 1);
    expect([attended, missed]).toEqual([36, 0]);
    expect(levels[4]).toBeCloseTo(100 + 20 * (1 - Math.exp(-0.05 * 12)), 9);
    expect(observations.map((o) => o.week)).toEqual([0, 2, 4, 6, 8, 10, 12]);
    expect(observations[2]!.value).toBe(levels[4]);
  });

  test('a gain that stops stays where it is; weeks away lose after the second', () => {
    const stopped = simulateClient({ ...truth, gainStopsAt: 12 }, plan, 1).levels;
    expect(stopped[12]).toBe(stopped[4]);
    const { levels } = simulateClient({ ...truth, away: { fromWeek: 4, weeks: 4 } }, plan, 1);
    expect(levels[6]).toBe(levels[4]);
    expect(levels[8]! - 100).toBeCloseTo((levels[4]! - 100) * 0.94 ** 2, 9);
  });

  /** Share of made-up people whose true level eight weeks after twelve watched ones lies in the band. */
  function held(change: (t: SimulatedTruth) => SimulatedTruth): number {
    const people = 120;
    const watched = 12;
    const inside = Array.from({ length: people }, (_, i) => {
      const person = change(drawTruth(usualPrior, 2, 900 + i));
      const life = simulateClient(person, { ...plan, weeks: watched + 8 }, i);
      const sessionWeeks = life.sessionWeeks.filter((w) => w <= watched);
      const { p05, p95 } = endOf({
        ...ask,
        observations: life.observations.filter((o) => o.week! <= watched),
        sessionWeeks,
        now: { session: sessionWeeks.length, week: watched },
        attended: sessionWeeks.length,
        missed: watched * 3 - sessionWeeks.length,
        weeks: 8,
        seed: i,
        paths: 300
      });
      const level = life.levels.at(-1)!;
      return p05 <= level && level <= p95;
    });
    return inside.filter(Boolean).length / people;
  }

  // What an honest band of 90 % may hold over people it expects and people it does not: design of the model. 120 people, so a
  // share is known to about three points; the bench has more of them.
  test('the band of nine in ten holds for people as it expects them', () => {
    expect(held((t) => t)).toBeGreaterThan(0.84);
    expect(held((t) => t)).toBeLessThan(0.97);
  });

  test.each([
    ['who gain nothing', (t: SimulatedTruth) => ({ ...t, gain: 0 })],
    ['whose gain stops at the 24th session', (t: SimulatedTruth) => ({ ...t, gainStopsAt: 24 })],
    ['who stay away for a month', (t: SimulatedTruth) => ({ ...t, away: { fromWeek: 13, weeks: 4 } })]
  ])('and for most people %s', (_, change) => {
    expect(held(change)).toBeGreaterThan(0.74);
  });

  // Source: our own simulation; what is aimed at is 86 to 94 % (docs/benchmarks.md).
  test('and in lives with rest, weeks away and an error that is larger than is known', () => {
    const random = seededRandom(77);
    const mixed = (t: SimulatedTruth): SimulatedTruth => ({
      ...t,
      ...(random() < 0.4 && { gainStopsAt: 10 + Math.floor(random() * 40) }),
      ...(random() < 0.5 && { away: { fromWeek: 2 + Math.floor(random() * 16), weeks: 2 + Math.floor(random() * 5) } })
    });
    expect(held(mixed)).toBeGreaterThan(0.8);
    expect(held((t) => ({ ...t, sem: 4 }))).toBeGreaterThan(0.72);
  });

  test('weeks away ahead widen the band downward, and rest that has come already leaves no gain ahead', () => {
    const never = { ...usualPrior, away: { ...usualPrior.away, perWeek: 0 } };
    const often = { ...usualPrior, away: { perWeek: 0.2, weeks: [4, 6] as const } };
    expect(endOf({ ...ask, prior: often }).p05).toBeLessThan(endOf({ ...ask, prior: never }).p05);
    const sessionWeeks = Array.from({ length: 60 }, (_, i) => (i + 1) / 3);
    const rested = [0, 4, 8, 12, 16, 20].map((week) => ({ week, session: week * 3, value: week < 8 ? 100 + week * 2 : 116 }));
    const flat = endOf({ ...ask, observations: rested, sessionWeeks, now: { session: 60, week: 20 }, sem: 0.5 });
    expect(flat.p50 - 116).toBeLessThan(3);
  });
});
