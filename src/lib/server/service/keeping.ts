import { createHash } from 'node:crypto';
import type { KeptSession, PlayedSession, StartedAway } from '$lib/contract/played';
import { addDays, capsOf, CoreError, easedBlock } from '$lib/core';
import type { Database } from '../db/db';
import { getKept, upsertKept } from '../repo/keptSessionRepo';
import { listLeftOut, type LeftOutSet } from '../repo/logRepo';
import { findRunning, getPrescribed, getSession, updateStarted, type Prescribed, type Session } from '../repo/sessionRepo';
import { changeClient } from './changing';
import { isCheckDue, isOpenForWork, limitsOf } from './checking';
import {
  bodyOf,
  breathOf,
  dateOf,
  loadGoalCase,
  shelfAt,
  isPlanned,
  withLog,
  type GoalCase,
  type LoggedCase
} from './clientCase';
import { prepareSession } from './composing';
import { barredSince, dayOf, momentOf, mustBeReady } from './practising';
import { pendingResume } from './reviewing';
import { lastTimes } from './sessionRecords';

/** What the player is given of a session that has begun, or is about to. */
export const playedOf = (
  c: LoggedCase,
  session: Session,
  { blocks, options }: Prescribed,
  leftOut: readonly LeftOutSet[]
): PlayedSession => ({
  session: { id: session.id, week: session.week, ordinal: session.ordinal, status: session.status, retest: session.retest },
  client: { id: c.client.id, name: c.client.name, body: bodyOf(c.client) },
  units: c.units,
  shelf: shelfAt(c, session.place),
  blocks,
  options,
  logged: c.setLogs.filter((l) => l.sessionId === session.id).map((l) => l.setIndex),
  leftOut: leftOut.map((l) => l.setIndex),
  pains: c.pains.flatMap((p) => (p.sessionId === session.id && p.setIndex !== null ? [{ ...p, setIndex: p.setIndex }] : [])),
  barred: barredSince(c, blocks),
  lastTimes: lastTimes(c, session),
  next: nextOf(c, session),
  breathS: breathOf(c),
  sensationCap: capsOf(limitsOf(c)).sensation
});

function nextOf(c: LoggedCase, { id }: Session): PlayedSession['next'] {
  const next = c.sessions.find((s) => s.status === 'planned' && s.id !== id);
  return next ? { week: next.week, ordinal: next.ordinal, on: next.plannedOn < c.today ? null : next.plannedOn } : null;
}

/** What the player is given of a session that has begun; null of one that has not. */
export async function playedSession(db: Database, c: GoalCase, sessionId: number): Promise<PlayedSession | null> {
  const logged = await withLog(db, c);
  const session = logged.sessions.find((s) => s.id === sessionId);
  if (!session || session.lineId !== c.plan?.lineId || session.startedAt === null) return null;
  const prescribed = session.prescribed ?? (await getPrescribed(db, session.id));
  return playedOf(logged, session, prescribed, await listLeftOut(db, session.id));
}

/**
 * A planned session as a device may keep it and start it by itself, today or tomorrow. What it is given is kept here as well, so
 * that what was played is known whatever changes meanwhile. What would hold up a start holds this up.
 *
 * Throws: CoreError 'not_found', 'archived', 'not_cleared', 'session_not_planned', 'stopped_today', 'resume_undecided',
 *         and those of `prepareSession`.
 */
export const keepSession = (db: Database, clientId: number, sessionId: number, now: Date): Promise<KeptSession> =>
  changeClient(db, clientId, async (tx) => {
    const c = await loadGoalCase(tx, clientId, dateOf(now));
    const session = c.sessions.find((s) => s.id === sessionId);
    if (!session || !isPlanned(c)) throw new CoreError('not_found', { what: 'session' });
    if (c.client.archivedAt) throw new CoreError('archived');
    if (!isOpenForWork(c)) throw new CoreError('not_cleared');
    if (session.status !== 'planned') throw new CoreError('session_not_planned');
    const day = dayOf(c);
    if (day.isStopped) throw new CoreError('stopped_today');
    if ((await pendingResume(tx, c)).length > 0) throw new CoreError('resume_undecided');
    const { blocks, cuts, leftOut, options } = prepareSession(c, session);
    const given: Prescribed = { blocks, cuts, leftOut, options };
    const text = JSON.stringify(given);
    const copy = createHash('sha256').update(text).digest('hex');
    await upsertKept(tx, sessionId, copy, text);
    const tomorrow = addDays(c.today, 1);
    return {
      ...playedOf(await withLog(tx, c), session, given, []),
      copy,
      keptOn: c.today,
      days: [
        { on: c.today, overdueCheck: isCheckDue(c, c.today), sameDay: day.isSecond },
        { on: tomorrow, overdueCheck: isCheckDue(c, tomorrow), sameDay: false }
      ],
      without: leftOut,
      effortCapPct: capsOf(limitsOf(c)).effortPct
    };
  });

/**
 * Takes over a session that a device started by itself, as it was played there; said again it changes nothing. The plan may have been
 * made anew meanwhile: what was done was done. True where it had been begun on another device as well.
 *
 * Throws: CoreError 'not_found', 'not_ready' for answers with which nothing begins (the stop they ask for is opened),
 *         'session_already_running' while another session of this person runs.
 */
export async function startAway(
  db: Database,
  clientId: number,
  sessionId: number,
  { copy, at, answer: _, reason: __, overdueCheck, sameDay, ...answers }: StartedAway,
  now: Date
): Promise<boolean> {
  const readiness = await mustBeReady(db, clientId, answers, now);
  const startedAt = momentOf(at, now);
  return changeClient(db, clientId, async (tx) => {
    const session = await getSession(tx, clientId, sessionId);
    if (session.startedAt !== null) return new Date(session.startedAt).getTime() !== startedAt.getTime();
    if ((await findRunning(tx, clientId)) !== null) throw new CoreError('session_already_running');
    const kept = await getKept(tx, sessionId, copy);
    const given = readiness.easier ? { ...kept, blocks: kept.blocks.map(easedBlock) } : kept;
    const confirmed = { ...(overdueCheck && { overdueCheck: true as const }), ...(sameDay && { sameDay: true as const }) };
    const told = { ...answers, ...readiness, ...confirmed };
    await updateStarted(tx, sessionId, given, told, startedAt.toISOString(), ['planned', 'superseded']);
    return false;
  });
}
