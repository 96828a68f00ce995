import type { SetFigures } from '$lib/contract/setForms';
import { exercisesIn, isAsked, timelineOf, type Side } from '$lib/core';
import type { GoalCase } from './clientCase';
import { painText } from './safety';
import { endedSessions, painsIn } from './sessionRecords';

export type ExerciseDone = Readonly<{
  exerciseId: string;
  exerciseName: string;
  side: Side | null;
  plannedSets: number;
  doneSets: number;
  plannedS: number;
  actualS: number;
  cleanSets: number;
  /** Of 1, by the seconds that were worked. */
  share: number;
  /** What was written down of its sets. */
  figures: readonly SetFigures[];
  pains: readonly string[];
}>;

/** The session that ended last, exercise by exercise: what was done against what was prescribed. Null before the first. */
export function doneAgainstPlan(c: GoalCase) {
  const session = endedSessions(c).at(-1);
  if (!session?.prescribed) return null;
  const planned = timelineOf(session.prescribed).sets.filter((s) => isAsked(s.work));
  const find = exercisesIn(session.prescribed.blocks);
  const exercisesDone = session.plannedSets.map(({ exerciseId, side, sets }): ExerciseDone => {
    const logs = c.lastSets.filter((l) => l.sessionId === session.id && l.exerciseId === exerciseId && l.side === side);
    const ofSide = planned.filter((s) => s.exerciseId === exerciseId && s.side === side);
    const plannedS = ofSide.reduce((sum, s) => sum + Math.round(s.endS - s.workStartS), 0);
    const actualS = logs.reduce((sum, l) => sum + l.actualS, 0);
    return {
      exerciseId,
      exerciseName: find(exerciseId).name,
      side,
      plannedSets: sets,
      doneSets: logs.length,
      plannedS,
      actualS,
      share: plannedS > 0 ? actualS / plannedS : 0,
      figures: logs.map((l) => l.figures).filter((f) => Object.keys(f).length > 0),
      cleanSets: logs.filter((l) => l.clean).length,
      pains: c.pains.filter((p) => painsIn(c, session.id, exerciseId, side).includes(p)).map(painText)
    };
  });
  return {
    id: session.id,
    week: session.week,
    ordinal: session.ordinal,
    status: session.status,
    startedAt: session.startedAt!,
    blocks: session.prescribed.blocks,
    exercises: exercisesDone
  };
}
