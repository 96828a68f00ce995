import {
  bearingStacks,
  exerciseOf,
  holdWithin,
  isTooDeep,
  longHold,
  planExerciseIds,
  rungsAround,
  rungsOfStacks,
  sides,
  splitUse,
  endValues,
  isWithin,
  type DialEnd,
  type LadderFault,
  type Rung,
  type Setting,
  type Settings,
  type Side
} from '$lib/core';
import type { SplitCase } from './clientCase';
import { perCase } from './perCase';
import { latestReading, readingsOf, type SideReading } from './splitReadings';
import { gateOf, measuredOf, startRung } from './safety';

export const splitExerciseId = 'front_split_on_stack';
const split = exerciseOf(splitExerciseId);
const depth = split.dials.find((d) => d.id === 'depthCm')!;

export type SideGrade = Readonly<{
  side: Side;
  reading: SideReading;
  /** Where the work stands: the setting in use, or the start the measure gives while none is. */
  depthCm: number;
  chosen: boolean;
  rung: Rung;
  rungs: readonly Rung[];
  faults: readonly LadderFault[];
  /** The shelf has nothing near: its best stack is deeper than what is meant by more than the greatest step. */
  tooDeep: boolean;
}>;

/** How both sides are graded; a side without a passive measure has no grade. */
export const gradesOf = perCase((c: SplitCase): SideGrade[] => {
  const readings = readingsOf(c);
  return sides.flatMap((side): SideGrade[] => {
    const reading = latestReading(readings, side, 'passive');
    return reading ? [gradeSide(c, side, reading)] : [];
  });
});

/** Every height of the split that the shelf makes. */
const allRungs = perCase((c: SplitCase): Rung[] => rungsOfStacks(bearingStacks(c.shelf), splitUse));

/** How deep the split may go for a client on a side, and why. */
const endOf = (c: SplitCase, side: Side): DialEnd | undefined => {
  const set = c.settings[splitExerciseId]?.[side]?.depthCm;
  const setting: Setting = set === undefined ? {} : { depthCm: set };
  return gateOf(c, split, side, setting, measuredOf(c, split, side)).ends.depthCm;
};

function gradeSide(c: SplitCase, side: Side, reading: SideReading): SideGrade {
  const set = c.settings[splitExerciseId]?.[side]?.depthCm;
  const end = endOf(c, side)?.at ?? -Infinity;
  const meant = Math.max(set ?? reading.depthCm, end);
  const open = allRungs(c).filter((r) => isWithin(depth, r.depthCm, { depthCm: end }));
  const rung = set === undefined || set < end ? startRung(open, meant)! : nearest(open, meant);
  const { rungs, faults } = rungsAround({ depthCm: rung.depthCm, targetCm: targetOf(c, side), shelf: c.shelf });
  return {
    side,
    reading,
    depthCm: rung.depthCm,
    chosen: set !== undefined,
    rung,
    rungs: rungs.filter((r) => isWithin(depth, r.depthCm, { depthCm: end })),
    faults,
    tooDeep: isTooDeep(rung.depthCm, set ?? reading.depthCm)
  };
}

const nearest = (rungs: readonly Rung[], cm: number): Rung =>
  rungs.reduce((near, r) => (Math.abs(r.depthCm - cm) < Math.abs(near.depthCm - cm) ? r : near));

/** The target of the ladder: the goal's, or where an end stop, a stage or a limit ends it before. */
function targetOf(c: SplitCase, side: Side): number {
  const end = endOf(c, side);
  // What only keeps it where it stands today is no end of the ladder.
  const lasting = end && (end.why.code === 'end stop' || end.why.code === 'flat first' || end.why.code === 'limit');
  return Math.max(c.goal.target, lasting ? end.at : -Infinity);
}

/** Settings of every exercise on both sides: those in use, and a start for those that have none, inside what the gate allows. */
export const settingsOf = perCase((c: SplitCase): Settings => {
  const grades = gradesOf(c);
  const beginner = c.client.level === 'beginner';
  const startOf = (start: Setting, id: string, side: Side): Setting => ({
    ...start,
    ...(start.effortPct !== undefined && beginner && { holdS: longHold.leastHoldS.beginner }),
    ...(id === splitExerciseId && { depthCm: grades.find((g) => g.side === side)?.depthCm ?? 0 })
  });
  // A side that was never set has no setting, or an empty one: its start fills what is missing.
  return Object.fromEntries(
    planExerciseIds.map(exerciseOf).map((exercise) => {
      const { id, start } = exercise;
      const whole = (side: Side) => {
        const setting = { ...startOf(start, id, side), ...c.settings[id]?.[side] };
        return holdWithin(exercise, setting, endValues(gateOf(c, exercise, side, setting, measuredOf(c, exercise, side))));
      };
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
