import type { Band } from './forecast';
import { z90 } from '../measure/mdc';

/** A forecast as it was kept: its bands by week, today's at week 0. */
export type KeptBands = readonly (Band & Readonly<{ week: number }>)[];
export type Scored = Readonly<{ band: Band; within50: boolean; within90: boolean }>;

const z50 = 0.6745; // half of a normal curve lies within

/**
 * Whether a later measure fell into the bands of a forecast.
 *
 * Model:  between two weeks the bands are joined straight. A band is of the true level; the measure has an error of its own, by which
 *         each half of the band is widened, in squares.
 * Returns null before the first week of the forecast and after its last.
 */
export function scored(bands: KeptBands, week: number, value: number, sem: number): Scored | null {
  const before = bands.findLast((b) => b.week <= week);
  const after = bands.find((b) => b.week >= week);
  if (!before || !after) return null;
  const share = after.week === before.week ? 0 : (week - before.week) / (after.week - before.week);
  const at = (key: keyof Band) => before[key] + (after[key] - before[key]) * share;
  const band: Band = { p05: at('p05'), p25: at('p25'), p50: at('p50'), p75: at('p75'), p95: at('p95') };
  const within = (low: number, high: number, z: number) => {
    const half = value < band.p50 ? band.p50 - low : high - band.p50;
    return Math.abs(value - band.p50) <= Math.hypot(half, z * sem);
  };
  return { band, within50: within(band.p25, band.p75, z50), within90: within(band.p05, band.p95, z90) };
}

/** Below this many scored forecasts nothing is said of how often they held (assumption). */
export const scoresNeeded = 20;

/**
 * A share with what it may be, 95 % of it: the interval of Wilson, which stays within 0 and 1.
 *
 * Source: docs/sources.md#forecast
 */
export function shareWithin(held: number, of: number): Readonly<{ share: number; low: number; high: number }> {
  const z = 1.96;
  const share = held / of;
  const middle = share + z ** 2 / (2 * of);
  const half = z * Math.sqrt((share * (1 - share)) / of + z ** 2 / (4 * of ** 2));
  const whole = 1 + z ** 2 / of;
  return { share, low: (middle - half) / whole, high: (middle + half) / whole };
}
