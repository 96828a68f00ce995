import type { DecideInput } from '$lib/contract/forms';
import {
  compileSession,
  CoreError,
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
  reasonText,
  retestEveryDays,
  sides,
  stretchesLine,
  whyText,
  type Decision,
  type DialState,
  type Exercise,
  type Limit,
  type LinkId,
  type PainEvent,
  type SessionRecord,
  type SetRecord,
  type Side,
  type Verdict
} from '$lib/core';
import type { Database, Db } from '../db/db';
import { insertDecision } from '../repo/decisionRepo';
import { insertLock } from '../repo/lockRepo';
import type { PainRecord, SetLog } from '../repo/logRepo';
import { upsertSetting } from '../repo/planRepo';
import type { Session } from '../repo/sessionRepo';
import { dateOf, loadSplitCase, type SplitCase } from './clientCase';
import { rungsOf, settingsOf, splitExerciseId } from './grading';
import { readingsOf, weakerSide } from './splitReadings';
import { perCase } from './perCase';
import { barsOf, gateOf, isHurt, measuredOf, painText } from './safety';

export type Proposal = Decision &
  Readonly<{ exerciseId: string; side: Side; dials: readonly DialState[]; sessionId: number; moment: Moment }>;

type Moment = 'review' | 'resume' | 'afterwards';

/** A share of the planned seconds below which a set was not done as planned, whatever was tapped. */
const shortShare = 0.8;

export const endedSessions = (c: SplitCase): Session[] =>
  c.sessions.filter((s) => (s.status === 'done' || s.status === 'stopped') && s.startedAt !== null);

const dayOf = (s: Session): string => dateOf(s.startedAt!);

/** Logged sets by session, exercise and side. */
const logsOf = perCase((c: SplitCase) => {
  const logs = new Map<string, SetLog[]>();
  for (const log of c.setLogs) {
    const key = `${log.sessionId}/${log.exerciseId}/${log.side}`;
    logs.set(key, [...(logs.get(key) ?? []), log]);
  }
  return logs;
});

/** The sessions of one exercise on one side, as the verdict reads them. A step back after a pause stands as a record of its own. */
export function recordsOf(c: SplitCase, exerciseId: string, side: Side): SessionRecord[] {
  return endedSessions(c).flatMap((session): SessionRecord[] => {
    const planned = session.plannedSets.find((p) => p.exerciseId === exerciseId && p.side === side);
    if (!planned) return [];
    const logs = logsOf(c).get(`${session.id}/${exerciseId}/${side}`) ?? [];
    const pains = painsIn(c, session.id, exerciseId, side);
    const decisions = c.decisions.filter((d) => d.sessionId === session.id && d.exerciseId === exerciseId && d.side === side);
    const decisionAt = (moment: Moment) => decisions.find((d) => d.moment === moment);
    const record: SessionRecord = {
      on: dayOf(session),
      plannedSets: planned.sets,
      // What was done one step easier says nothing about the setting in use.
      sets: logs.map((log) => (session.readiness?.easier ? easedRecord(log) : setRecord(log))),
      pains,
      // What was decided on a pain told later is the newer of the two.
      decision: decisionAt('afterwards') ?? decisionAt('review')
    };
    const resume = decisionAt('resume');
    return resume ? [record, { on: resume.decidedOn, plannedSets: 0, sets: [], pains: [], decision: resume }] : [record];
  });
}

/** Pains of an exercise in a session, told in it or later; where no side was told they are of either. */
const painsIn = (c: SplitCase, sessionId: number, exerciseId: string, side: Side): PainRecord[] =>
  c.pains.filter((p) => p.sessionId === sessionId && p.exerciseId === exerciseId && (p.workSide === null || p.workSide === side));

function setRecord(log: SetLog): SetRecord {
  const longEnough = log.actualS >= shortShare * log.plannedS;
  if (log.clean === true && longEnough) return { clean: true };
  if (log.clean !== false) return { clean: false, sensation: null, targetMet: longEnough, alignmentKept: null, feltRight: null };
  return {
    clean: false,
    sensation: log.sensation,
    targetMet: longEnough && log.slipped !== 'came off early',
    alignmentKept: log.slipped === null ? null : log.slipped === 'nothing' || log.slipped === 'came off early',
    feltRight: log.felt === null ? null : log.felt === 'expected'
  };
}

function easedRecord(log: SetLog): SetRecord {
  const record = setRecord(log);
  return record.clean ? { clean: false, sensation: 0, targetMet: false, alignmentKept: true, feltRight: true } : record;
}

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
  const setting = settingsOf(c)[exerciseId]![side];
  const exercise = exerciseOf(exerciseId);
  const gated = gateOf(c, exercise, side, setting, measuredOf(c, exercise, side), limitsOfLastSession(c));
  const dials = dialStates(exercise, setting, {
    rungs: exerciseId === splitExerciseId ? { depthCm: rungsOf(c)[side] } : {},
    ends: endValues(gated)
  });
  const measured = readingsOf(c).filter((r) => r.side === side && r.mode === 'passive');
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

/** Limits of the day of the last session: painkillers hide what should be felt. */
const limitsOfLastSession = (c: SplitCase): readonly Limit[] => endedSessions(c).at(-1)?.readiness?.limits ?? [];

/** Another verdict than the proposed one, with its reason. */
export type Overrule = Readonly<{ verdict: Verdict; reason: string }>;

/**
 * Carries decisions out: keeps them, moves the settings, and takes out what is stopped until a named person clears it.
 *
 * Throws: CoreError 'reason_missing', 'stop_not_overruled', 'deepen_against_limit', 'nothing_to_deepen'.
 */
export async function decideAll(
  tx: Db,
  c: SplitCase,
  proposals: readonly Proposal[],
  overrule: Overrule | null,
  decidedOn: string
): Promise<void> {
  for (const proposal of proposals) {
    const decision = overrule && overrule.verdict !== proposal.verdict ? overruled(c, proposal, overrule) : proposal;
    const { verdict, dial, from, to } = decision;
    const kept = await insertDecision(tx, c.goal.id, {
      sessionId: proposal.sessionId,
      moment: proposal.moment,
      exerciseId: proposal.exerciseId,
      side: proposal.side,
      proposedVerdict: proposal.verdict,
      because: proposal.because,
      verdict,
      dial,
      from,
      to,
      overruledBecause: verdict === proposal.verdict ? null : (overrule?.reason ?? null),
      decidedOn
    });
    if (!kept) continue; // decided in another tab meanwhile
    if (dial !== null && to !== null) {
      const setting = settingsOf(c)[proposal.exerciseId]![proposal.side];
      await upsertSetting(tx, c.goal.id, proposal.exerciseId, proposal.side, { ...setting, [dial]: to });
    }
    if (verdict === 'stop') await stopExercise(tx, c, proposal, decidedOn);
  }
}

function overruled(
  c: SplitCase,
  { verdict: proposed, dials, exerciseId, side }: Proposal,
  { verdict, reason }: Overrule
): Pick<Proposal, 'verdict' | 'dial' | 'from' | 'to'> {
  if (proposed === 'stop') throw new CoreError('stop_not_overruled');
  if (reason.trim() === '') throw new CoreError('reason_missing');
  if (verdict === 'deepen') {
    // A wait may be passed over with the reason that is written here; a stop, a limit and a stage may not.
    const exercise = exerciseOf(exerciseId);
    const setting = settingsOf(c)[exerciseId]![side];
    const { bars, keeps } = gateOf(c, exercise, side, setting, measuredOf(c, exercise, side), limitsOfLastSession(c));
    const against = bars[0] ?? keeps;
    if (against) throw new CoreError('deepen_against_limit', { why: reasonText(against) });
  }
  if (verdict === 'stay' || verdict === 'stop') return { verdict, dial: null, from: null, to: null };
  const dial = dials.find((d) => (verdict === 'deepen' ? d.harder : d.easier) !== null);
  if (!dial) {
    if (verdict === 'deepen') throw new CoreError('nothing_to_deepen');
    return { verdict, dial: null, from: null, to: null };
  }
  return { verdict, dial: dial.id, from: dial.at, to: verdict === 'deepen' ? dial.harder : dial.easier };
}

/**
 * An accepted stop takes the exercise out on that side until a named person clears it; sore pain twice running locks its joint as
 * well. What a stop that is open takes out already needs no second one.
 */
async function stopExercise(
  tx: Db,
  c: SplitCase,
  { exerciseId, side, rule, because }: Proposal,
  openedOn: string
): Promise<void> {
  const exercise = exerciseOf(exerciseId);
  const open = { openedOn, painEventId: null };
  if (barsOf(c, exercise, side).some((b) => b.code === 'stop')) return;
  if (rule === 'sore joint')
    for (const pain of (recordsOf(c, exerciseId, side).at(-1)?.pains ?? []).filter(isSore)) {
      const place = painPlaceOf(pain.place);
      const reason = `Twice running in ${exercise.name.toLowerCase()}: ${place.label.toLowerCase()}`;
      if (place.joint)
        await insertLock(tx, c.client.id, {
          stop: { joint: place.joint, side: place.sided ? pain.side : null },
          reason,
          ...open
        });
    }
  await insertLock(tx, c.client.id, {
    stop: { exerciseId, side },
    reason: `${exercise.name}: ${because[0] ? whyText(because[0]) : 'stopped in Review'}`,
    ...open
  });
}

/** One decision of the instructor after a session, accepted or overruled. Throws: those of `decideAll`, 'not_found'. */
export async function decideProposal(db: Database, clientId: number, input: DecideInput, today: string): Promise<void> {
  const c = await loadSplitCase(db, clientId, today);
  const proposal = proposalsOf(c).find((p) => p.exerciseId === input.exerciseId && p.side === input.side);
  if (!proposal) throw new CoreError('not_found', { what: 'proposal' });
  await db.transaction((tx) => decideAll(tx, c, [proposal], { verdict: input.verdict, reason: input.overruledBecause }, today));
}

/** Accepts everything that is still proposed after the last session. */
export async function acceptProposals(db: Database, clientId: number, today: string): Promise<void> {
  const c = await loadSplitCase(db, clientId, today);
  await db.transaction((tx) => decideAll(tx, c, proposalsOf(c), null, today));
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
