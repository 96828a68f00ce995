import {
  addDays,
  daysBetween,
  goalOf,
  measureOf,
  trainedMotions,
  partOf,
  smallWins,
  type Exercise,
  type LinkId,
  type Side,
  type Win
} from '$lib/core';
import type { LinkDone, WeekDone } from '$lib/contract/history';
import type { SetLog } from '../repo/logRepo';
import { dateOf, type GoalCase, type LoggedCase } from './clientCase';
import { sessionsOfPlan } from './composing';
import { perCase } from './perCase';
import { takenOf } from './taken';
import { endedSessions } from './sessionRecords';

/** True of active work, also where it is the position of a goal. */
const isLift = (exercise: Exercise): boolean => partOf({ ...exercise, positionOf: [] }) === 'own';

/** What was set on a set that met what was asked; where nothing was asked of it, nothing is known. */
const isClean = (l: SetLog): boolean => l.clean === true;

const sessionDays = (c: GoalCase): ReadonlyMap<number, string> =>
  new Map(endedSessions(c).map((s) => [s.id, dateOf(s.startedAt!)]));

/** Weeks that are told one by one, and those over which the motions are added up. */
const [shownWeeks, motionWeeks] = [12, 4];

/** The small wins of a goal, newest first. */
export const winsOf = perCase((c: LoggedCase): readonly Win[] => {
  const days = sessionDays(c);
  const { id, modes, betterIs } = measureOf(c.goal.headline);
  const { stage, stageOn, target } = c.goal;
  const stageName = goalOf(c.goal.kind).stages[stage];
  const cleanSets = c.setLogs.filter(isClean).flatMap((l) => {
    const exercise = c.catalogue.find((e) => e.id === l.exerciseId);
    const on = days.get(l.sessionId);
    if (!exercise || !on) return [];
    const dial = exercise.dials.find((d) => d.unit === 'cm' && d.id === 'depthCm');
    return [
      {
        on,
        exerciseId: l.exerciseId,
        side: l.side,
        isLift: isLift(exercise),
        holdS: l.setting.holdS ?? null,
        heightCm: dial ? (l.setting.depthCm ?? null) : null
      }
    ];
  });
  return smallWins({
    cleanSets,
    measures: takenOf(c)
      .filter((r) => r.measureId === id && r.mode === modes[0])
      .map((r) => ({ on: r.takenOn, side: r.side, value: r.value })),
    target,
    betterIs,
    stage: stage > 0 && stageOn && stageName ? { on: stageOn, name: stageName } : null
  });
});

/** Weeks back from this one, the newest first: what was done of what was planned. */
export const weeksDone = perCase((c: LoggedCase): readonly WeekDone[] => {
  const ended = endedSessions(c).map((s) => ({ ...s, on: dateOf(s.startedAt!) }));
  const firstOn = ended[0]?.on;
  if (!firstOn) return [];
  const weeks = Math.min(shownWeeks, Math.floor(daysBetween(firstOn, c.today) / 7) + 1);
  return Array.from({ length: weeks }, (_, i): WeekDone => {
    const startOn = addDays(c.today, -7 * (i + 1) + 1);
    const endOn = addDays(c.today, -7 * i);
    const own = ended.filter((s) => s.on >= startOn && s.on <= endOn);
    const ids = new Set(own.map((s) => s.id));
    const logs = c.setLogs.filter((l) => ids.has(l.sessionId));
    const due = sessionsOfPlan(c).filter((s) => s.plannedOn >= startOn && s.plannedOn <= endOn);
    const covers = c.plan && c.plan.startOn <= endOn;
    return {
      startOn,
      sessions: own.length,
      planned: covers ? due.length : null,
      sets: logs.filter((l) => own.some((s) => s.plannedSets.some((p) => p.exerciseId === l.exerciseId && p.side === l.side)))
        .length,
      plannedSets: own.flatMap((s) => s.plannedSets).reduce((sum, p) => sum + p.sets, 0),
      minutes: logs.reduce((sum, l) => sum + l.actualS, 0) / 60,
      pains: c.pains.filter((p) => p.feltOn >= startOn && p.feltOn <= endOn).length
    };
  });
});

/**
 * Seconds worked for each motion and side over the last weeks, active work apart: of every set what it lasted, for each motion it names.
 */
export const linksDone = perCase((c: LoggedCase): readonly LinkDone[] => {
  const from = addDays(c.today, -7 * motionWeeks);
  const days = sessionDays(c);
  const done = new Map<string, { link: LinkId; side: Side; passiveS: number; activeS: number }>();
  for (const l of c.setLogs) {
    const exercise = c.catalogue.find((e) => e.id === l.exerciseId);
    if (!exercise || (days.get(l.sessionId) ?? '') <= from) continue;
    const part = partOf(exercise);
    if (part === 'warm-up' || part === 'settle') continue;
    for (const { motion: link, side } of trainedMotions(exercise, l.side)) {
      const sum = done.get(`${link}/${side}`) ?? { link, side, passiveS: 0, activeS: 0 };
      sum[isLift(exercise) ? 'activeS' : 'passiveS'] += l.actualS;
      done.set(`${link}/${side}`, sum);
    }
  }
  return [...done.values()].sort((a, b) => a.link.localeCompare(b.link) || a.side.localeCompare(b.side));
});
