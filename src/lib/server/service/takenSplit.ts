// The front split: what was taken of it carries the depth and the opening.
import { compute } from '$lib/contract/door';
import type { TakenSplit } from '$lib/contract/taken';
import { splitOpening, otherSide, z95 } from '$lib/core';
import { legOf, type ClientCase } from './clientCase';
import { perCase } from './perCase';
import { takenOf } from './taken';

/** The measure that carries the depth of the front split. */
export const frontSplitGap = 'front_split_gap';

/** Everything taken of the gap of the front split, oldest first. */
export const takenSplits = perCase((c: ClientCase): TakenSplit[] =>
  takenOf(c).flatMap((r): TakenSplit[] => {
    const { side } = r;
    if (r.measureId !== frontSplitGap || side === null || r.sd === null) return [];
    const depth = { value: r.value, sd: r.sd };
    const opening = compute(() => splitOpening(depth, legOf(c.client, side), legOf(c.client, otherSide(side))));
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
