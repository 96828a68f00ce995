import { group } from 'd3-array';
import type { BodyState } from '$lib/contract/fields';
import type { Taken } from '$lib/contract/taken';
import {
  activeGap,
  comparesAs,
  measureOf,
  sideDifference,
  tighterSide,
  type ActiveGap,
  type MeasureMode,
  type Side,
  type SideDifference
} from '$lib/core';
import type { ClientCase, GoalCase } from './clientCase';
import { comparesKey, takenOf } from './taken';

export type Comparison<D> = Readonly<{ difference: D; state: BodyState; takenOn: string }>;

/** Taken on one day in one state, in ways that go on from each other: a split past flat is written down apart from its gap. */
const alike = (a: Taken, b: Taken) =>
  a.takenOn === b.takenOn &&
  a.bodyState === b.bodyState &&
  comparesAs(a.way) === comparesAs(b.way) &&
  a.support === b.support &&
  a.sd !== null &&
  b.sd !== null;
const compared = ({ value, sd }: Taken) => ({ value, sd: sd! });

/** Returns left against right on the newest day that has both, taken alike; of one measure. */
export function compareSides(readings: readonly Taken[], mode: MeasureMode): Comparison<SideDifference> | null {
  const rightOf = (l: Taken) => readings.findLast((r) => r.side === 'right' && r.mode === mode && alike(r, l));
  const left = readings.findLast((r) => r.side === 'left' && r.mode === mode && rightOf(r));
  const right = left && rightOf(left);
  if (!left || !right) return null;
  const { betterIs } = measureOf(left.measureId);
  return { difference: sideDifference(betterIs, compared(left), compared(right)), state: left.bodyState, takenOn: left.takenOn };
}

/** The side whose headline trails by more than the error of both; null when none is shown to. */
export const weakerSide = (c: GoalCase): Side | null => trailsIn(c, headlineTaken(c)) ?? null;

const headlineTaken = (c: GoalCase) => takenOf(c).filter((r) => r.measureId === c.goal.headline);

/** The side that trails by the newest comparison of some readings; undefined where they hold none. */
const trailsIn = (c: GoalCase, readings: readonly Taken[]): Side | null | undefined =>
  compareSides(readings, measureOf(c.goal.headline).modes[0]!)?.difference.trails;

/** The side whose headline has trailed in two comparisons running; it is given a little more until the gap is inside the error for two. */
export function tighterSideOf(c: GoalCase): Side | null {
  const byDay = [...group(headlineTaken(c), (r) => r.takenOn)].toSorted(([a], [b]) => a.localeCompare(b));
  return tighterSide(byDay.map(([, ofDay]) => trailsIn(c, ofDay)).filter((trails) => trails !== undefined));
}

/** Returns held against reached on one side on the newest day that has both, taken alike; of one measure. */
export function compareActive(readings: readonly Taken[], side: Side | null): Comparison<ActiveGap> | null {
  const passiveOf = (a: Taken) => readings.findLast((r) => r.side === side && r.mode === 'passive' && alike(r, a));
  const active = readings.findLast((r) => r.side === side && r.mode === 'active' && passiveOf(r));
  const passive = active && passiveOf(active);
  if (!active || !passive) return null;
  const difference = gapOf(active, passive);
  return difference && { difference, state: active.bodyState, takenOn: active.takenOn };
}

/** How far what is held trails what is reached, of two readings taken alike; null where no error is known. */
export const gapOf = (active: Taken, passive: Taken): ActiveGap | null =>
  active.sd === null || passive.sd === null
    ? null
    : activeGap(measureOf(active.measureId).betterIs, compared(active), compared(passive));

/** Measures of one day taken before the work and after it, alike in all but the state of the body. */
export function beforeAndAfter(c: ClientCase, on: string) {
  const ofDay = takenOf(c).filter((r) => r.takenOn === on);
  const keyOf = (r: Taken) => comparesKey(r, 'after');
  return ofDay
    .filter((r) => r.bodyState === 'after')
    .flatMap((after) => {
      const before = ofDay.findLast((r) => r.bodyState !== 'after' && keyOf(r) === keyOf(after));
      return before
        ? [{ measureId: after.measureId, side: after.side, mode: after.mode, before: before.value, after: after.value }]
        : [];
    });
}
