import { readFileSync, writeFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { problemCodes } from '$lib/core/errors';
import { exercises, goals, limitText, measureOf, measures, motions, screen, screeningRows, type Limit } from '$lib/core';
import {
  apartText,
  capital,
  changeText,
  clockText,
  degText,
  depthText,
  headlineText,
  lengthText,
  massNumber,
  plural,
  shownNumber,
  targetText,
  valueText
} from './format';
import { codeWords, glossary } from './glossary';
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

  test('half a step goes away from zero on both sides of it, and what a formula leaves off changes no step', () => {
    expect([3.75, -3.75, 18.75, 6.75 - 1e-9].map((v) => lengthText(v, 'cm'))).toEqual(['3.8 cm', '−3.8 cm', '18.8 cm', '6.8 cm']);
    expect(depthText(-3.75, 'cm')).toBe('3.8 cm past flat');
    expect(shownNumber(-3.75, { unit: 'cm' }, 'cm')).toBe(-3.8);
    // What is left to a goal of 10 agrees with the 3.8 beside it.
    expect(apartText(3.75, 10, { unit: 'cm' }, 'cm')).toBe('6.2 cm');
  });

  test('numbers without needless zeros, with a minus that is one', () => {
    expect([12.5, 12, 12.04, 0.04, -0.04, -3.25].map((v) => lengthText(v, 'cm'))).toEqual([
      '12.5 cm',
      '12 cm',
      '12 cm',
      '0 cm',
      '0 cm',
      '−3.3 cm'
    ]);
    expect(degText(179.6)).toBe('180°');
    expect(degText(-4.25, 1)).toBe('−4.3°');
    expect(lengthText(100, 'cm', 0)).toBe('100 cm');
  });

  test('a change always with its sign, no change with none', () =>
    expect([2.5, -2.5, 0].map((v) => changeText(20, 20 + v, { unit: 'cm' }, 'cm'))).toEqual(['+2.5 cm', '−2.5 cm', '0 cm']));

  // Reckoned from what stands on the page: 30.3 and 25 are 5.3 apart, though the values themselves are 5.24.
  test('a difference is that of the figures as they are shown', () => {
    expect(changeText(30.26, 25.02, { unit: 'cm' }, 'cm')).toBe('−5.3 cm');
    expect(apartText(53.6, 60.4, { unit: '°' }, 'cm')).toBe('6°');
    expect(apartText(25.4, 12.8, { unit: 'cm' }, 'in')).toBe('5 in');
    expect(changeText(20.04, 20.01, { unit: 'cm' }, 'cm')).toBe('0 cm');
  });

  test('any two values and their difference add up as shown', () =>
    fc.assert(
      fc.property(fc.double({ min: -60, max: 200, noNaN: true }), fc.double({ min: -60, max: 200, noNaN: true }), (a, b) => {
        for (const unit of ['cm', '°', 'min'] as const)
          for (const length of ['cm', 'in'] as const) {
            const told = Number(
              changeText(a, b, { unit }, length)
                .replace('−', '-')
                .replace('+', '')
                .replace(/[^\d.-].*$/, '')
            );
            expect(shownNumber(a, { unit }, length) + told).toBeCloseTo(shownNumber(b, { unit }, length), 9);
          }
      })
    ));

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
    expect(changeText(0, 3, { unit: '°' }, 'cm')).toBe('+3°');
    expect(changeText(0, -2.5, { unit: 'cm' }, 'cm')).toBe('−2.5 cm');
    expect(changeText(0, -0.01, { unit: '°' }, 'cm')).toBe('0°');
    expect(changeText(0, 0.01, { unit: '°' }, 'cm')).toBe('0°');
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
    expect(limitText({ kind: 'joint end stop', motion: 'KF', value: 120, side: 'right', from: 'end stop' })).toBe(
      'Knee bend: stop at 120°, right'
    );
    expect(limitText({ kind: 'warm-up at least', value: 480, from: '60 and over' })).toBe('Warm-up at least 8 minutes');
  });
});

test('every problem has a sentence that says what to do', () => {
  for (const code of problemCodes) {
    const said = problemText({ code, data: { why: 'Not today.', endCm: 20, value: 1, min: 0, max: 2 } });
    expect(said, code).toMatch(/^[A-Z].{8,}[.]$/);
  }
});

describe('the glossary', () => {
  const isPlain = (text: string, of: string) => expect(text, of).not.toMatch(codeWords);

  test('says each word once, in whole sentences, with none of the words that stay in the code', () => {
    expect(new Set(glossary.map((w) => w.word)).size).toBe(glossary.length);
    for (const { word, means } of glossary) {
      expect(means, word).toMatch(/^[A-Z].*[.]$/);
      isPlain(means, word);
    }
  });

  // After a change: UPDATE_DOCS=1 npx vitest run src/lib/ui/words.test.ts, then npm run format.
  test('stands in the docs as it stands on the pages', () => {
    const file = 'docs/glossary.md';
    const rows = glossary.map(({ word, means, term }) => `| ${word} | ${means} | ${term ?? ''} |`);
    const text = [
      '# Glossary',
      '',
      'One word for one thing on every page.',
      '',
      '| word | what it means | standard term |',
      '| --- | --- | --- |',
      ...rows,
      ''
    ];
    if (process.env.UPDATE_DOCS) writeFileSync(file, text.join('\n'));
    const bare = (markdown: string) =>
      markdown
        .replace(/-{2,}/g, '---')
        .replace(/[ \t]+/g, ' ')
        .trim();
    expect(bare(readFileSync(file, 'utf8'))).toBe(bare(text.join('\n')));
  });

  test('no exercise, goal, method, limit or station shows a word of the code', () => {
    for (const e of exercises)
      for (const text of [
        e.name,
        e.why,
        e.felt,
        e.notFelt,
        ...e.setup,
        ...e.checks,
        ...e.stops,
        ...e.cautions,
        ...e.mistakes.flatMap((m) => [m.mistake, m.fix])
      ])
        isPlain(text, e.id);
    for (const g of goals) for (const text of [g.name, g.endPoint, ...g.stages, ...g.cautions]) isPlain(text, g.id);
    for (const m of measures) for (const text of [m.name, ...m.howTo, m.landmarks]) isPlain(text, m.id);
    for (const m of motions) isPlain(m.name, m.id);
  });

  test('finds what it is to find', () => {
    for (const text of ['HF-KS 18.3', 'The headline is 8 cm', 'no neighbour is known', '12 %·s', 'A stop is open.', 'Every dial'])
      expect(text).toMatch(codeWords);
    for (const text of ['HERE', 'A link to the page', 'stops the session']) expect(text).not.toMatch(codeWords);
  });
});
