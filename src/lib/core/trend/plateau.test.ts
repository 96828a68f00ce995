import { describe, expect, test } from 'vitest';
import { normalDraw, plateau, seededRandom, type PlateauAsk } from '../index';

// The rule and its figures: docs/sources.md#trend (assumptions); attendance before the plan: common practice.
const flat = [0, 2, 4, 6, 8, 10].map((week) => ({ week, value: 100 + (week % 4 === 0 ? 0.3 : 0) }));
const ask: PlateauAsk = { measures: flat, betterIs: 'higher', done: 15, due: 18, expectedPerWeek: 2 };

describe('plateau', () => {
  test('a rate that is surely too small asks for another stimulus', () => {
    expect(plateau(ask)).toMatchObject({ verdict: 'change the stimulus', attendance: 15 / 18 });
  });

  test('attendance is named first', () => {
    expect(plateau({ ...ask, done: 6 }).verdict).toBe('attendance first');
    expect(plateau({ ...ask, done: 0, due: 0 }).verdict).toBe('change the stimulus');
  });

  test('a rate that may still be worth it is none, whichever way is better', () => {
    const rising = flat.map((m) => ({ ...m, value: 100 + m.week }));
    expect(plateau({ ...ask, measures: rising }).verdict).toBe('no');
    expect(plateau({ ...ask, measures: rising, betterIs: 'lower' }).verdict).toBe('change the stimulus');
    const falling = rising.map((m) => ({ ...m, value: -m.value }));
    expect(plateau({ ...ask, measures: falling, betterIs: 'lower' }).verdict).toBe('no');
  });

  test('too few measures or weeks say nothing', () => {
    expect(plateau({ ...ask, measures: [] })).toMatchObject({ verdict: 'not known', perWeek: null, weeks: 0 });
    expect(plateau({ ...ask, measures: flat.slice(0, 4) }).verdict).toBe('not known');
    expect(plateau({ ...ask, measures: flat.map((m) => ({ ...m, week: m.week / 3 })) }).verdict).toBe('not known');
  });

  test('what was gained long ago does not hide that it has come to rest', () => {
    const before = [-20, -18, -16, -14].map((week) => ({ week, value: 70 + (20 + week) }));
    expect(plateau({ ...ask, measures: [...before, ...flat] })).toMatchObject({ verdict: 'change the stimulus', measures: 5 });
  });

  // Source: simulated, the usual error of an angle (sd 2°) and a retest every second week.
  test('who gains half of what is expected is hardly ever told so in twelve weeks, and who stands still long enough is', () => {
    const random = seededRandom(20261201);
    const told = (perWeek: number, weeks: number) =>
      Array.from({ length: 400 }, () => {
        const all = Array.from({ length: weeks / 2 + 1 }, (_, i) => ({
          week: i * 2,
          value: perWeek * i * 2 + 2 * normalDraw(random)
        }));
        return all.some((_, i) => plateau({ ...ask, measures: all.slice(0, i + 1) }).verdict === 'change the stimulus');
      }).filter(Boolean).length / 400;
    expect(told(1, 12)).toBeLessThanOrEqual(0.01);
    expect(told(0.5, 12)).toBeLessThanOrEqual(0.05);
    expect(told(0, 48)).toBeGreaterThan(0.3);
  });
});
