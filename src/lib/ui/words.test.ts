import { describe, expect, test } from 'vitest';
import { problemCodes } from '$lib/contract/problem';
import { limitText, measureOf, measures, screen, screeningRows, type Limit } from '$lib/core';
import {
  capital,
  clockText,
  degText,
  depthText,
  headlineText,
  lengthText,
  massNumber,
  plural,
  signedLength,
  signedValue,
  targetText,
  valueText
} from './format';
import { problemText } from './problemText';

describe('values in words', () => {
  test.each([
    ['cm', 12.54, '12.5 cm'],
    ['°', 41.6, '42°'],
    ['min', 7.5, '7.5 min'],
    ['×', 12, '12 ×'],
    ['/10', 8, '8 of 10'],
    ['yes', 1, 'yes'],
    ['yes', 0, 'no']
  ] as const)('%s', (unit, value, text) => expect(valueText(value, { unit }, 'cm')).toBe(text));

  test('numbers without needless zeros, with a minus that is one', () => {
    expect([12.5, 12, 12.04, 0.04, -0.04, -3.25].map((v) => lengthText(v, 'cm'))).toEqual([
      '12.5 cm',
      '12 cm',
      '12 cm',
      '0 cm',
      '0 cm',
      '−3.2 cm'
    ]);
    expect(degText(179.6)).toBe('180°');
    expect(degText(-4.25, 1)).toBe('−4.2°');
    expect(lengthText(100, 'cm', 0)).toBe('100 cm');
  });

  test('a change always with its sign, no change with none', () =>
    expect([2.5, -2.5, 0].map((v) => signedLength(v, 'cm'))).toEqual(['+2.5 cm', '−2.5 cm', '0 cm']));

  // 0.45359237 kg is a pound by definition.
  test('a mass in the unit of the studio', () => expect([massNumber(10, 'kg'), massNumber(10, 'lb')]).toEqual(['10', '22']));

  test.each([
    [0, '0:00'],
    [59.4, '0:59'],
    [59.6, '1:00'],
    [65, '1:05'],
    [3600, '60:00'],
    [-3, '0:00']
  ])('%d seconds on the clock', (seconds, text) => expect(clockText(seconds)).toBe(text));

  test('one and several', () => {
    expect([plural(1, 'round'), plural(2, 'round'), plural(0, 'person', 'people')]).toEqual(['1 round', '2 rounds', '0 people']);
    expect([capital('hold'), capital('')]).toEqual(['Hold', '']);
  });

  test('a level by its name', () => expect(valueText(1, measureOf('lotus_stage'), 'cm')).toBe('half lotus'));

  test('a split by its depth, anything else by its value', () => {
    expect(headlineText(-4.5, 'front_split_gap', 'cm')).toBe('4.5 cm past flat');
    expect(headlineText(0, 'side_split_gap', 'cm')).toBe('flat');
    expect(headlineText(10, 'pancake_sternum_height', 'in')).toBe('3.9 in');
    expect(depthText(25.4, 'in')).toBe('10 in');
  });

  test('a target after its goal, nothing for an open one', () => {
    expect(targetText({ target: 120, headline: 'turnout_angle' }, 'cm')).toBe(', 120°');
    expect(targetText({ target: null, headline: 'turnout_angle' }, 'cm')).toBe('');
  });

  test('a change carries its sign, and no hyphen for a minus', () => {
    expect(signedValue(3, { unit: '°' }, 'cm')).toBe('+3°');
    expect(signedValue(-2.5, { unit: 'cm' }, 'cm')).toBe('−2.5 cm');
    expect(signedValue(-0.01, { unit: '°' }, 'cm')).toBe('0°');
  });

  test('every measure can be told at both its ends', () => {
    for (const measure of measures)
      for (const value of measure.possible)
        expect(headlineText(value, measure.id, 'cm'), measure.id).not.toMatch(/NaN|undefined|^$/);
  });
});

describe('limits in words', () => {
  const limits: Limit[] = screeningRows.flatMap((row) => screen({ flags: [row.id], ageYears: 17 }).limits.slice());
  test('every limit a screening can bring has a whole sentence', () => {
    for (const limit of limits) expect(limitText(limit), limit.kind).toMatch(/^[A-Z][^_]+$/);
  });
  test('says number, motion and side', () => {
    expect(limitText({ kind: 'joint end stop', motion: 'KF', value: 120, side: 'right', reason: '' })).toBe(
      'Knee flexion: stop at 120°, right'
    );
    expect(limitText({ kind: 'warm-up at least', value: 480, reason: '' })).toBe('Warm-up at least 8 minutes');
  });
});

test('every problem has a sentence that says what to do', () => {
  for (const code of problemCodes) {
    const said = problemText({ code, data: { why: 'Not today.', endCm: 20, value: 1, min: 0, max: 2 } });
    expect(said, code).toMatch(/^[A-Z].{8,}[.]$/);
  }
});
