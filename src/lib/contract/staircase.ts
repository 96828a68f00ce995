import type { Side, Stack } from '$lib/core';
import type { BodyState } from './fields';

/** A tread: one setting of the ladder for as long as it lasted, or, ahead, the earliest it can come. Weeks count from the start. */
export type Tread = Readonly<{
  fromWeek: number;
  toWeek: number;
  depthCm: number;
  items: Stack['items'];
  ahead: boolean;
  now: boolean;
}>;
export type Dot = Readonly<{ week: number; depthCm: number; sdCm: number; state: BodyState; takenOn: string }>;
export type Staircase = Readonly<{
  side: Side;
  startOn: string;
  weeks: number;
  todayWeek: number;
  targetDepthCm: number;
  targetWeek: number | null;
  treads: readonly Tread[];
  dots: readonly Dot[];
}>;
