import type { PainInput, SetLogInput, StartInput } from '$lib/contract/forms';
import { before, CoreError, locksFrom, painKindOf, painPlaceOf, type Block, type PainEvent } from '$lib/core';
import type { Database, Db } from '../db/db';
import { insertLock } from '../repo/lockRepo';
import { insertPain, upsertSetLog } from '../repo/logRepo';
import { getSession, updateEnded, updateStarted } from '../repo/sessionRepo';
import { isOpenForWork } from './checking';
import { dateOf, loadSplitCase, type SplitCase } from './clientCase';
import { prepareSession } from './planning';
import { decideAll, pendingResume } from './reviewing';

/**
 * Starts a session with today's settings, or finds it running.
 *
 * Throws: CoreError 'not_found', 'not_cleared', 'not_ready', 'archived', 'session_already_running', 'resume_undecided', 'reason_missing', 'everything_locked',
 *         'minutes_too_few'.
 */
export async function startSession(
  db: Database,
  clientId: number,
  sessionId: number,
  { answer, reason, ...answers }: StartInput,
  now: Date
): Promise<void> {
  const session = await getSession(db, clientId, sessionId);
  if (session.status === 'running') return;
  const found = await loadSplitCase(db, clientId);
  if (found.client.archivedAt) throw new CoreError('archived');
  if (!isOpenForWork(found)) throw new CoreError('not_cleared');
  if (found.sessions.some((s) => s.status === 'running')) throw new CoreError('session_already_running');
  const readiness = before(answers);
  if (!readiness.starts) {
    if (answers.symptom) await lockFor(db, clientId, answers.symptom, null, dateOf(now));
    throw new CoreError('not_ready', { why: readiness.because.join(' ') });
  }
  await db.transaction(async (tx) => {
    const changed = await answerResume(tx, found, { answer, reason }, now);
    const c = changed ? await loadSplitCase(tx, clientId) : found;
    if (!c.plan) throw new CoreError('not_found', { what: 'plan' });
    const { blocks, cuts, leftOut } = prepareSession({ ...c, plan: c.plan }, session);
    const given = { blocks: readiness.easier ? blocks.map(eased) : blocks, cuts, leftOut };
    if (!(await updateStarted(tx, sessionId, given, { ...answers, ...readiness }, now.toISOString())))
      throw new CoreError('session_already_running');
  });
}

/** Every work of a block one step easier, where it has one. */
const eased = (block: Block): Block => ({
  ...block,
  work: block.work.map((work) => (work.easier ? { ...work, ...work.easier, easier: undefined } : work))
});

/** Carries out the answer to a pause; false when there was none. */
async function answerResume(
  tx: Parameters<typeof decideAll>[0],
  c: SplitCase,
  { answer, reason }: Pick<StartInput, 'answer' | 'reason'>,
  now: Date
): Promise<boolean> {
  const pending = pendingResume(c, dateOf(now));
  if (pending.length === 0) return false;
  if (answer === null) throw new CoreError('resume_undecided');
  if (answer === 'as before' && reason.trim() === '') throw new CoreError('reason_missing');
  const choice = answer === 'accept' ? null : { verdict: 'stay' as const, reason: reason.trim() };
  await decideAll(tx, c, pending, choice, dateOf(now));
  return true;
}

/** Keeps a set that was confirmed in the player. Sent again it changes nothing; it may come late, after the session ended. */
export async function logSet(db: Database, clientId: number, sessionId: number, log: SetLogInput): Promise<void> {
  const session = await getSession(db, clientId, sessionId);
  if (session.startedAt === null) throw new CoreError('session_not_running');
  const isPlanned = log.side === null || session.plannedSets.some((p) => p.exerciseId === log.exerciseId && p.side === log.side);
  if (!isPlanned) throw new CoreError('conflict', { setIndex: log.setIndex });
  await upsertSetLog(db, sessionId, session.schoolId, log);
}

/** Keeps a told pain with what it locks; a stop sign ends the session here as well. */
export async function tellPain(db: Database, clientId: number, sessionId: number, pain: PainInput, now: Date): Promise<void> {
  const session = await getSession(db, clientId, sessionId);
  if (session.startedAt === null) throw new CoreError('session_not_running');
  const kind = painKindOf(pain.kind);
  await db.transaction(async (tx) => {
    if (!(await insertPain(tx, sessionId, pain))) return;
    await lockFor(tx, clientId, pain, pain.id, dateOf(now));
    if (kind.action === 'stop session' || kind.action === 'urgent')
      await updateEnded(tx, sessionId, 'stopped', now.toISOString());
  });
}

/** Opens the locks that a told pain asks for. */
async function lockFor(tx: Db, clientId: number, pain: PainEvent, painEventId: string | null, openedOn: string): Promise<void> {
  const kind = painKindOf(pain.kind);
  const place = painPlaceOf(pain.place);
  const opened = { reason: `${kind.label}: ${place.label.toLowerCase()}`, openedOn, painEventId };
  for (const lock of locksFrom([pain])) await insertLock(tx, clientId, { ...opened, ...lock });
  if (kind.action === 'stop line')
    // Where no line belongs to the place, the joint is locked: the cautious reading.
    await insertLock(tx, clientId, {
      ...opened,
      ...(place.line ? { line: place.line } : { joint: place.joint }),
      side: pain.side
    });
}

export async function finishSession(
  db: Database,
  clientId: number,
  sessionId: number,
  status: 'done' | 'stopped',
  now: Date
): Promise<void> {
  const session = await getSession(db, clientId, sessionId);
  await updateEnded(db, session.id, status, now.toISOString());
}
