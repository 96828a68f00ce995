import { CoreError } from '../errors';
import { openingFromDepthDeg } from '../geometry/openingFromDepth';
import { propagate, type Uncertain } from '../geometry/propagate';
import { changeVerdict, type Change, type Occasion } from './changeVerdict';
import { z95 } from './mdc';
import { occasionSd, type MeasuringError } from './occasionSd';

export type ReadingAsk = Readonly<{
  /** Signed depths of the trials of one side, mode and occasion, cm. */
  depthsCm: readonly number[];
  leadLegCm: Uncertain;
  trailLegCm: Uncertain;
  error: MeasuringError;
  /** The last occasion in the same state, side and mode. */
  before: Occasion | null;
}>;

export type Reading = Readonly<{
  depthCm: number;
  trials: number;
  /** Spread of these trials; null for a single one. */
  spreadCm: number | null;
  sdCm: number;
  /** Half-width of the 95 % interval of the depth. */
  marginCm: number;
  openingDeg: number;
  openingSdDeg: number;
  /** Half-width of the 95 % interval of the opening. */
  openingMarginDeg: number;
  firstOrder: boolean;
  change: Change | null;
}>;

/**
 * What the trials of one occasion say: mean, spread, opening with its error, and whether it changed.
 *
 * Model:  the mean's sd is that of the occasion (day and trials); the opening carries it on together with the legs' own.
 *         A change is judged on the depth alone: the legs are the same body both times.
 * Units:  cm signed depth, degrees.
 * Throws: CoreError 'no_trials', 'gap_exceeds_leg'; those of `changeVerdict`.
 */
export function occasionReading({ depthsCm, leadLegCm, trailLegCm, error, before }: ReadingAsk): Reading {
  const trials = depthsCm.length;
  if (trials === 0) throw new CoreError('no_trials');
  const depthCm = depthsCm.reduce((sum, d) => sum + d, 0) / trials;
  const spreadCm = trials < 2 ? null : Math.sqrt(depthsCm.reduce((sum, d) => sum + (d - depthCm) ** 2, 0) / (trials - 1));
  const sdCm = occasionSd(trials, error);
  const opening = propagate(
    ([depth, lead, trail]) => openingFromDepthDeg({ depthCm: depth!, leadLegCm: lead!, trailLegCm: trail! }),
    [{ value: depthCm, sd: sdCm }, leadLegCm, trailLegCm]
  );
  const change = before && changeVerdict({ before, after: { value: depthCm, trials }, betterIs: 'lower', ...error });
  return {
    depthCm,
    trials,
    spreadCm,
    sdCm,
    marginCm: z95 * sdCm,
    openingDeg: opening.value,
    openingSdDeg: opening.sd,
    openingMarginDeg: z95 * opening.sd,
    firstOrder: opening.firstOrder,
    change
  };
}
