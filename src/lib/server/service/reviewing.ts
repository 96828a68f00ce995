import type { Moment, Proposal } from '$lib/contract/review';
import {
  compileSession,
  decide,
  endValues,
  dialStates,
  exerciseOf,
  isSore,
  loadsJoint,
  otherSide,
  painPlaceOf,
  partOf,
  planExerciseIds,
  retestEveryDays,
  sides,
  stretchesLine,
  type Decision,
  type DialState,
  type Exercise,
  type LinkId,
  type PainEvent,
  type SessionRecord,
  type Side
} from '$lib/core';
import type { Session } from '../repo/sessionRepo';
import type { SplitCase } from './clientCase';
import { rungsOf, planSettings, splitExerciseId } from './gradeSplit';
import { takenSplits, weakerSide } from './takenSplit';
import { perCase } from './perCase';
import { gateOf, isHurt, measuredOf, painText } from './safety';
import { endedSessions, limitsOfLastSession, painsIn, recordsOf } from './sessionRecords';

/** Exercises in the order in which a link is deepened first: the position, then the cycles, then the active work. */
const decidingOrder = ['position', 'open', 'own'] as const;
const rank = (e: Exercise) => decidingOrder.findIndex((p) => p === partOf(e));
const decided = planExerciseIds.map(exerciseOf).toSorted((a, b) => rank(a) - rank(b));

/** Links a step on one side makes harder: of a position both ends, each on its own leg. */
const linksOn = (exerciseId: string, side: Side): string[] => {
  const links: readonly LinkId[] = exerciseOf(exerciseId).links;
  return links.map((link) => `${link}/${links.length > 1 && link === 'HE' ? otherSide(side) : side}`);
};

/**
 * What to do next, exercise by exercise and side by side, after the session that ended last, and on pain told since it was
 * decided. What is decided already is left out.
 */
export const proposalsOf = perCase((c: SplitCase): Proposal[] => {
  const session = endedSessions(c).at(-1);
  return session ? [...propose(c, session, 'review'), ...propose(c, session, 'afterwards')] : [];
});

/** Steps back that a pause asks for before the next session begins. */
export function pendingResume(c: SplitCase): Proposal[] {
  const session = endedSessions(c).at(-1);
  if (!session) return [];
  return propose(c, session, 'resume').filter((p) => p.rule === 'pause' && p.verdict === 'ease');
}

function propose(c: SplitCase, session: Session, moment: Moment): Proposal[] {
  const deepened = new Set<string>();
  return decided.flatMap(({ id }) =>
    sides.flatMap((side): Proposal[] => {
      const history = recordsOf(c, id, side);
      const made = c.decisions.filter((d) => d.sessionId === session.id && d.exerciseId === id && d.side === side);
      const links = linksOn(id, side);
      const inSession = session.plannedSets.some((p) => p.exerciseId === id && p.side === side);
      if (
        !inSession ||
        history.length === 0 ||
        made.some((d) => d.moment === moment) ||
        !isOpenAt(c, session, id, side, moment)
      ) {
        if (made.some((d) => d.verdict === 'deepen')) links.forEach((l) => deepened.add(l));
        return [];
      }
      const linkDeepenedToday = links.some((l) => deepened.has(l));
      const shared = sharedPains(c, session, id, side);
      const { decision, dials } = decideOne(c, id, side, { history, linkDeepenedToday, moment, shared });
      if (decision.verdict === 'deepen') links.forEach((l) => deepened.add(l));
      return [{ ...decision, exerciseId: id, side, dials, sessionId: session.id, moment }];
    })
  );
}

/** Of pain told later only that is decided on which came after the decision on its session. */
function isOpenAt(c: SplitCase, session: Session, exerciseId: string, side: Side, moment: Moment): boolean {
  if (moment !== 'afterwards') return true;
  const before = c.decisions.find(
    (d) => d.sessionId === session.id && d.moment === 'review' && d.exerciseId === exerciseId && d.side === side
  );
  return before !== undefined && painsIn(c, session.id, exerciseId, side).some((p) => isSore(p) && p.toldAt > before.decidedAt);
}

/** Pains of a session told in other exercises that this one bears on too: the same joint, or the same line. */
function sharedPains(c: SplitCase, session: Session, exerciseId: string, side: Side) {
  const exercise = exerciseOf(exerciseId);
  const bearsOn = ({ place, side: at }: PainEvent) => {
    const { joint, lines } = painPlaceOf(place);
    return (
      (joint !== null && loadsJoint(exercise, side, { joint, side: at })) ||
      lines.some((line) => stretchesLine(exercise, side, { line, side: at }))
    );
  };
  return c.pains.flatMap((pain) =>
    pain.sessionId === session.id && pain.exerciseId !== null && pain.exerciseId !== exerciseId && isHurt(pain) && bearsOn(pain)
      ? [{ pain, exerciseName: c.catalogue.find((e) => e.id === pain.exerciseId)?.name ?? 'another exercise' }]
      : []
  );
}

type Asked = Readonly<{
  history: SessionRecord[];
  linkDeepenedToday: boolean;
  moment: Moment;
  shared: ReturnType<typeof sharedPains>;
}>;

function decideOne(
  c: SplitCase,
  exerciseId: string,
  side: Side,
  { history, linkDeepenedToday, moment, shared }: Asked
): { decision: Decision; dials: DialState[] } {
  const setting = planSettings(c)[exerciseId]![side];
  const exercise = exerciseOf(exerciseId);
  const gated = gateOf(c, exercise, side, setting, measuredOf(c, exercise, side), limitsOfLastSession(c));
  const dials = dialStates(exercise, setting, {
    rungs: exerciseId === splitExerciseId ? { depthCm: rungsOf(c)[side] } : {},
    ends: endValues(gated)
  });
  const measured = takenSplits(c).filter((r) => r.side === side && r.mode === 'passive');
  const lastOn = measured.at(-1)?.takenOn ?? null;
  const steps = (s: Side) => c.decisions.filter((d) => d.exerciseId === exerciseId && d.side === s);
  const net = (s: Side) =>
    steps(s).filter((d) => d.verdict === 'deepen').length - steps(s).filter((d) => d.verdict === 'ease').length;
  const decision = decide({
    prescription: {
      exercise,
      dials,
      sensationCap: gated.caps.sensation,
      sessionsPerWeek: c.plan?.sessionsPerWeek ?? c.client.sessionsPerWeek
    },
    side,
    history,
    measures: {
      lastOn,
      retestEveryDays,
      deepeningsSince: steps(side).filter(
        (d) => d.verdict === 'deepen' && d.dial === 'depthCm' && lastOn !== null && d.decidedOn > lastOn
      ).length
    },
    gated,
    moment,
    shared,
    otherSide: { isWeaker: weakerSide(c) !== otherSide(side), stepsAhead: net(side) - net(otherSide(side)) },
    linkDeepenedToday,
    today: c.today
  });
  return { decision, dials };
}

export type ExerciseDone = Readonly<{
  exerciseId: string;
  side: Side;
  plannedSets: number;
  doneSets: number;
  plannedS: number;
  actualS: number;
  cleanSets: number;
  pains: readonly string[];
}>;

/** The session that ended last, exercise by exercise: what was done against what was prescribed. Null before the first. */
export function doneAgainstPlan(c: SplitCase) {
  const session = endedSessions(c).at(-1);
  if (!session?.prescribed) return null;
  const planned = compileSession(session.prescribed.blocks, { effortCapPct: 100 }).sets.filter((s) => s.side !== null);
  const exercisesDone = session.prescribed.blocks.flatMap((b) =>
    b.work.flatMap(({ side, sets }): ExerciseDone[] => {
      if (side === null) return [];
      const logs = c.setLogs.filter((l) => l.sessionId === session.id && l.exerciseId === b.exerciseId && l.side === side);
      const ofSide = planned.filter((s) => s.exerciseId === b.exerciseId && s.side === side);
      return [
        {
          exerciseId: b.exerciseId,
          side,
          plannedSets: sets,
          doneSets: logs.length,
          plannedS: ofSide.reduce((sum, s) => sum + s.endS - s.workStartS, 0),
          actualS: logs.reduce((sum, l) => sum + l.actualS, 0),
          cleanSets: logs.filter((l) => l.clean).length,
          pains: c.pains.filter((p) => painsIn(c, session.id, b.exerciseId, side).includes(p)).map(painText)
        }
      ];
    })
  );
  return {
    id: session.id,
    week: session.week,
    ordinal: session.ordinal,
    status: session.status,
    startedAt: session.startedAt!,
    exercises: exercisesDone
  };
}

/** Sessions done of those that were due by today, in the plan in force. */
export function attendanceOf(c: SplitCase): { done: number; due: number } {
  const ofPlan = c.sessions.filter((s) => s.planId === c.plan?.id);
  const ended = ofPlan.filter((s) => s.status === 'done' || s.status === 'stopped').length;
  const due = ofPlan.filter((s) => s.plannedOn < c.today || s.status !== 'planned').length;
  return { done: ended, due: Math.max(due, ended) };
}
