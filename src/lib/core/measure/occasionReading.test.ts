import { describe, expect, test } from 'vitest';
import { CoreError, occasionReading } from '../index';

const legs = { leadLegCm: { value: 90, sd: 1 }, trailLegCm: { value: 90, sd: 1 } };
const error = { trialSd: 0.8, daySd: 1.8, resolution: 0.5 };

describe('occasionReading', () => {
  test('gives mean, spread and opening of the trials', () => {
    const reading = occasionReading({ depthsCm: [19, 21], ...legs, error, before: null });
    expect(reading).toMatchObject({ depthCm: 20, trials: 2, change: null });
    expect(reading.spreadCm).toBeCloseTo(Math.SQRT2, 12);
    expect(reading.openingDeg).toBeCloseTo(154.320823, 5); // worked case G10
  });

  test('carries the error of depth and legs: one centimetre is about 1.3 degrees there', () => {
    const { sdCm, openingSdDeg } = occasionReading({ depthsCm: [20, 20], ...legs, error, before: null });
    // partial derivatives of the worked case U2; two separate legs share its −0.29°/cm
    expect(openingSdDeg).toBeCloseTo(Math.hypot(1.30589201 * sdCm, 0.14509911, 0.14509911), 3);
  });

  test('past flat the opening goes on above 180', () =>
    expect(occasionReading({ depthsCm: [-15], ...legs, error, before: null }).openingDeg).toBeCloseTo(189.594068, 5));

  test('tells noise from change', () => {
    const changeTo = (depth: number) =>
      occasionReading({ depthsCm: [depth, depth], ...legs, error, before: { value: 20, trials: 2 } }).change?.verdict;
    expect(changeTo(19)).toBe('not shown');
    expect(changeTo(13)).toBe('real gain');
  });

  test('refuses no trials, and a gap longer than the leg', () => {
    expect(() => occasionReading({ depthsCm: [], ...legs, error, before: null })).toThrow(CoreError);
    expect(() => occasionReading({ depthsCm: [95], ...legs, error, before: null })).toThrow(
      expect.objectContaining({ code: 'gap_exceeds_leg' })
    );
  });
});
