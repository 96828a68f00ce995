import { CoreError } from '../errors';
import { sinDeg } from './angles';
import { openingFromDepthDeg } from './openingFromDepth';
import { splitGapCm } from './splitGap';
import type { SplitLegs } from './splitOpening';

const nearlyCm = 1e-6;

/**
 * The signed depth at which a split has an opening: the inverse of `openingFromDepthDeg`.
 *
 * Model:  up to flat the gap; past it the raise under the leading heel, leg · sin, as minus. An opening these legs cannot make gives the nearest
 *         depth that they can: the pelvis as high as the shorter leg, or the leading leg straight up.
 * Units:  degrees and cm in, cm out.
 * Throws: CoreError 'value_not_a_number'; 'gap_exceeds_leg' for legs without length.
 *
 * @example nearestDepthCm({ openingDeg: 154.320823, leadLegCm: 90, trailLegCm: 90 }) // 20
 */
export function nearestDepthCm({ openingDeg, leadLegCm, trailLegCm }: SplitLegs & Readonly<{ openingDeg: number }>): number {
  if (!Number.isFinite(openingDeg)) throw new CoreError('value_not_a_number');
  const highestCm = Math.min(leadLegCm, trailLegCm) - nearlyCm;
  if (openingDeg >= 180) return -leadLegCm * sinDeg(Math.min(90, openingDeg - 180)) || 0;
  if (openingDeg <= openingFromDepthDeg({ depthCm: highestCm, leadLegCm, trailLegCm })) return highestCm;
  return splitGapCm({ openingDeg, leadLegCm, trailLegCm });
}
