import { median } from 'simple-statistics';
import { CoreFault } from '../errors';
import type { Point } from '../geometry/point';
import { z95 } from '../measure/mdc';
import { varianceOfS } from './mannKendall';

export type TheilSen = Readonly<{ slope: number; intercept: number; low: number; high: number }>;

/**
 * A straight trend that single odd values do not bend.
 *
 * Model:  slope: the median of the slopes of all pairs with different x; intercept: the median of y − slope·x; `low` and `high`: the 95 %
 *         interval by Sen, from the spread of Kendall's S, ties in y counted. With few points it is the least and the greatest slope.
 * Throws: CoreFault 'points_too_few' where no two points have a different x.
 * Source: docs/sources.md#trend
 */
export function theilSen(points: readonly Point[]): TheilSen {
  const slopes = points
    .flatMap((a, i) => points.slice(i + 1).flatMap((b) => (a.x === b.x ? [] : [(b.y - a.y) / (b.x - a.x)])))
    .toSorted((a, b) => a - b);
  if (slopes.length === 0) throw new CoreFault('points_too_few', { points: points.length });
  const slope = median(slopes);
  const halfWidth = z95 * Math.sqrt(varianceOfS(points.map((p) => p.y)));
  const rank = (r: number) => slopes[Math.min(slopes.length - 1, Math.max(0, r))]!;
  return {
    slope,
    intercept: median(points.map((p) => p.y - slope * p.x)),
    low: rank(Math.round((slopes.length - halfWidth) / 2) - 1),
    high: rank(Math.round((slopes.length + halfWidth) / 2))
  };
}
