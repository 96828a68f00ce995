import { describe, expect, test } from 'vitest';
import { changeSoFar, normalDraw, seededRandom, type Retaken } from '../index';

const taken = (week: number, value: number, more: Partial<Retaken> = {}): Retaken => ({
  week,
  value,
  sd: 1.5,
  measurer: '',
  dayTime: '',
  ...more
});
const series = (values: readonly number[]) => values.map((value, i) => taken(2 * i, value));
const told = (measures: readonly Retaken[]) => changeSoFar(measures, 'higher')?.verdict ?? null;

describe('the change so far', () => {
  test('one measure has none; two are held against each other with a chance of one in a hundred', () => {
    expect(told([taken(0, 60)])).toBeNull();
    // Source: by hand: 2.576 × 1.5 × √2 = 5.46 for one in a hundred, 1.645 × 1.5 × √2 = 3.49 for one in ten.
    expect(told([taken(0, 60), taken(2, 65.4)])).toBe('likely gain');
    expect(told([taken(0, 60), taken(2, 65.5)])).toBe('real gain');
    expect(told([taken(0, 60), taken(2, 63.4)])).toBe('not shown');
    expect(told([taken(0, 60), taken(2, 54.5)])).toBe('real loss');
  });
  test('a steady gain of one a week is told by the eighth week, where no single retest shows it', () => {
    expect(told(series([60, 62, 64, 66, 68]))).toBe('real gain');
    expect(told(series([66, 68]))).toBe('not shown');
    expect(changeSoFar(series([60, 62, 64, 66, 68]), 'lower')).toMatchObject({
      verdict: 'real loss',
      before: 60,
      after: 68,
      weeks: 8,
      measures: 5
    });
  });
  test('a line that goes the other way than the plain difference says nothing', () =>
    expect(told(series([60, 70, 70, 70, 59]))).toBe('not shown'));
  test('of a long series the last half year counts, but every look was a chance to be wrong', () => {
    const long = Array.from({ length: 30 }, (_, i) => taken(2 * i, i < 15 ? 60 : 70));
    expect(changeSoFar(long, 'higher')).toMatchObject({ weeks: 26, before: 70, verdict: 'not shown' });
  });
  test('another measurer, or another hour, makes a change less sure, and is told with what it may make', () => {
    const by = (more: Partial<Retaken>) =>
      changeSoFar([taken(0, 20, { measurer: 'Ada', dayTime: 'evening' }), taken(1, 26, more)], 'higher')!;
    expect(by({ measurer: 'ada ', dayTime: 'evening' })).toMatchObject({ verdict: 'real gain', others: [] });
    const other = by({ measurer: 'Ben', dayTime: 'morning' });
    expect(other).toMatchObject({ verdict: 'likely gain', others: ['measurer', 'time of day'] });
    expect(other.othersMargin).toBeCloseTo(1.96 * 1.5 * Math.SQRT2);
    expect(by({ measurer: '' }).others).toEqual([]);
  });
  test('two measures of one day are held against each other plainly', () =>
    expect(told([taken(3, 60), taken(3, 66)])).toBe('real gain'));

  // Source: our own simulation at the stated error: retests every second week for twelve weeks, both sides. docs/benchmarks.md has more.
  test('of people who do not change at most one in twenty is ever told a real change', () => {
    const random = seededRandom(5);
    const anyReal = Array.from({ length: 1500 }, () =>
      [0, 1].some(() => {
        const values = Array.from({ length: 7 }, (_, i) => taken(2 * i, 60 + 1.5 * normalDraw(random)));
        return values.some((_, n) => /^real/.test(told(values.slice(0, n + 1)) ?? ''));
      })
    );
    const share = anyReal.filter(Boolean).length / anyReal.length;
    expect(share).toBeLessThan(0.05);
    expect(share).toBeGreaterThan(0.005);
  });
});
