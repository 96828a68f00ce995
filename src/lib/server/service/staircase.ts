import { type Staircase, type Tread } from '$lib/contract/staircase';
import {
  bearingStacks,
  addDays,
  daysBetween,
  exerciseOf,
  goalOf,
  measureOf,
  nearestStack,
  sides,
  waitDays,
  type Rung,
  type Side,
  type Stack
} from '$lib/core';
import type { GoalCase } from './clientCase';
import { alikeSeries, headlineSides } from './forecasting';
import { stackGradeOf } from './gradeExercise';
import { perCase } from './perCase';
import { fine, takenOf } from './taken';

const minWeeks = 4;

/** The exercise on whose stack a split is trained: its rungs are the treads. */
const stackExercises: Readonly<Record<string, string>> = {
  front_split_gap: 'front_split_on_stack',
  side_split_gap: 'side_split_on_stack'
};

/** The staircases of a goal, one for each side its headline is taken on; [] before there is a measure. */
export const staircasesOf = perCase((c: GoalCase): Staircase[] => {
  const { today } = c;
  const { id, modes } = measureOf(c.goal.headline);
  const taken = takenOf(c).filter((r) => r.measureId === id && r.mode === modes[0]);
  const firstOn = [taken[0]?.takenOn, firstDay(c)].filter((d) => d !== undefined).toSorted()[0];
  if (!firstOn) return [];
  const week = (on: string) => fine(daysBetween(firstOn, on) / 7);
  const planEndOn = c.plan ? addDays(c.plan.startOn, c.plan.weeks * 7) : today;
  const { stages } = goalOf(c.goal.kind);
  const { stage, stageOn } = c.goal;
  return headlineSides(c).flatMap((side): Staircase[] => {
    const treads = stackExercises[id]
      ? stackTreads(c, side, stackExercises[id], firstOn, today)
      : measuredTreads(c, side, firstOn, today);
    if (treads.length === 0) return [];
    return [
      {
        side,
        measureId: id,
        startOn: firstOn,
        weeks: Math.ceil(Math.max(minWeeks, week(planEndOn), Math.min(treads.at(-1)!.toWeek, week(today) + 12), week(today) + 1)),
        todayWeek: week(today),
        target: c.goal.target,
        targetWeek: c.goal.targetOn ? week(c.goal.targetOn) : null,
        treads,
        dots: taken
          .filter((r) => r.side === side)
          .map((r) => ({
            week: week(r.takenOn),
            value: fine(r.value),
            sd: fine(r.sd ?? 0),
            state: r.bodyState,
            takenOn: r.takenOn
          })),
        landing: stage > 0 && stageOn && stageOn >= firstOn && stages[stage] ? { week: week(stageOn), name: stages[stage] } : null
      }
    ];
  });
});

const firstDay = (c: GoalCase): string | undefined => c.sessionDays[0] ?? c.plan?.startOn;

/** Where the position stood on its stack, and where it can stand at the earliest. */
function stackTreads(c: GoalCase, side: Side | null, exerciseId: string, firstOn: string, today: string): Tread[] {
  const grade = stackGradeOf(c, exerciseOf(exerciseId), side ?? sides[0]);
  if (!grade?.measured) return [];
  const { depthCm } = grade.rung;
  const ahead = grade.rungs.filter((r) => r.depthCm < depthCm);
  return [
    ...pastTreads(c, side, exerciseId, depthCm, firstOn, today, bearingStacks(c.shelf)),
    ...aheadTreads(ahead, daysBetween(firstOn, today) / 7)
  ];
}

function pastTreads(
  c: GoalCase,
  side: Side | null,
  exerciseId: string,
  depthNowCm: number,
  firstOn: string,
  today: string,
  stacks: readonly Stack[]
): Tread[] {
  const moves = c.decisions.filter(
    (d) => d.exerciseId === exerciseId && d.side === side && d.dial === 'depthCm' && d.to !== null
  );
  const week = (on: string) => daysBetween(firstOn, on) / 7;
  const tread = (fromOn: string, toOn: string, depthCm: number, now: boolean): Tread => ({
    fromWeek: week(fromOn),
    toWeek: week(toOn),
    value: depthCm,
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
    value: r.depthCm,
    items: r.items,
    ahead: true,
    now: false
  }));
}

/** What was measured, each until the next: where nothing is stood on. */
function measuredTreads(c: GoalCase, side: Side | null, firstOn: string, today: string): Tread[] {
  const week = (on: string) => daysBetween(firstOn, on) / 7;
  const series = alikeSeries(c, side);
  return series.map((r, i) => ({
    fromWeek: week(r.takenOn),
    toWeek: week(series[i + 1]?.takenOn ?? today),
    value: r.value,
    items: [],
    ahead: false,
    now: i === series.length - 1
  }));
}
