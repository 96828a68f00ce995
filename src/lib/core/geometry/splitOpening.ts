import { CoreError } from '../errors';
import { asinDeg } from './angles';

export type SplitLegs = Readonly<{ leadLegCm: number; trailLegCm: number }>;
export type SplitMeasure = SplitLegs & Readonly<{ gapCm: number; leadRaiseCm?: number; trailRaiseCm?: number }>;

/**
 * Angle between the two legs of a split, from the height still missing to the floor.
 *
 * Model:  straight legs from one point; 180° − asin((gap − raise)/leg) for each leg. A soft knee makes it read high.
 * Units:  cm in, degrees out. 180 is flat by convention; a foot raised above the hips gives more.
 * Throws: CoreError 'gap_exceeds_leg' when no such triangle exists.
 * Cost:   O(1).  Source: docs/sources.md#plane-trigonometry
 *
 * @example splitOpeningDeg({ gapCm: 0, leadLegCm: 90, trailLegCm: 90 }) // 180
 */
export function splitOpeningDeg({ gapCm, leadLegCm, trailLegCm, leadRaiseCm = 0, trailRaiseCm = 0 }: SplitMeasure): number {
  return 180 - slopeDeg(gapCm - leadRaiseCm, leadLegCm) - slopeDeg(gapCm - trailRaiseCm, trailLegCm);
}

/** How far one leg hangs below the level, in degrees; negative when its foot is the higher end. */
const slopeDeg = (dropCm: number, legCm: number): number => {
  if (!(Math.abs(dropCm) < legCm)) throw new CoreError('gap_exceeds_leg', { dropCm, legCm }); // the negation also catches NaN
  return asinDeg(dropCm / legCm);
};
