import { CoreError } from '../errors';
import { asinDeg, toDeg } from './angles';

/** Near the vertical the rise is the limb itself, and both are off by their errors: with the run known that does no harm (assumption). */
const toleranceShare = 0.05;

/**
 * Angle of a limb above the level, from the height of its end.
 *
 * Model:  asin(rise/limb); with the run given atan2(rise, run), so that beyond 90° is not folded back.
 * Units:  cm in, degrees out. `runCm` is signed: negative once the limb has passed the vertical.
 * Throws: CoreError 'rise_exceeds_limb', with the run given only when it does so by more than a twentieth; 'run_out_of_range'.
 *
 * @example limbElevationDeg({ riseCm: 45, limbCm: 90 }) // 30
 */
export function limbElevationDeg({
  riseCm,
  limbCm,
  runCm
}: Readonly<{ riseCm: number; limbCm: number; runCm?: number }>): number {
  const longestCm = limbCm * (runCm === undefined ? 1 : 1 + toleranceShare);
  if (!(limbCm > 0) || !(Math.abs(riseCm) <= longestCm)) throw new CoreError('rise_exceeds_limb', { riseCm, limbCm });
  if (runCm === undefined) return asinDeg(riseCm / limbCm);
  if (!Number.isFinite(runCm) || (riseCm === 0 && runCm === 0)) throw new CoreError('run_out_of_range', { riseCm, runCm });
  return toDeg(Math.atan2(riseCm, runCm));
}
