import { usualStepCm } from './ladder';
import type { Stack } from './stack';

export type HeightGap = Readonly<{ fromCm: number; toCm: number }>;

/** Places between the heights of a shelf that no usual step crosses, up to a height. Units: cm. */
export function heightGaps(stacks: readonly Stack[], uptoCm: number): HeightGap[] {
  const heights = [...stacks.map((s) => s.heightCm).filter((h) => h < uptoCm), uptoCm];
  return heights.slice(1).flatMap((toCm, i) => {
    const fromCm = heights[i]!;
    return toCm - fromCm > usualStepCm.max + 1e-9 ? [{ fromCm, toCm }] : [];
  });
}
