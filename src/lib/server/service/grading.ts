import {
  bearingStacks,
  deepestDepthCm,
  isTooDeep,
  longHold,
  nearestStack,
  rungsAround,
  sides,
  exerciseOf,
  planExerciseIds,
  capOf,
  defaultEffortCapPct,
  type LadderFault,
  type Rung,
  type Setting,
  type Settings,
  type Side,
  type Stack
} from '$lib/core';
import { limitsOf } from './checking';
import { legsCm, type SplitCase } from './clientCase';
import { perCase } from './perCase';
import { latestReading, readingsOf, type SideReading } from './measuring';

export const splitExerciseId = 'front_split_on_stack';

export type SideGrade = Readonly<{
  side: Side;
  reading: SideReading;
  /** Where the work stands: the setting in use, or the stack nearest to the measure while none is. */
  depthCm: number;
  chosen: boolean;
  rung: Rung;
  rungs: readonly Rung[];
  faults: readonly LadderFault[];
  /** The shelf has nothing near: its best stack is deeper than what is meant by more than the greatest step. */
  tooDeep: boolean;
  /** Where the end stops of the two hips end it; null where they do not. */
  deepestCm: number | null;
}>;

/** How both sides are graded; a side without a passive measure has no grade. */
export const gradesOf = perCase((c: SplitCase): SideGrade[] => {
  const readings = readingsOf(c);
  return sides.flatMap((side): SideGrade[] => {
    const reading = latestReading(readings, side, 'passive');
    return reading ? [gradeSide(c, side, reading)] : [];
  });
});

function gradeSide(c: SplitCase, side: Side, reading: SideReading): SideGrade {
  const stacks = bearingStacks(c.shelf);
  const set = c.settings[splitExerciseId]?.[side]?.depthCm;
  const rung = depthRung(Math.max(set ?? reading.depthCm, deepestOf(c, side)), stacks);
  const { rungs, faults } = rungsAround({ depthCm: rung.depthCm, targetCm: targetOf(c, side), shelf: c.shelf });
  const tooDeep = isTooDeep(rung.depthCm, set ?? reading.depthCm);
  return {
    side,
    reading,
    depthCm: rung.depthCm,
    chosen: set !== undefined,
    rung,
    rungs,
    faults,
    tooDeep,
    deepestCm: endStopOf(c, side)
  };
}

export const endStopOf = (c: SplitCase, side: Side): number | null => deepestDepthCm(limitsOf(c), side, legsCm(c.client, side));
const deepestOf = (c: SplitCase, side: Side): number => endStopOf(c, side) ?? -Infinity;

/** The target of the ladder: the goal's, or the end stop where that comes first. */
const targetOf = (c: SplitCase, side: Side): number => Math.max(c.goal.target, deepestOf(c, side));

/** A stack as a setting: above the floor under the pelvis, past flat under the lead heel. */
function depthRung(depthCm: number, stacks: readonly Stack[]): Rung {
  const stack = nearestStack(Math.abs(depthCm), stacks);
  if (stack.heightCm === 0) return { ...stack, depthCm: 0, under: 'floor' };
  return depthCm < 0
    ? { ...stack, depthCm: -stack.heightCm, under: 'lead heel' }
    : { ...stack, depthCm: stack.heightCm, under: 'pelvis' };
}

/** Settings of every exercise on both sides: those in use, and a start for those that have none. */
export const settingsOf = perCase((c: SplitCase): Settings => {
  const grades = gradesOf(c);
  const capPct = capOf(limitsOf(c), 'effort cap', defaultEffortCapPct);
  const beginner = c.client.level === 'beginner';
  const startOf = (start: Setting, id: string, side: Side): Setting => ({
    ...start,
    ...(start.effortPct !== undefined && { effortPct: Math.min(start.effortPct, capPct) }),
    ...(start.effortPct !== undefined && beginner && { holdS: longHold.leastHoldS.beginner }),
    ...(id === splitExerciseId && { depthCm: grades.find((g) => g.side === side)?.depthCm ?? 0 })
  });
  // A side that was never set has no setting, or an empty one: its start fills what is missing.
  return Object.fromEntries(
    planExerciseIds.map(exerciseOf).map(({ id, start }) => {
      const whole = (side: Side) => ({ ...startOf(start, id, side), ...c.settings[id]?.[side] });
      return [id, { left: whole('left'), right: whole('right') }];
    })
  );
});

/** The split's ladder of either side, round the setting in use. */
export const rungsOf = perCase((c: SplitCase): Readonly<Record<Side, readonly Rung[]>> => {
  const around = (side: Side) =>
    rungsAround({ depthCm: settingsOf(c)[splitExerciseId]?.[side].depthCm ?? 0, targetCm: targetOf(c, side), shelf: c.shelf })
      .rungs;
  return { left: around('left'), right: around('right') };
});
