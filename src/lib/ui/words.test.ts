import { describe, expect, test } from 'vitest';
import { problemCodes } from '$lib/contract/problem';
import { measureOf, measures, screen, screeningRows, type Limit } from '$lib/core';
import { depthText, headlineText, signedValue, targetText, valueText } from './format';
import { limitText } from './limitText';
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
