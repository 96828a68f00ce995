import { openingFromDepthDeg } from '../geometry/openingFromDepth';
import { propagate, type Propagated, type Uncertain } from '../geometry/propagate';

/**
 * The opening a measured depth stands for, with the error of the depth and of both legs carried along.
 *
 * Units:  cm in, degrees out.
 * Throws: CoreError 'gap_exceeds_leg'; those of `propagate`.
 */
export const splitOpening = (depth: Uncertain, lead: Uncertain, trail: Uncertain): Propagated =>
  propagate(
    ([depthCm, leadLegCm, trailLegCm]) =>
      openingFromDepthDeg({ depthCm: depthCm!, leadLegCm: leadLegCm!, trailLegCm: trailLegCm! }),
    [depth, lead, trail]
  );
