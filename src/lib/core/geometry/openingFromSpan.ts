import { CoreError } from '../errors';
import { acosDeg } from './angles';
import type { SplitLegs } from './splitOpening';

/**
 * Opening from the distance between the two heels.
 *
 * Model:  law of cosines in the triangle hip–heel–heel; for a side split the span less the spacing of the hip centres.
 *         Ill-conditioned near flat: one centimetre of span is then several degrees. Prefer the gap there.
 * Units:  cm in, degrees out, never above 180.
 * Throws: CoreError 'span_impossible' when no such triangle exists.
 *
 * @example openingFromSpanDeg({ heelSpanCm: 155.884573, leadLegCm: 90, trailLegCm: 90 }) // 120
 */
export function openingFromSpanDeg({
  heelSpanCm,
  leadLegCm,
  trailLegCm,
  hipSpacingCm = 0
}: SplitLegs & Readonly<{ heelSpanCm: number; hipSpacingCm?: number }>): number {
  const baseCm = heelSpanCm - hipSpacingCm;
  if (!(baseCm >= Math.abs(leadLegCm - trailLegCm) && baseCm <= leadLegCm + trailLegCm))
    throw new CoreError('span_impossible', { heelSpanCm, leadLegCm, trailLegCm, hipSpacingCm });
  const cosine = (leadLegCm ** 2 + trailLegCm ** 2 - baseCm ** 2) / (2 * leadLegCm * trailLegCm);
  return acosDeg(Math.max(-1, Math.min(1, cosine))); // rounding only: the triangle was checked above
}
