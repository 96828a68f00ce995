// The front split: its readings carry the depth and the opening.
import { compute } from '$lib/contract/door';
import type { BodyState } from '$lib/contract/fields';
import { openingReading, otherSide, z95, type Change, type MeasureMode, type Side } from '$lib/core';
import { legOf, type ClientCase, type SplitCase } from './clientCase';
import { compareSides } from './comparing';
import { perCase } from './perCase';
import { takenOf, type TakenReading } from './taken';

/** The measure that carries the depth of the front split. */
export const frontSplitGap = 'front_split_gap';

export type SideReading = TakenReading &
  Readonly<{ side: Side; depthCm: number; spreadCm: number | null; marginCm: number; sdCm: number }> &
  Readonly<{ openingDeg: number; openingMarginDeg: number; change: Change | null }>;

/** Every reading of the gap of the front split, oldest first. */
export const readingsOf = perCase((c: ClientCase): SideReading[] =>
  takenOf(c).flatMap((r): SideReading[] => {
    const { side } = r;
    if (r.measureId !== frontSplitGap || side === null || r.sd === null) return [];
    const depth = { value: r.value, sd: r.sd };
    const opening = compute(() => openingReading(depth, legOf(c.client, side), legOf(c.client, otherSide(side))));
    if (!opening.ok) return [];
    return [
      {
        ...r,
        side,
        depthCm: r.value,
        spreadCm: r.spread,
        sdCm: r.sd,
        marginCm: z95 * r.sd,
        openingDeg: opening.value.value,
        openingMarginDeg: z95 * opening.value.sd
      }
    ];
  })
);

export const latestReading = (
  readings: readonly SideReading[],
  side: Side,
  mode: MeasureMode,
  state?: BodyState
): SideReading | null =>
  readings.findLast((r) => r.side === side && r.mode === mode && (state === undefined || r.bodyState === state)) ?? null;

/** The leading side that trails by more than the error of both; null when none is shown to. */
export function weakerSide(c: SplitCase): Side | null {
  return compareSides(readingsOf(c), 'passive')?.difference.trails ?? null;
}
