import { describe, expect, test } from 'vitest';
import { measureDoubt } from '../index';

// Source: by hand, for an error of 1 between trials and 1 between days.
const error = { trialSd: 1, daySd: 1 };

describe('what looks mistyped', () => {
  test('is asked about where trials lie further apart than measuring makes them', () => {
    expect(measureDoubt([80, 7.5], null, error)).toEqual({ of: 'trials', from: 7.5, to: 80 });
    expect(measureDoubt([20, 31.2], null, error)).toBeNull(); // 8 × √2 = 11.3
    expect(measureDoubt([20, 31.4], null, error)?.of).toBe('trials');
  });
  test('and where it leaps from the last one taken alike', () => {
    const before = { value: 25, trials: 2 };
    expect(measureDoubt([52, 52.5], before, error)).toEqual({ of: 'leap', from: 25, to: 52.25 });
    expect(measureDoubt([20, 20.5], before, error)).toBeNull();
    expect(measureDoubt([52], null, error)).toBeNull();
  });
  test('nothing is where no error is known', () => expect(measureDoubt([1, 100], null, null)).toBeNull());
});
