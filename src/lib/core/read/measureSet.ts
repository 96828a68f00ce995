import type { Goal, Demand } from '../goal/goal';
import type { PositionReading } from './readPosition';

/**
 * Ids of the measures a goal asks for.
 *
 * Model:  'short': the headline, and the links that hold the position back; 'full': whatever stands beside the headline and
 *         every demand, too. While no demand was ever measured nothing is known to hold back, and the short set is the
 *         headline alone.
 */
export function measureSet(
  goal: Pick<Goal, 'headline' | 'alsoMeasured'>,
  demands: readonly Demand[],
  readings: readonly PositionReading[],
  size: 'short' | 'full'
): string[] {
  const links =
    size === 'full' ? demands.map((d) => d.measure) : readings.flatMap((r) => r.limiting.map((l) => l.measure as string));
  return [...new Set([goal.headline, ...(size === 'full' ? goal.alsoMeasured : []), ...links])];
}
