import { splitOpeningDeg, type SplitLegs } from './splitOpening';

/**
 * The one converter from signed depth to opening.
 *
 * Model:  a positive depth is a gap with both feet down; a negative one is a raise under the lead heel with the pelvis on the floor.
 * Units:  cm in, degrees out.
 * Throws: CoreError 'gap_exceeds_leg'.
 *
 * @example openingFromDepthDeg({ depthCm: -15, leadLegCm: 90, trailLegCm: 90 }) // 189.59…
 */
export function openingFromDepthDeg({ depthCm, leadLegCm, trailLegCm }: SplitLegs & Readonly<{ depthCm: number }>): number {
  const gapCm = depthCm > 0 ? depthCm : 0;
  const leadRaiseCm = depthCm < 0 ? -depthCm : 0;
  return splitOpeningDeg({ gapCm, leadRaiseCm, leadLegCm, trailLegCm });
}
