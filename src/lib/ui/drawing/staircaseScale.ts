import { isSignedDepth, measureOf } from '$lib/core';
import type { Staircase } from '$lib/contract/staircase';

/** Down is toward the goal: of a measure that is better the higher it is, the scale stands on its head. */
export const downward = (measureId: string): 1 | -1 => (measureOf(measureId).betterIs === 'lower' ? 1 : -1);

/** Whether nought of a measure is the floor itself. */
export const hasFloor = (measureId: string): boolean => {
  const { unit, betterIs } = measureOf(measureId);
  return unit === 'cm' && betterIs === 'lower';
};

/** Least and greatest value a staircase shows, its goal and, where there is one, the floor among them. */
export function shownRange(s: Staircase, besides: readonly number[] = []): readonly [least: number, greatest: number] {
  const values = [
    ...s.treads.map((t) => t.value),
    ...s.dots.flatMap((d) => [d.value - d.sd, d.value + d.sd]),
    ...besides,
    ...(s.target === null ? [] : [s.target]),
    ...(hasFloor(s.measureId) ? [0] : []),
    // Past flat a stack stands as high as its depth is low.
    ...(isSignedDepth(measureOf(s.measureId)) ? s.treads.map((t) => Math.abs(t.value)) : [])
  ];
  const [least, greatest] = [Math.min(...values), Math.max(...values)];
  const air = Math.max(1, (greatest - least) * 0.06);
  return hasFloor(s.measureId) ? [least, Math.max(greatest, 12)] : [least - air, greatest + air];
}
