import jstat from 'jstat';
import { linearRegression, mean, sum } from 'simple-statistics';
import type { Point } from '../geometry/point';

/** Eight in ten lie inside, as many below as above. */
const share = 0.8;
/** With fewer a line says nothing of its own error. */
const fewest = 3;

/**
 * Where the next measure likely lies, if it goes on as it went: of what has no error of measuring that is known, and no chance of a goal.
 *
 * Model:  prediction interval of a straight line, with Student's t; its spread is never taken for less than that of rounding to whole steps.
 * Units:  those of the measures; `resolution` is its smallest step.
 * Shape:  inside what is possible. Null below three measures, or where all were taken at once.
 * Source: textbook form of simple linear regression.
 */
export function likelyNext(
  measures: readonly Point[],
  x: number,
  { resolution, possible: [least, most] }: Readonly<{ resolution: number; possible: readonly [number, number] }>
): Readonly<{ low: number; high: number }> | null {
  const n = measures.length;
  const at = mean(measures.map((m) => m.x));
  const spread = sum(measures.map((m) => (m.x - at) ** 2));
  if (n < fewest || spread === 0) return null;
  const { m: slope, b } = linearRegression(measures.map((p) => [p.x, p.y]));
  const off = sum(measures.map((p) => (p.y - b - slope * p.x) ** 2));
  const sd = Math.max(Math.sqrt(off / (n - 2)), resolution / Math.sqrt(12));
  const half = jstat.jStat.studentt.inv((1 + share) / 2, n - 2) * sd * Math.sqrt(1 + 1 / n + (x - at) ** 2 / spread);
  const inside = (y: number) => Math.min(most, Math.max(least, y));
  return { low: inside(b + slope * x - half), high: inside(b + slope * x + half) };
}
