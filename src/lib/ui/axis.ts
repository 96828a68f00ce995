import { nice, ticks } from 'd3-array';

/** An axis over some values: its ends lie on whole steps of 1, 2 or 5, and so does every mark. */
export type Axis = Readonly<{ min: number; max: number; marks: readonly number[]; step: number }>;

/**
 * The axis that holds every value, with about so many marks.
 *
 * @example axisOver([18.7, 30.3], 4) // 15, 20, 25, 30, 35
 */
export function axisOver(values: readonly number[], count = 4): Axis {
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const [min, max] = nice(low, high > low ? high : low + 1, count);
  const marks = ticks(min, max, count);
  return { min, max, marks, step: marks.length > 1 ? marks[1]! - marks[0]! : max - min };
}
