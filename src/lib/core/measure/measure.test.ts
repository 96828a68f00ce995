import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import reference from '../fixtures/semMdc.json';
import {
  activeGap,
  changeBetween,
  isShownTwice,
  changeVerdict,
  CoreError,
  mdc,
  occasionSd,
  pooledSd,
  semFromIcc,
  sideDifference,
  tighterSide,
  withinSubjectSd,
  type Side,
  z80,
  z95
} from '../index';

// Source: textbook forms and a published data set recalled and recomputed exactly (docs/sources.md#measuring-error).
const tolerance = reference.tolerance.absolute;
const near = (actual: number, expected: number) => expect(Math.abs(actual - expected)).toBeLessThan(tolerance);

describe('mdc and semFromIcc', () => {
  test.each(reference.cases.sem_from_icc)('gives the worked values for sd $sd and icc $icc', ({ sd, icc, sem, mdc95, mdc90 }) => {
    near(semFromIcc(sd, icc), sem);
    near(mdc(semFromIcc(sd, icc)), mdc95);
    near(mdc(semFromIcc(sd, icc), { confidence: 0.9 }), mdc90);
  });

  test.each(reference.cases.mean_of_k)('falls with the root of $k_readings_averaged readings', (c) =>
    near(mdc(c.sem_single, { trials: c.k_readings_averaged }), c.mdc95_between_two_means)
  );

  test.each([
    [Number.NaN, 0.95],
    [-1, 0.95],
    [1, 0.5]
  ])('refuses sem %d at confidence %d', (sem, confidence) => expect(() => mdc(sem, { confidence })).toThrow(CoreError));
});

describe('withinSubjectSd', () => {
  test('is the root of the within mean square of the published data set', () => {
    const { data, expected } = reference.cases.published_data_set;
    near(withinSubjectSd(data), Math.sqrt(expected.anova.WMS));
  });
  test('passes over single trials and refuses when nothing was repeated', () => {
    expect(withinSubjectSd([[5], [10, 12]])).toBeCloseTo(Math.SQRT2, 12);
    expect(() => withinSubjectSd([[5], [7]])).toThrow(CoreError);
  });
});

describe('pooledSd', () => {
  const groups = fc.array(fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { minLength: 2, maxLength: 5 }), {
    minLength: 1,
    maxLength: 20
  });

  test('starts at the prior', () => expect(pooledSd([], { sd: 0.8, df: 8 })).toBeCloseTo(0.8, 12));
  test('lies between the prior and what the trials say', () =>
    fc.assert(
      fc.property(groups, fc.double({ min: 0.1, max: 5, noNaN: true }), (trials, sd) => {
        const own = withinSubjectSd(trials);
        const pooled = pooledSd(trials, { sd, df: 8 });
        expect(pooled).toBeGreaterThanOrEqual(Math.min(own, sd) - 1e-9);
        expect(pooled).toBeLessThanOrEqual(Math.max(own, sd) + 1e-9);
      })
    ));
});

describe('changeVerdict', () => {
  const gap = { trialSd: 0.8, daySd: 1.8, resolution: 0.5, betterIs: 'lower' } as const;
  const from = (before: number, after: number) =>
    changeVerdict({ ...gap, before: { value: before, trials: 2 }, after: { value: after, trials: 2 } });

  test('needs the mdc of the textbook when all error lies between trials', () => {
    const change = changeVerdict({
      before: { value: 20, trials: 3 },
      after: { value: 10, trials: 3 },
      trialSd: 2,
      daySd: 0,
      betterIs: 'lower'
    });
    near(change.mdc95, 3.2007); // the worked mean of three readings
  });

  test.each([
    [20, 12, 'real gain'],
    [20, 16, 'likely gain'],
    [20, 18.5, 'not shown'],
    [20, 20, 'not shown'],
    [20, 24, 'likely loss'],
    [20, 28, 'real loss']
  ])('calls %d to %d cm a %s', (before, after, word) => expect(from(before, after).verdict).toBe(word));

  // Source: by hand, errors of 3 and 4 together are 5.
  test('a change of just as much as it takes is one', () => {
    const to = (value: number) => changeBetween({ value: 0, sd: 3 }, { value, sd: 4 }, 'higher');
    expect([to(z95 * 5), to(-z95 * 5), to(z80 * 5)]).toEqual(['real gain', 'real loss', 'likely gain']);
    expect([to(z95 * 5 - 1e-9), to(z80 * 5 - 1e-9)]).toEqual(['likely gain', 'not shown']);
  });

  test('turns round with the direction that is better', () => {
    const ask = { trialSd: 1, daySd: 1, before: { value: 10, trials: 1 }, after: { value: 30, trials: 1 } };
    expect(changeVerdict({ ...ask, betterIs: 'higher' }).verdict).toBe('real gain');
    expect(changeVerdict({ ...ask, betterIs: 'lower' }).verdict).toBe('real loss');
  });

  test('more trials on one day never take the day part away', () => expect(occasionSd(1000, gap)).toBeGreaterThanOrEqual(1.8));
  test('no instrument is better than its resolution', () =>
    expect(occasionSd(5, { trialSd: 0, daySd: 0, resolution: 1 })).toBeCloseTo(1 / Math.sqrt(12), 12));
  test('refuses a value that is no number', () => expect(() => from(Number.NaN, 10)).toThrow(CoreError));
});

test('two likely changes running show nothing yet; two real ones the same way do', () => {
  const ask = { trialSd: 0, daySd: 1, betterIs: 'lower' } as const;
  const to = (value: number) => changeVerdict({ ...ask, before: { value: 20, trials: 1 }, after: { value, trials: 1 } });
  expect(to(18).verdict).toBe('likely gain');
  expect(isShownTwice(to(18), to(18))).toBe(false);
  expect(isShownTwice(to(16), to(15))).toBe(true);
  expect(isShownTwice(to(16), to(24))).toBe(false);
  expect(isShownTwice(null, to(16))).toBe(false);
});

describe('sideDifference and activeGap', () => {
  const at = (value: number, sd = 1.9) => ({ value, sd });
  test('tell the side that trails, whichever way is better, and none within the error', () => {
    expect(sideDifference('lower', at(24), at(15))).toMatchObject({ difference: 9, trails: 'left' });
    expect(sideDifference('higher', at(24), at(15)).trails).toBe('right');
    expect(sideDifference('lower', at(24), at(20))).toMatchObject({ exceedsError: false, trails: null });
  });
  test('each reading goes in with its own error', () =>
    expect(sideDifference('higher', at(80, 3), at(60, 4)).margin).toBeCloseTo(1.96 * 5, 12));
  test('held behind reached is positive for a gap as for an angle; beyond it leads', () => {
    expect(activeGap('lower', at(30), at(20))).toMatchObject({ difference: 10, trails: true, leads: false });
    expect(activeGap('higher', at(70), at(90))).toMatchObject({ difference: 20, trails: true });
    expect(activeGap('higher', at(90), at(70))).toMatchObject({ difference: -20, trails: false, leads: true });
    expect(activeGap('lower', at(22), at(20))).toMatchObject({ trails: false, leads: false });
  });
  test('refuse what is no number', () => {
    expect(() => sideDifference('lower', at(Number.NaN), at(1))).toThrow(expect.objectContaining({ code: 'value_not_a_number' }));
    expect(() => activeGap('lower', at(1), at(1, Number.NaN))).toThrow(CoreError);
  });
});

// Source: common practice; one measure shows no lasting difference of the sides.
test.each<[trails: (Side | null)[], is: Side | null]>([
  [[], null],
  [['left'], null],
  [['left', 'left'], 'left'],
  [['left', 'right'], null],
  [['left', 'left', null], 'left'],
  [['left', 'left', null, null], null],
  [['left', 'left', null, 'right', 'right'], 'right']
])('of sides that trail as %j the tighter one is %s', (trails, is) => expect(tighterSide(trails)).toBe(is));
