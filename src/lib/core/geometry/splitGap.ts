import { CoreError, CoreFault } from '../errors';
import { splitOpeningDeg, type SplitMeasure } from './splitOpening';

const toleranceCm = 1e-10;

/**
 * The gap at which a split has a given opening: the inverse of `splitOpeningDeg`.
 *
 * Model:  bisection on the gaps that both legs can reach; the opening falls as the gap grows, so there is one answer.
 *         Negative when the apex lies below the feet (feet raised on both sides).
 * Units:  degrees and cm in, cm out.
 * Throws: CoreError 'opening_unreachable' with the smallest and largest opening these legs allow; 'leg_out_of_range'.
 *
 * @example splitGapCm({ openingDeg: 154.320823, leadLegCm: 90, trailLegCm: 90 }) // 20
 */
export function splitGapCm({
  openingDeg,
  leadLegCm,
  trailLegCm,
  leadRaiseCm = 0,
  trailRaiseCm = 0
}: Omit<SplitMeasure, 'gapCm'> & Readonly<{ openingDeg: number }>): number {
  if (!(leadLegCm > 0 && trailLegCm > 0)) throw new CoreFault('leg_out_of_range', { leadLegCm, trailLegCm });
  const opening = (gapCm: number) => splitOpeningDeg({ gapCm, leadLegCm, trailLegCm, leadRaiseCm, trailRaiseCm });
  const edgeCm = 1e-9;
  let lowCm = Math.max(leadRaiseCm - leadLegCm, trailRaiseCm - trailLegCm) + edgeCm;
  let highCm = Math.min(leadRaiseCm + leadLegCm, trailRaiseCm + trailLegCm) - edgeCm;
  if (!(lowCm < highCm) || !(openingDeg <= opening(lowCm) && openingDeg >= opening(highCm)))
    throw new CoreError('opening_unreachable', { openingDeg });
  while (highCm - lowCm > toleranceCm) {
    const midCm = (lowCm + highCm) / 2;
    if (midCm === lowCm || midCm === highCm) break; // no number left between the two
    if (opening(midCm) > openingDeg) lowCm = midCm;
    else highCm = midCm;
  }
  return (lowCm + highCm) / 2;
}
