import fc from 'fast-check';
import { TheilSenRegression } from 'ml-regression-theil-sen';
import { describe, expect, test } from 'vitest';
import misra1a from '../fixtures/misra1a.json';
import reference from '../fixtures/theilSenMannKendall.json';
import { fitSaturating, fitSaturatingFrom, likelyNext, mannKendall, normalDraw, seededRandom, theilSen } from '../index';

// Sources of the cases stand beside each in the fixture; every figure was brute-forced in exact fractions.
const cases = reference.cases.map((c) => ({
  ...c,
  points: c.data.x.map((x, i) => ({ x, y: c.data.y[i]! })),
  kendall: c.mann_kendall ?? null
}));

describe('theilSen', () => {
  test.each(cases)('gives the slope and the median of the rest ($name)', ({ points, theil_sen }) => {
    const { slope, intercept } = theilSen(points);
    expect(slope).toBeCloseTo(theil_sen.slope, 10);
    expect(intercept).toBeCloseTo(theil_sen.intercept_median_of_residuals, 8);
  });

  test("the interval is a pair of ranked slopes: Sen's example, at the next wider of the exact intervals", () => {
    const sen = cases.find((c) => c.name.startsWith('Sen 1968'))!;
    // 1.96 of the spread of S is 13.05 of 21 pairs: ranks 4 and 18, which hold 97 % (exact distribution, computed).
    expect(theilSen(sen.points)).toMatchObject({ low: expect.closeTo(3.7142857, 6), high: expect.closeTo(4.375, 6) });
  });

  // Where the number of slopes is even the library takes the lower of the two in the middle, not their mean.
  test('agrees with a kept library where one slope is the middle one', () => {
    const series = fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: -400, max: 400 })), {
      minLength: 3,
      maxLength: 25
    });
    fc.assert(
      fc.property(series, (pairs) => {
        const slopes = pairs.flatMap(([x], i) => pairs.slice(i + 1).filter(([other]) => other !== x)).length;
        fc.pre(slopes % 2 === 1);
        const library = new TheilSenRegression(
          pairs.map(([x]) => x),
          pairs.map(([, y]) => y)
        );
        expect(theilSen(pairs.map(([x, y]) => ({ x, y }))).slope).toBeCloseTo(library.slope, 9);
      })
    );
  });

  test('one odd value does not bend it; the interval holds the slope', () => {
    const even = Array.from({ length: 12 }, (_, x) => ({ x, y: 2 * x + (x % 3) * 0.1 }));
    const odd = even.map((p) => (p.x === 6 ? { ...p, y: 300 } : p));
    expect(Math.abs(theilSen(odd).slope - theilSen(even).slope)).toBeLessThan(0.05);
    const { slope, low, high } = theilSen(odd);
    expect(low).toBeLessThanOrEqual(slope);
    expect(high).toBeGreaterThanOrEqual(slope);
  });

  test('the interval holds the truth about nineteen times of twenty (simulated)', () => {
    const random = seededRandom(3);
    const held = Array.from({ length: 600 }, () => {
      const points = Array.from({ length: 14 }, (_, x) => ({ x, y: 0.7 * x + 2 * normalDraw(random) }));
      const { low, high } = theilSen(points);
      return low <= 0.7 && 0.7 <= high;
    }).filter(Boolean).length;
    expect(held / 600).toBeGreaterThan(0.92);
    expect(held / 600).toBeLessThan(0.98);
  });

  test('refuses points of one moment', () => {
    expect(() => theilSen([{ x: 1, y: 2 }])).toThrow('points_too_few');
    expect(() =>
      theilSen([
        { x: 1, y: 2 },
        { x: 1, y: 3 }
      ])
    ).toThrow('points_too_few');
  });
});

describe('mannKendall', () => {
  test.each(cases.flatMap((c) => (c.kendall ? [{ ...c, kendall: c.kendall }] : [])))(
    'counts the rises and falls ($name)',
    ({ data, kendall }) => {
      const { s, z, p } = mannKendall(data.y);
      expect(s).toBe(kendall.S);
      expect(z).toBeCloseTo(kendall.z_continuity_corrected!, 6);
      const exact = kendall.p_two_sided_exact_value;
      if (data.y.length <= 10 && exact !== undefined) expect(p).toBeCloseTo(exact, 7);
      else expect(p).toBeCloseTo(kendall.p_two_sided_normal!, 8);
    }
  );

  test.each(Object.entries(reference.exact_null_upper_tail_P_S_ge_s))(
    'the chance of every S without ties, %s values (all orders enumerated)',
    (n, tail) => {
      for (const [s, chance] of Object.entries(tail)) {
        if (Number(s) === 0) continue;
        expect(mannKendall(seriesWithS(Number(n), Number(s))).p).toBeCloseTo(2 * chance, 6);
      }
    }
  );

  test('a series read backwards is as sure the other way', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 2, maxLength: 14 }), (values) => {
        const there = mannKendall(values);
        const back = mannKendall(values.toReversed());
        expect(back.s + there.s).toBe(0);
        expect(back.p).toBeCloseTo(there.p, 12);
        expect(there.p).toBeGreaterThan(0);
        expect(there.p).toBeLessThanOrEqual(1 + 1e-12);
      })
    );
  });
});

/** The values 1 to n in an order that has the S asked for: swaps of neighbours take two off each. */
function seriesWithS(n: number, s: number): number[] {
  const values = Array.from({ length: n }, (_, i) => i + 1);
  let swaps = ((n * (n - 1)) / 2 - s) / 2;
  for (let end = n - 1; end > 0; end--)
    for (let i = 0; i < end && swaps > 0; i++)
      if (values[i]! < values[i + 1]!) {
        [values[i], values[i + 1]] = [values[i + 1]!, values[i]!];
        swaps--;
      }
  return values;
}

describe('fitSaturating', () => {
  const points = misra1a.data.x.map((x, i) => ({ x, y: misra1a.data.y[i]! }));

  // Statistical Reference Datasets, nonlinear regression, Misra1a; certified values from memory, refitted at 50 digits (fixture).
  test('gives the certified values of Misra1a', () => {
    const fit = fitSaturating(points);
    const relative = (got: number, want: number) => Math.abs(got / want - 1);
    expect(relative(fit.b1, misra1a.expected.b1)).toBeLessThan(misra1a.tolerance.parameters_relative);
    expect(relative(fit.b2, misra1a.expected.b2)).toBeLessThan(misra1a.tolerance.parameters_relative);
    expect(relative(fit.seB1, misra1a.expected.b1_sd)).toBeLessThan(misra1a.tolerance.standard_deviations_relative);
    expect(relative(fit.seB2, misra1a.expected.b2_sd)).toBeLessThan(misra1a.tolerance.standard_deviations_relative);
    expect(relative(fit.rss, misra1a.expected.residual_sum_of_squares)).toBeLessThan(misra1a.tolerance.rss_relative);
  });

  test('finds a curve it was drawn from, whatever its units and its start', () => {
    const curve = fc.record({
      b1: fc.double({ min: 5, max: 60, noNaN: true }),
      b2: fc.double({ min: 0.02, max: 0.2, noNaN: true }),
      y0: fc.double({ min: -90, max: 90, noNaN: true })
    });
    fc.assert(
      fc.property(curve, ({ b1, b2, y0 }) => {
        const drawn = Array.from({ length: 20 }, (_, i) => ({ x: i * 3, y: y0 + b1 * (1 - Math.exp(-b2 * i * 3)) }));
        const fit = fitSaturatingFrom(drawn);
        expect(fit.y0).toBeCloseTo(y0, 3);
        expect(fit.b1).toBeCloseTo(b1, 2);
        expect(fit.b2).toBeCloseTo(b2, 4);
      })
    );
  });

  test('a range that falls is fitted as one that rises', () => {
    const drawn = Array.from({ length: 15 }, (_, i) => ({ x: i, y: 30 - 12 * (1 - Math.exp(-0.2 * i)) }));
    expect(fitSaturatingFrom(drawn)).toMatchObject({ y0: expect.closeTo(30, 4), b1: expect.closeTo(-12, 3) });
  });

  test('refuses what cannot be fitted', () => {
    expect(() => fitSaturating(points.slice(0, 2))).toThrow('points_too_few');
    expect(() => fitSaturating(points.map(({ x }) => ({ x, y: 0 })))).toThrow('no_fit');
  });
});

describe('likelyNext', () => {
  const anywhere = { resolution: 0, possible: [-1000, 1000] } as const;

  // Source: textbook form, worked by hand: line 2.2 + 0.6 x, sd of the rest 0.8944, t of 90 % with three degrees of freedom 1.6377.
  test('is the prediction interval of a straight line', () => {
    const points = [2, 4, 5, 4, 5].map((y, i) => ({ x: i + 1, y }));
    const half = 1.6377 * 0.8944 * Math.sqrt(1 + 1 / 5 + 9 / 10);
    const { low, high } = likelyNext(points, 6, anywhere)!;
    expect(low).toBeCloseTo(5.8 - half, 2);
    expect(high).toBeCloseTo(5.8 + half, 2);
  });

  test('holds eight in ten of the measures that come', () => {
    const random = seededRandom(5);
    const held = Array.from({ length: 2000 }, () => {
      const measureAt = (x: number) => ({ x, y: 3 + 0.4 * x + 1.5 * normalDraw(random) });
      const { low, high } = likelyNext([0, 2, 4, 7].map(measureAt), 10, anywhere)!;
      const { y } = measureAt(10);
      return y >= low && y <= high;
    }).filter(Boolean).length;
    expect(held / 2000).toBeGreaterThan(0.77);
    expect(held / 2000).toBeLessThan(0.83);
  });

  test('stays inside what is possible, is no narrower than a step, and is none of fewer than three', () => {
    const whole = { resolution: 1, possible: [0, 8] } as const;
    const rising = [6, 7, 8].map((y, x) => ({ x, y }));
    expect(likelyNext(rising, 4, whole)!.high).toBe(8);
    const { low, high } = likelyNext([5, 5, 5].map((y, x) => ({ x, y })), 3, whole)!; // prettier-ignore
    expect(high - low).toBeGreaterThan(1);
    expect(likelyNext(rising.slice(1), 4, whole)).toBeNull();
    expect(likelyNext(rising.map((m) => ({ ...m, x: 2 })), 4, whole)).toBeNull(); // prettier-ignore
  });
});
