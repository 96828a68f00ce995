import { splitGapCm } from '../geometry/splitGap';
import { endStopDeg, type Limit } from '../screen/limit';
import { otherSide, type Side } from '../side';

/**
 * The deepest a front split may go under the end stops set for its two hips; null where they set none.
 *
 * Model:  the opening is no more than the two end stops together; an end stop on one hip alone says nothing about the sum.
 * Units:  cm, a gap above the floor; null as well when the stops allow flat and more.
 */
export function deepestDepthCm(
  limits: readonly Limit[],
  leadSide: Side,
  legs: Readonly<{ leadCm: number; trailCm: number }>
): number | null {
  const flexion = endStopDeg(limits, 'HF-KS', leadSide);
  const extension = endStopDeg(limits, 'HE', otherSide(leadSide));
  if (flexion === null || extension === null || flexion + extension >= 180) return null;
  return splitGapCm({ openingDeg: Math.max(20, flexion + extension), leadLegCm: legs.leadCm, trailLegCm: legs.trailCm });
}
