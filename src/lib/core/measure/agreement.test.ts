import { sampleStandardDeviation, mean } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import agreementFacts from '../fixtures/limitsOfAgreement.json';
import iccFacts from '../fixtures/icc.json';
import {
  bodyLengths,
  CoreError,
  icc,
  limitsOfAgreement,
  measureOf,
  measuringErrorOf,
  normalDraw,
  retestSpread,
  seededRandom,
  semFromIcc,
  withinSubjectSd
} from '../index';

const names = [
  ['ICC(1,1)', 'icc11'],
  ['ICC(2,1)', 'icc21'],
  ['ICC(3,1)', 'icc31'],
  ['ICC(1,k)', 'icc1k'],
  ['ICC(2,k)', 'icc2k'],
  ['ICC(3,k)', 'icc3k']
] as const;

describe('icc', () => {
  // Source: Shrout & Fleiss 1979, six targets by four judges (recalled); the published two decimals and exact fractions agree.
  test.each(names)('%s of the published table', (published, ours) => {
    const value = icc(iccFacts.data.table)[ours];
    expect(value).toBeCloseTo(iccFacts.expected.icc[published], 9);
    expect(Math.abs(value - iccFacts.published_2_decimals[published])).toBeLessThanOrEqual(0.005);
  });

  // Source: Weir 2005, data set A (recalled), recomputed in exact fractions.
  test('of the repeated lifts, and the standard error that follows', () => {
    const { data, expected } = iccFacts.weir_data_set_A;
    for (const [published, ours] of names) expect(icc(data)[ours]).toBeCloseTo(expected.icc[published], 9);
    expect(withinSubjectSd(data)).toBeCloseTo(Math.sqrt(expected.anova.WMS), 9);
    expect(semFromIcc(10, 0.9)).toBeCloseTo(3.1623, 4);
  });

  test('two measurers who read alike agree wholly; a shift costs absolute agreement and not consistency', () => {
    const alike = icc([
      [1, 1],
      [5, 5],
      [9, 9]
    ]);
    expect([alike.icc11, alike.icc21, alike.icc31]).toEqual([1, 1, 1]);
    const shifted = icc([
      [1, 3],
      [5, 7],
      [9, 11]
    ]);
    expect(shifted.icc31).toBeCloseTo(1, 12);
    expect(shifted.icc21).toBeLessThan(0.95);
  });

  test.each([
    ['table_too_small', [[1, 2]]],
    ['table_too_small', [[1], [2]]],
    ['table_ragged', [[1, 2], [3]]],
    [
      'table_ragged',
      [
        [1, Number.NaN],
        [3, 4]
      ]
    ],
    [
      'no_spread',
      [
        [2, 2],
        [2, 2]
      ]
    ]
  ])('refuses with %s', (code, table) => expect(() => icc(table)).toThrow(expect.objectContaining({ code })));
});

describe('limitsOfAgreement', () => {
  const column = (i: number) => agreementFacts.data.rows.map((row) => row[i]!);
  /** One pair a person: first less second. */
  const onePair = (a: readonly number[], b: readonly number[]) => a.map((v, i) => [v - b[i]!]);
  // Source: Bland & Altman 1986, 17 subjects by two meters (recalled), recomputed; their printed limits use 2 sd and rounded figures.
  test('of the published meters', () => {
    const { expected, published } = agreementFacts;
    const found = limitsOfAgreement(onePair(column(0), column(2)));
    expect(found.meanDifference).toBeCloseTo(expected.mean_difference, 6);
    expect(found.sd).toBeCloseTo(expected.sd_difference, 6);
    expect([found.lower, found.upper]).toEqual([
      expect.closeTo(expected.limits_1_96sd[0]!, 6),
      expect.closeTo(expected.limits_1_96sd[1]!, 6)
    ]);
    expect(Math.abs(found.meanDifference - published.mean_difference)).toBeLessThan(0.05);
    expect(Math.abs(found.sd - published.sd)).toBeLessThan(0.05);
  });

  // Source: the general statistics library.
  test('agrees with the library on mean and spread', () => {
    const differences = column(1).map((v, i) => v - column(3)[i]!);
    const found = limitsOfAgreement(onePair(column(1), column(3)));
    expect(found.meanDifference).toBeCloseTo(mean(differences), 9);
    expect(found.sd).toBeCloseTo(sampleStandardDeviation(differences), 9);
  });

  // By hand: three people with two differences each, means 1, 3 and 5. Within: (4 · 1 + 2 · 0) / 3 = 4/3; between the means: 2 · 8 / 2 = 8;
  // of it (8 − 4/3) / 2 = 10/3 is between people. Variance 4/3 + 10/3 = 14/3.
  test('repeats of one person are no further people: within and between, by analysis of variance', () => {
    const found = limitsOfAgreement([
      [0, 2],
      [2, 4],
      [5, 5]
    ]);
    expect(found).toMatchObject({ meanDifference: 3, people: 3, pairs: 6 });
    expect(found.parts!.withinSd).toBeCloseTo(Math.sqrt(4 / 3), 12);
    expect(found.parts!.betweenSd).toBeCloseTo(Math.sqrt(10 / 3), 12);
    expect(found.upper - found.lower).toBeCloseTo(2 * 1.96 * Math.sqrt(14 / 3), 9);
  });

  // Source: simulation. Persons differ by 3, repeats by 1: the spread of all differences of new people is √10.
  test('finds the spread of new people, with unlike numbers of pairs', () => {
    const random = seededRandom(4);
    const people = Array.from({ length: 4000 }, (_, i) => {
      const own = 3 * normalDraw(random);
      return Array.from({ length: 1 + (i % 4) }, () => own + normalDraw(random));
    });
    const found = limitsOfAgreement(people);
    expect(found.sd).toBeCloseTo(Math.sqrt(10), 1);
    expect(found.parts!.withinSd).toBeCloseTo(1, 1);
  });

  test('where people differ no more than repeats do, nothing lies between them', () =>
    expect(
      limitsOfAgreement([
        [-4, 4],
        [-4, 4]
      ]).parts
    ).toEqual({ betweenSd: 0, withinSd: Math.sqrt(32) }));

  test('refuses what is no number, and a single person, however many pairs', () => {
    expect(() => limitsOfAgreement([[1], [Number.NaN]])).toThrow(CoreError);
    expect(() => limitsOfAgreement([[1, 2, 1, 2, 1]])).toThrow(expect.objectContaining({ code: 'table_too_small' }));
  });
});

describe('the spread from day to day, learnt from retests', () => {
  const series = (values: readonly number[], trials = 2) => values.map((value, i) => ({ on: i * 7, value, trials }));

  test('a steady gain is no spread, whatever the days between', () => {
    const bare = retestSpread([series([20, 18, 16, 14, 12])], 0);
    expect(bare.variance).toBeCloseTo(0, 12);
    expect(bare.df).toBeCloseTo((3 * 18) / 35, 12);
    expect(retestSpread([[0, 3, 4, 11].map((on) => ({ on, value: 2 * on, trials: 1 }))], 0).variance).toBeCloseTo(0, 12);
  });

  // By hand: 0, 3, 0 is 3 off its line; the square over 1 + 1/4 + 1/4, less the trials' half of 1² over two.
  test('what is off the line counts, less what trials make of it', () =>
    expect(retestSpread([series([0, 3, 0])], 1).variance).toBeCloseTo(9 / 1.5 - 0.5, 12));

  // Source: simulation of the model, a day part of 2 and trials of 1 on a curve that flattens.
  test('finds the day part under a curve', () => {
    const random = seededRandom(12);
    const many = Array.from({ length: 3000 }, () =>
      series(
        Array.from({ length: 12 }, (_, i) => 30 * Math.exp(-i / 6) + 2 * normalDraw(random) + normalDraw(random) / Math.SQRT2)
      )
    );
    expect(Math.sqrt(retestSpread(many, 1).variance)).toBeCloseTo(2, 1);
  });

  test('two retests on one day are one day, and tell nothing alone', () =>
    expect(
      retestSpread(
        [
          [
            { on: 3, value: 10, trials: 1 },
            { on: 3, value: 14, trials: 1 },
            { on: 9, value: 12, trials: 2 }
          ]
        ],
        1
      )
    ).toEqual({
      variance: 0,
      df: 0
    }));

  test('replaces the usual figure as it comes, and says how much is still usual', () => {
    const gap = measureOf('front_split_gap');
    const at = { entries: { heightCm: 20 }, lengths: bodyLengths({ statureCm: 170 }) };
    const none = measuringErrorOf(gap, 'tape', at, { trials: [], retests: [] })!;
    expect(none).toMatchObject({ daySd: 1.8, usualShare: { day: 1, trial: 1 } });
    const steady = measuringErrorOf(gap, 'tape', at, { trials: [], retests: [series(Array.from({ length: 22 }, () => 20))] })!;
    expect(steady.usualShare.day).toBeCloseTo(8 / (8 + (20 * 18) / 35), 9);
    expect(steady.daySd).toBeLessThan(1.3);
    // Trials that scatter more than days do leave nothing for the day, and no number that is none.
    const wild = { trials: Array.from({ length: 20 }, () => [10, 30]), retests: [series(Array.from({ length: 22 }, () => 20))] };
    expect(measuringErrorOf(gap, 'tape', at, wild)!.daySd).toBe(0);
    const restless = series(Array.from({ length: 22 }, (_, i) => (i % 2 ? 14 : 26)));
    expect(measuringErrorOf(gap, 'tape', at, { trials: [], retests: [restless] })!.daySd).toBeGreaterThan(4);
  });
});
