import type { Side, Stack } from '$lib/core';
import type { BodyState } from './fields';

/**
 * A tread: one setting of the ladder for as long as it lasted, or, ahead, the earliest it can come; of a goal without a stack, a measure
 * until the next one. Weeks count from the start, values are those of the headline.
 */
export type Tread = Readonly<{
  fromWeek: number;
  toWeek: number;
  value: number;
  items: Stack['items'];
  ahead: boolean;
  now: boolean;
}>;
export type Dot = Readonly<{ week: number; value: number; sd: number; state: BodyState; takenOn: string }>;
export type Staircase = Readonly<{
  /** Null for both sides together. */
  side: Side | null;
  measureId: string;
  startOn: string;
  weeks: number;
  todayWeek: number;
  target: number | null;
  targetWeek: number | null;
  treads: readonly Tread[];
  dots: readonly Dot[];
  /** Where a stage of the goal was opened. */
  landing: Readonly<{ week: number; name: string }> | null;
}>;
