import { group } from 'd3-array';
import {
  daysBetween,
  hardLinks,
  progressRules,
  type Limit,
  type LinkId,
  type SessionRecord,
  type SetRecord,
  type Side
} from '$lib/core';
import type { LastTime, Moment } from '$lib/contract/review';
import type { PainRecord, SetLog } from '../repo/logRepo';
import type { Session } from '../repo/sessionRepo';
import { dateOf, type GoalCase, type LoggedCase } from './clientCase';
import { perCase } from './perCase';

export const endedSessions = (c: GoalCase): Session[] =>
  c.sessions.filter((s) => (s.status === 'done' || s.status === 'stopped') && s.startedAt !== null);

const dayOf = (s: Session): string => dateOf(s.startedAt!);

/** Logged sets by session, exercise and side. */
const logsOf = perCase((c: LoggedCase) => {
  const logs = new Map<string, SetLog[]>();
  for (const log of c.setLogs) {
    const key = `${log.sessionId}/${log.exerciseId}/${log.side}`;
    const known = logs.get(key);
    if (known) known.push(log);
    else logs.set(key, [log]);
  }
  return logs;
});

/** Decisions by exercise and side, the oldest first. */
const decisionsOf = perCase((c: LoggedCase) => group(c.decisions, (d) => `${d.exerciseId}/${d.side}`));

/** The sessions of one exercise on one side, as the verdict reads them. A step back after a pause stands as a record of its own. */
export function recordsOf(c: LoggedCase, exerciseId: string, side: Side | null): readonly SessionRecord[] {
  const known = knownRecords(c);
  const key = `${exerciseId}/${side}`;
  const records = known.get(key) ?? readRecords(c, exerciseId, side);
  known.set(key, records);
  return records;
}

const knownRecords = perCase((_: LoggedCase) => new Map<string, readonly SessionRecord[]>());

function readRecords(c: LoggedCase, exerciseId: string, side: Side | null): SessionRecord[] {
  const now = variantNow(c, exerciseId, side);
  const decided = group(decisionsOf(c).get(`${exerciseId}/${side}`) ?? [], (d) => d.sessionId);
  return endedSessions(c).flatMap((session): SessionRecord[] => {
    const planned = session.plannedSets.find((p) => p.exerciseId === exerciseId && p.side === side);
    if (!planned) return [];
    const logs = logsOf(c).get(`${session.id}/${exerciseId}/${side}`) ?? [];
    if (!isOfVariant(logs[0], now)) return [];
    const pains = painsIn(c, session.id, exerciseId, side);
    const decisionAt = (moment: Moment) => decided.get(session.id)?.find((d) => d.moment === moment);
    const record: SessionRecord = {
      on: dayOf(session),
      plannedSets: planned.sets,
      // What was done one step easier says nothing about the setting in use.
      sets: logs.map((log) => (session.readiness?.easier || planned.isEased ? easedRecord(log) : setRecord(log))),
      pains,
      // What was decided on a pain told later is the newer of the two.
      decision: decisionAt('afterwards') ?? decisionAt('review')
    };
    const resume = decisionAt('resume');
    return resume ? [record, { on: resume.decidedOn, plannedSets: 0, sets: [], pains: [], decision: resume }] : [record];
  });
}

/** How an exercise is done now: in which of its variants, and strictly or open. */
type VariantNow = Readonly<{ variant: string | null; isOpen: boolean }>;

function variantNow(c: GoalCase, exerciseId: string, side: Side | null): VariantNow {
  const choice = c.choices.find((o) => o.exerciseId === exerciseId);
  return { variant: choice?.variant ?? null, isOpen: choice?.lifts?.[side ?? 'left'].allows !== undefined };
}

/** Each variant is a log of its own, the strict one and the open one too: what the one is ready for says nothing about the other. No log is of either. */
const isOfVariant = (log: SetLog | undefined, { variant, isOpen }: VariantNow): boolean =>
  log === undefined || ((log.figures.allows !== undefined) === isOpen && (log.figures.variant ?? null) === variant);

/** Whether what was logged of the session that ended last is of the variant that is done now. */
export function isOfVariantNow(c: GoalCase, session: Session, exerciseId: string, side: Side | null): boolean {
  const log = c.lastSets.find((l) => l.sessionId === session.id && l.exerciseId === exerciseId && l.side === side);
  return isOfVariant(log, variantNow(c, exerciseId, side));
}

/** Pains of an exercise in a session, told in it or later; where no side was told they are of either. */
export const painsIn = (c: GoalCase, sessionId: number, exerciseId: string, side: Side | null): PainRecord[] =>
  c.pains.filter(
    (p) =>
      p.sessionId === sessionId && p.exerciseId === exerciseId && (p.workSide === null || side === null || p.workSide === side)
  );

/** Whether fewer were done than the set asked for, a sign ended it before its time, or it was done one step easier. */
const cutShort = ({ figures: { done, of, ended, easier } }: SetLog): boolean =>
  ended === true || easier === true || (done !== undefined && of !== undefined && done < of);

function setRecord(log: SetLog): SetRecord {
  const longEnough = log.actualS >= progressRules.setTimeShare * log.plannedS && !cutShort(log);
  const checksSlipped = (log.figures.checks?.length ?? 0) > 0;
  if (log.clean === true && longEnough && !checksSlipped) return { clean: true };
  // What was called clean was felt in its place and within the cap; the rest is as it was counted.
  if (log.clean === true)
    return { clean: false, sensation: 0, targetMet: longEnough, alignmentKept: !checksSlipped, feltRight: true };
  if (log.clean === null) return { clean: false, sensation: null, targetMet: longEnough, alignmentKept: null, feltRight: null };
  const kept = log.slipped === null ? null : log.slipped === 'nothing' || log.slipped === 'came off early';
  return {
    clean: false,
    sensation: log.sensation,
    targetMet: longEnough && log.slipped !== 'came off early',
    alignmentKept: checksSlipped ? false : kept,
    feltRight: log.felt === null ? null : log.felt === 'expected'
  };
}

function easedRecord(log: SetLog): SetRecord {
  const record = setRecord(log);
  return record.clean ? { clean: false, sensation: 0, targetMet: false, alignmentKept: true, feltRight: true } : record;
}

/** Limits of the day of the last session: painkillers hide what should be felt. */
export const limitsOfLastSession = (c: GoalCase): readonly Limit[] => endedSessions(c).at(-1)?.readiness?.limits ?? [];

/** How each exercise went on each side the last time before a session: its last set, by `exercise/side`. */
export function lastTimes(c: LoggedCase, session: Pick<Session, 'id' | 'plannedSets'>): Record<string, LastTime> {
  const keyOf = (s: Readonly<{ exerciseId: string; side: Side | null }>) => `${s.exerciseId}/${s.side}`;
  const wanted = new Set(session.plannedSets.map(keyOf));
  const startedOn = new Map(endedSessions(c).map((s) => [s.id, dayOf(s)]));
  const last: Record<string, LastTime> = {};
  // Logs run from the oldest session to the newest.
  for (const log of c.setLogs) {
    const on = startedOn.get(log.sessionId);
    if (log.sessionId === session.id || !on || !wanted.has(keyOf(log))) continue;
    const { clean, sensation, slipped, actualS, figures, setting } = log;
    const before = last[keyOf(log)];
    if (!before || before.on <= on) last[keyOf(log)] = { on, clean, sensation, slipped, actualS, figures, setting };
  }
  return last;
}

/** Motions that were worked hard in a session of yesterday, toward any goal: lift-offs, or efforts of 60 % and more. */
export function hardYesterday(c: GoalCase): LinkId[] {
  const last = [endedSessions(c).at(-1), c.lastElsewhere].filter((s) => s != null);
  const yesterday = last.filter((s) => s.startedAt !== null && daysBetween(dateOf(s.startedAt), c.today) === 1);
  return [...hardLinks(yesterday.flatMap((s) => s.prescribed?.blocks ?? []))];
}
