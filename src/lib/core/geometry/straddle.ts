import { CoreError } from '../errors';
import { asinDeg } from './angles';

/**
 * Angle between the two legs of a straddle, from the distance between the heels.
 *
 * Model:  straight legs from two hip centres: 2·asin((span − spacing)/(2·leg)).
 * Units:  cm in, degrees out. The spacing is that of the hip centres, not the hip breadth.
 * Throws: CoreError 'span_impossible'.
 *
 * @example straddleDeg({ heelSpanCm: 107, hipSpacingCm: 17, legCm: 90 }) // 60
 */
export const straddleDeg = (m: Readonly<{ heelSpanCm: number; hipSpacingCm: number; legCm: number }>): number =>
  2 * outwardDeg(m.heelSpanCm, m.hipSpacingCm, m.legCm);

/**
 * How far each thigh of a frog opens from straight ahead, from the distance between the knees.
 *
 * Model:  asin((span − spacing)/(2·thigh)), both sides alike.
 * Units:  cm in, degrees a side out.
 * Throws: CoreError 'span_impossible'.
 */
export const frogAbductionDeg = (m: Readonly<{ kneeSpanCm: number; hipSpacingCm: number; thighCm: number }>): number =>
  outwardDeg(m.kneeSpanCm, m.hipSpacingCm, m.thighCm);

function outwardDeg(spanCm: number, hipSpacingCm: number, limbCm: number): number {
  const ratio = (spanCm - hipSpacingCm) / (2 * limbCm);
  if (!(limbCm > 0) || !(ratio >= -1 && ratio <= 1)) throw new CoreError('span_impossible', { spanCm, hipSpacingCm, limbCm });
  return asinDeg(ratio);
}
