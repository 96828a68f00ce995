import { median } from 'simple-statistics';

/** Breaths that have to be tapped before they tell a length. */
export const breathsToTap = 4;
const shortestS = 3;
const longestS = 20;

/**
 * Length of one breath from taps at the beginning of each, one tap more than breaths.
 *
 * Model:  the median of the intervals, so that one tap too late or missed does not move it; to half a second.
 * Units:  milliseconds in, seconds out; null while there are too few, or where it is no breath at rest.
 */
export function ownBreathS(tapsMs: readonly number[]): number | null {
  if (tapsMs.length <= breathsToTap) return null;
  const intervals = tapsMs.slice(1).map((t, i) => (t - tapsMs[i]!) / 1000);
  const breathS = Math.round(median(intervals) * 2) / 2;
  return breathS >= shortestS && breathS <= longestS ? breathS : null;
}

/** Out for longer than in, which calms (common practice); how much longer is an assumption. */
export const breathInShare = 0.4;

/** Whether a quiet breath goes in at a moment, counted from the beginning of one. Units: seconds. */
export const goesIn = (tS: number, breathS: number): boolean => tS % breathS < breathS * breathInShare;
