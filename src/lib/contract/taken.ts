import type { Change, MeasureMode, MeasureResult, Side, WayId } from '$lib/core';
import type { BodyState } from './fields';

/** What one occasion says of one measure, side and mode, by one way on one support. */
export type Taken = MeasureResult &
  Readonly<{
    measureId: string;
    side: Side | null;
    mode: MeasureMode;
    way: WayId;
    support: string;
    occasionId: number;
    takenOn: string;
    bodyState: BodyState;
    /** Day it is compared with. */
    sinceOn: string | null;
    /** Two retests running show the same: what a measure that is no headline needs before it counts. */
    isShownTwice: boolean;
  }>;

/** The gap of the front split, with the opening it stands for. */
export type TakenSplit = Taken &
  Readonly<{ side: Side; depthCm: number; spreadCm: number | null; marginCm: number; sdCm: number }> &
  Readonly<{ openingDeg: number; openingMarginDeg: number; change: Change | null }>;
