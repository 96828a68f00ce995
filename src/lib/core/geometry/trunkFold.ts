import { CoreError } from '../errors';
import { acosDeg } from './angles';

export type TrunkMeasure = Readonly<{ sternumHeightCm: number; hipHeightCm: number; hipToSternumCm: number }>;

/**
 * How far the trunk leans forward from upright, from the height of the breastbone.
 *
 * Model:  acos((sternum − hip)/length): 0 upright, 90 level. A rounded back makes it read high; the tilt of the pelvis by
 *         inclinometer is the better measure where a flat back is the point.
 * Units:  cm in, degrees out.
 * Throws: CoreError 'sternum_impossible'.
 */
export function trunkFoldDeg({ sternumHeightCm, hipHeightCm, hipToSternumCm }: TrunkMeasure): number {
  const ratio = (sternumHeightCm - hipHeightCm) / hipToSternumCm;
  if (!(hipToSternumCm > 0) || !(ratio >= -1 && ratio <= 1))
    throw new CoreError('sternum_impossible', { sternumHeightCm, hipHeightCm, hipToSternumCm });
  return acosDeg(ratio);
}
