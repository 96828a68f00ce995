import { describe, expect, test } from 'vitest';
import type { Limit } from '../screen/limit';
import { stretchMostOf } from './upperLimit';

const rest = (from: Limit['from']): Limit => ({ kind: 'joint rests', joint: 'hip', from });
const weekOf = (limits: readonly Limit[], set?: number) => stretchMostOf({ limits }, 'HE', set).weekMin;

// Source: common practice; the figures are our judgement.
describe('stretch of one motion', () => {
  test('is 8 minutes a session and 20 a week at most, and as the instructor sets it', () => {
    expect(stretchMostOf({ limits: [] }, 'HE')).toEqual({ sessionMin: 8, weekMin: 20 });
    expect(stretchMostOf({ limits: [] }, 'HE', 40)).toEqual({ sessionMin: 16, weekMin: 40 });
    expect(stretchMostOf({ limits: [] }, 'HE', 10)).toEqual({ sessionMin: 8, weekMin: 10 });
  });

  test('stays at 12 for whoever still grows and for a joint the Check cautions about, whatever is set', () => {
    const young: Limit = { kind: 'adult present', from: 'under 18' };
    for (const limits of [[young], [rest('row/hip_pain')]]) {
      expect(weekOf(limits)).toBe(12);
      expect(weekOf(limits, 40)).toBe(12);
      expect(weekOf(limits, 8)).toBe(8);
    }
    expect(stretchMostOf({ limits: [rest('row/hip_pain')] }, 'APF').weekMin).toBe(20);
    expect(weekOf([rest('instructor')])).toBe(20);
  });
});
