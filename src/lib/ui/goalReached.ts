import { measureOf, type Side } from '$lib/core';
import type { LengthUnit } from '$lib/contract/fields';
import { isAtTarget } from './format';

/** The newest measure of a goal on one side; null where it was never taken there. */
export type LatestOfGoal = Readonly<{ side: Side | null; value: number | null; takenOn: string | null }>;

/** True where a goal is reached on every side it is taken on, as its measures are shown. */
export const isGoalReached = (
  { headline, target }: Readonly<{ headline: string; target: number | null }>,
  latest: readonly LatestOfGoal[],
  unit: LengthUnit
): boolean =>
  latest.length > 0 && latest.every((l) => l.value !== null && isAtTarget(l.value, target, measureOf(headline), unit));
