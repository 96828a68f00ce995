import { sampleStandardDeviation, mean } from 'simple-statistics';
import { describe, expect, test } from 'vitest';
import agreementFacts from '../fixtures/limitsOfAgreement.json';
import iccFacts from '../fixtures/icc.json';
import { CoreError, icc, limitsOfAgreement, semFromIcc, withinSubjectSd } from '../index';

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
  // Source: Bland & Altman 1986, 17 subjects by two meters (recalled), recomputed; their printed limits use 2 sd and rounded figures.
  test('of the published meters', () => {
    const { expected, published } = agreementFacts;
    const found = limitsOfAgreement(column(0), column(2));
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
    const found = limitsOfAgreement(column(1), column(3));
    expect(found.meanDifference).toBeCloseTo(mean(differences), 9);
    expect(found.sd).toBeCloseTo(sampleStandardDeviation(differences), 9);
  });

  test('refuses lists of unlike length, and a single pair', () => {
    expect(() => limitsOfAgreement([1, 2], [1])).toThrow(CoreError);
    expect(() => limitsOfAgreement([1], [1])).toThrow(expect.objectContaining({ code: 'table_too_small' }));
  });
});
