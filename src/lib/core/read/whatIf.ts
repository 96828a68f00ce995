import { CoreError } from '../errors';
import { nearestDepthCm } from '../geometry/nearestDepth';
import type { PositionReading } from './readPosition';

export type WhatIf = Readonly<{
  /** Opening or angle of the position with the changed links. */
  openingDeg: number;
  /** Signed depth, for a split. */
  depthCm: number | null;
  /** Centimetres one degree more is worth here, for a split. */
  cmPerDeg: number | null;
}>;

/**
 * What the position would be if links had another range.
 *
 * Model:  the measured opening moves by the change of the sum: what the links do not explain stays as it is. Where the
 *         position was never measured, the sum alone. Past flat the depth is minus the raise under the leading heel.
 * Units:  degrees; `changes` maps a link's key to its new passive range. Links that are no part of the sum change nothing.
 * Throws: CoreError 'nothing_adds_up' for a goal whose links stand apart, or while a link of the sum is not known; 'value_not_a_number'.
 */
export function whatIf(reading: PositionReading, changes: Readonly<Record<string, number>>): WhatIf {
  const { links, openingDeg, openingFromLinksDeg, model } = reading;
  if (openingFromLinksDeg === null || model === 'apart') throw new CoreError('nothing_adds_up');
  const more = links.reduce(
    (sum, link) => (link.coupled && changes[link.key] !== undefined ? sum + changes[link.key]! - link.passive!.value : sum),
    0
  );
  const opening = (openingDeg ?? openingFromLinksDeg) + more;
  if (!Number.isFinite(opening)) throw new CoreError('value_not_a_number');
  if (model === 'sum') return { openingDeg: opening, depthCm: null, cmPerDeg: null };
  const legs = { leadLegCm: reading.legs.leadCm, trailLegCm: reading.legs.trailCm };
  const depthCm = nearestDepthCm({ openingDeg: opening, ...legs });
  return { openingDeg: opening, depthCm, cmPerDeg: Math.abs(nearestDepthCm({ openingDeg: opening + 1, ...legs }) - depthCm) };
}
