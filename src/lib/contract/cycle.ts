import type { Caps, CycleBounds, CycleSpec, Exercise, Side } from '$lib/core';

/** The cycle of one side as it is done now, and what the person's limits make of it. */
export type SideCycle = Readonly<{
  cycle: CycleSpec;
  /** The school it begins from, where the exercise's own school makes no cycle of it. */
  begunFrom: string | null;
  caps: Caps;
  longestHoldS: number | null;
  /** Why nothing of it gets harder. */
  noHarder: string | null;
}>;

/** What the page needs to shape the cycle of an exercise. */
export type CycleDesk = Readonly<{
  exercise: Exercise;
  perSide: boolean;
  /** By hand, and not the school's way. */
  isShaped: boolean;
  sides: Readonly<Record<Side, SideCycle & Readonly<{ bounds: CycleBounds }>>>;
  /** Why the exercise is not done now. */
  bar: string | null;
  /** Length of one breath of this person. */
  breathS: number;
  /** Cycles kept under a name, for any exercise of anybody. */
  named: readonly Readonly<{ id: number; name: string; cycle: CycleSpec }>[];
}>;
