import type { ChangeSoFar, MeasureMode, MeasureResult, Side, WayId } from '$lib/core';
import type { BodyState } from './fields';

/** What one occasion says of one measure, side and mode, by one way on one support. */
export type Taken = Omit<MeasureResult, 'change'> &
  Readonly<{
    measureId: string;
    side: Side | null;
    mode: MeasureMode;
    way: WayId;
    support: string;
    occasionId: number;
    takenOn: string;
    bodyState: BodyState;
    dayTime: string;
    measurer: string;
    /** The change so far, told from this one and all before it that were taken alike. */
    change: ChangeSoFar | null;
    /** Day the change is counted from. */
    sinceOn: string | null;
    /** Two retests running show the same: what a measure that is no headline needs before it counts. */
    isShownTwice: boolean;
  }>;

/** What of a measure is drawn over time. */
export type TakenPoint = Pick<Taken, 'takenOn' | 'value' | 'margin' | 'side' | 'mode' | 'bodyState' | 'way' | 'support'>;

/** What of a measure stands in a table. */
export type TakenRow = TakenPoint & Pick<Taken, 'occasionId' | 'change'>;

/** The gap of the front split, with the opening it stands for. */
export type TakenSplit = Taken &
  Readonly<{ side: Side; depthCm: number; spreadCm: number | null; marginCm: number; sdCm: number }> &
  Readonly<{ openingDeg: number; openingMarginDeg: number }>;
