import { type Staircase, type Tread } from '$lib/contract/staircase';
import { addDays, daysBetween, nearestStack, sides, waitDays, type Rung, type Side, type Stack } from '$lib/core';
import { dateOf, type SplitCase } from './clientCase';
import { splitExerciseId, splitGrade } from './gradeSplit';
import { takenSplits } from './takenSplit';
import { shelfStacks } from './planning';
import { endedSessions } from './sessionRecords';

const minWeeks = 4;

/** Both staircases of a goal, one for each leading leg; [] before there is a measure. */
export function staircasesOf(c: SplitCase, today: string): Staircase[] {
  const taken = takenSplits(c).filter((r) => r.mode === 'passive');
  const firstOn = [taken[0]?.takenOn, firstDay(c)].filter((d) => d !== undefined).toSorted()[0];
  if (!firstOn) return [];
  const week = (on: string) => daysBetween(firstOn, on) / 7;
  const planEndOn = c.plan ? addDays(c.plan.startOn, c.plan.weeks * 7) : today;
  const stacks = shelfStacks(c);
  return sides.flatMap((side): Staircase[] => {
    const grade = splitGrade(c, side);
    if (!grade) return [];
    const { depthCm } = grade.rung;
    const past = pastTreads(c, side, depthCm, firstOn, today, stacks);
    const ahead = aheadTreads(
      grade.rungs.filter((r) => r.depthCm < depthCm),
      week(today)
    );
    const dots = taken
      .filter((r) => r.side === side)
      .map((r) => ({ week: week(r.takenOn), depthCm: r.depthCm, sdCm: r.sdCm, state: r.bodyState, takenOn: r.takenOn }));
    const lastWeek = ahead.at(-1)?.toWeek ?? week(today);
    return [
      {
        side,
        startOn: firstOn,
        weeks: Math.ceil(Math.max(minWeeks, week(planEndOn), Math.min(lastWeek, week(today) + 12), week(today) + 1)),
        todayWeek: week(today),
        targetDepthCm: c.goal.target,
        targetWeek: c.goal.targetOn ? week(c.goal.targetOn) : null,
        treads: [...past, ...ahead],
        dots
      }
    ];
  });
}

function firstDay(c: SplitCase): string | undefined {
  const first = endedSessions(c)[0];
  return first ? dateOf(first.startedAt!) : c.plan?.startOn;
}

function pastTreads(
  c: SplitCase,
  side: Side,
  depthNowCm: number,
  firstOn: string,
  today: string,
  stacks: readonly Stack[]
): Tread[] {
  const moves = c.decisions.filter(
    (d) => d.exerciseId === splitExerciseId && d.side === side && d.dial === 'depthCm' && d.to !== null
  );
  const week = (on: string) => daysBetween(firstOn, on) / 7;
  const tread = (fromOn: string, toOn: string, depthCm: number, now: boolean): Tread => ({
    fromWeek: week(fromOn),
    toWeek: week(toOn),
    depthCm,
    items: nearestStack(Math.abs(depthCm), stacks).items,
    ahead: false,
    now
  });
  const starts = [firstOn, ...moves.map((m) => m.decidedOn)];
  const depths = [moves[0]?.from ?? depthNowCm, ...moves.map((m) => m.to!)];
  return starts.map((on, i) =>
    tread(on, starts[i + 1] ?? today, i === starts.length - 1 ? depthNowCm : depths[i]!, i === starts.length - 1)
  );
}

/** One rung a week at the earliest: the rule that a depth waits seven days. */
function aheadTreads(rungs: readonly Rung[], fromWeek: number): Tread[] {
  const stepWeeks = waitDays.depth / 7;
  return rungs.map((r, i) => ({
    fromWeek: fromWeek + (i + 1) * stepWeeks,
    toWeek: fromWeek + (i + 2) * stepWeeks,
    depthCm: r.depthCm,
    items: r.items,
    ahead: true,
    now: false
  }));
}
