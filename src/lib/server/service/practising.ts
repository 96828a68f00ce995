// Long because a session that is begun, written down, said of and ended has one set of rules, each used by two of them.
import type { FinishInput, PainInput, StartInput } from '$lib/contract/forms';
import type { SetLogInput, WriteInput, Written } from '$lib/contract/setForms';
import { differenceInDays } from 'date-fns';
import {
  before,
  CoreError,
  countedIn,
  easedBlock,
  endsSession,
  exercisesIn,
  isAsked,
  painKindOf,
  readinessText,
  reasonText,
  timelineOf,
  type BeforeAnswers,
  type Block,
  type Readiness,
  type TimelineSet
} from '$lib/core';
import type { ClientTx, Database } from '../db/db';
import { sqlProblem } from '../db/sqlState';
import { openLocks } from '../repo/lockRepo';
import { insertPain, updatePainGrade, upsertSetLogs } from '../repo/logRepo';
import { findRunning, getPrescribed, getSession, updateEnded, updateStarted, type Session } from '../repo/sessionRepo';
import { changeClient } from './changing';
import { isCheckDue, isOpenForWork } from './checking';
import { dateOf, loadGoalCase, type ClientCase, type GoalCase, isPlanned } from './clientCase';
import { lockFor } from './pain';
import { prepareSession } from './composing';
import { pendingResume } from './reviewing';
import { decideAll } from './deciding';
import { barsOf } from './safety';
import { endedSessions } from './sessionRecords';

/**
 * Starts a session with today's settings, or finds it running.
 *
 * Throws: CoreError 'not_found', 'not_cleared', 'not_ready', 'archived', 'session_already_running', 'resume_undecided', 'reason_missing', 'everything_locked',
 *         'minutes_too_few', 'stopped_today'; 'check_overdue_unconfirmed' and 'same_day_unconfirmed' for what nobody confirmed.
 */
export async function startSession(
  db: Database,
  clientId: number,
  sessionId: number,
  input: StartInput,
  now: Date
): Promise<void> {
  const readiness = await mustBeReady(db, clientId, input, now);
  await changeClient(db, clientId, async (tx) => {
    const session = await getSession(tx, clientId, sessionId);
    if (session.status === 'running') return; // started by another click
    await begin(tx, await readyToStart(tx, clientId, session, input, readiness, now), now);
  });
}

/**
 * Keeps a session that was done without the player: begun, every set as it was said, ended; all of it or nothing.
 *
 * Throws: those of `startSession`; CoreError 'session_not_planned' for one that has begun, 'conflict' for an exercise it does not hold.
 */
export async function writeSession(db: Database, clientId: number, input: WriteInput, now: Date): Promise<void> {
  const { sessionId, doneOn, written, ...start } = input;
  const readiness = await mustBeReady(db, clientId, start, now);
  const at = new Date(`${doneOn}T${now.toTimeString().slice(0, 8)}`);
  await changeClient(db, clientId, async (tx) => {
    const session = await getSession(tx, clientId, sessionId);
    if (session.status !== 'planned') throw new CoreError('session_not_planned');
    await begin(tx, await readyToStart(tx, clientId, session, start, readiness, now), at);
    const begun = await getSession(tx, clientId, sessionId);
    const { sets } = timelineOf(await getPrescribed(tx, sessionId));
    const wordOf = new Map(written.map((w) => [`${w.exerciseId}/${w.side}`, w]));
    for (const w of written)
      if (!sets.some((s) => s.exerciseId === w.exerciseId && s.side === w.side)) throw new CoreError('conflict');
    const logs = sets.flatMap((set) => {
      const log = writtenLog(set, wordOf.get(`${set.exerciseId}/${set.side}`));
      const planned = begun.plannedSets.find((p) => p.exerciseId === set.exerciseId && p.side === set.side);
      return log ? [{ ...log, schoolId: planned?.schoolId ?? begun.schoolId }] : [];
    });
    await upsertSetLogs(tx, sessionId, logs);
    await updateEnded(tx, sessionId, 'done', new Date(at.getTime() + 1000 * (sets.at(-1)?.endS ?? 0)).toISOString());
  });
}

/** A set as it was said to be; null for what was not done, or of which nobody said anything. */
function writtenLog(set: TimelineSet, word: Written | undefined): SetLogInput | null {
  const asked = isAsked(set.work);
  if (asked && (!word || word.was === 'not done')) return null;
  const plannedS = Math.round(set.endS - set.workStartS);
  const of = countedIn(set.work.form)?.planned;
  const isFewer = word?.done !== undefined && of !== undefined && word.done !== of;
  return {
    id: crypto.randomUUID(),
    setIndex: set.index,
    exerciseId: set.exerciseId,
    side: set.side,
    plannedS,
    actualS: plannedS,
    clean: asked ? word!.was === 'clean' : null,
    sensation: null,
    felt: null,
    slipped: null,
    setting: set.work.setting,
    ...(isFewer && { figures: { done: word.done!, of } })
  };
}

type ReadyToStart = Readonly<{
  session: Session;
  found: GoalCase;
  resume: Pick<StartInput, 'answer' | 'reason'>;
  easier: boolean;
  told: Parameters<typeof updateStarted>[3];
}>;

/** What has to be so before a session begins. Throws: those of `startSession`. */
async function readyToStart(
  tx: ClientTx,
  clientId: number,
  session: Session,
  { answer, reason, overdueCheck, sameDay, ...answers }: StartInput,
  readiness: Readiness,
  now: Date
): Promise<ReadyToStart> {
  const found = await loadGoalCase(tx, clientId, dateOf(now));
  if (found.client.archivedAt) throw new CoreError('archived');
  if (!isOpenForWork(found)) throw new CoreError('not_cleared');
  if ((await findRunning(tx, clientId)) !== null) throw new CoreError('session_already_running');
  const day = dayOf(found);
  if (day.isStopped) throw new CoreError('stopped_today');
  if (day.isSecond && !sameDay) throw new CoreError('same_day_unconfirmed');
  const overdue = isCheckDue(found, found.today);
  if (overdue && !overdueCheck) throw new CoreError('check_overdue_unconfirmed');
  const confirmed = { ...(overdue && { overdueCheck: true as const }), ...(day.isSecond && { sameDay: true as const }) };
  return {
    session,
    found,
    resume: { answer, reason },
    easier: readiness.easier,
    told: { ...answers, ...readiness, ...confirmed }
  };
}

/** What the answers before a session make of it. Throws: CoreError 'not_ready' where nothing begins with them; a new symptom opens its stop. */
export async function mustBeReady(db: Database, clientId: number, answers: BeforeAnswers, now: Date): Promise<Readiness> {
  const readiness = before(answers);
  if (readiness.starts) return readiness;
  const { symptom } = answers;
  if (symptom)
    await changeClient(db, clientId, (tx) =>
      lockFor(tx, clientId, symptom, { exerciseId: null, workSide: null, painEventId: null }, now)
    );
  throw new CoreError('not_ready', { why: readiness.because.map(readinessText).join(' ') });
}

/** Begins a session with today's settings. Throws: those of `startSession`. */
async function begin(tx: ClientTx, { session, found, resume, easier, told }: ReadyToStart, now: Date): Promise<void> {
  const changed = await answerResume(tx, found, resume, now);
  const c = changed ? await loadGoalCase(tx, found.client.id, found.today) : found;
  if (!isPlanned(c)) throw new CoreError('not_found', { what: 'plan' });
  const { blocks, cuts, leftOut, options } = prepareSession(c, session);
  // Nobody works at a figure that nobody gave.
  const given = { blocks: easier ? blocks.map(easedBlock) : blocks, cuts, leftOut, options };
  if (!(await updateStarted(tx, session.id, given, told, now.toISOString()))) throw new CoreError('session_already_running');
}

/** Whether a session of today is behind them already, and whether one was stopped whose stop is still open. */
export function dayOf(c: GoalCase): { isSecond: boolean; isStopped: boolean } {
  const ofToday = endedSessions(c).filter((s) => dateOf(s.startedAt!) === c.today);
  const stillOpen = openLocks(c.locks).some((l) => l.openedOn === c.today);
  return { isSecond: ofToday.length > 0, isStopped: stillOpen && ofToday.some((s) => s.status === 'stopped') };
}

/** Carries out the answer to a pause; false when there was none. */
async function answerResume(
  tx: ClientTx,
  c: GoalCase,
  { answer, reason }: Pick<StartInput, 'answer' | 'reason'>,
  now: Date
): Promise<boolean> {
  const pending = await pendingResume(tx, c);
  if (pending.length === 0) return false;
  if (answer === null) throw new CoreError('resume_undecided');
  if (answer === 'as before' && reason.trim() === '') throw new CoreError('reason_missing');
  const choice = answer === 'accept' ? null : { verdict: 'stay' as const, reason: reason.trim() };
  await decideAll(tx, c, pending, choice, dateOf(now));
  return true;
}

/** Keeps a set that was confirmed in the player. Sent again it changes nothing; it may come late, after the session ended. */
export const logSet = (db: Database, clientId: number, sessionId: number, log: SetLogInput): Promise<void> =>
  logSets(db, clientId, sessionId, [log]);

/** Keeps sets of one session, all of them or none. */
export async function logSets(db: Database, clientId: number, sessionId: number, logs: readonly SetLogInput[]): Promise<void> {
  await changeClient(db, clientId, async (tx) => {
    const session = await getSession(tx, clientId, sessionId);
    if (session.startedAt === null) throw new CoreError('session_not_running');
    const schoolOfSet = (log: SetLogInput) => {
      const planned = session.plannedSets.find((p) => p.exerciseId === log.exerciseId && p.side === log.side);
      if (!planned && log.side !== null) throw new CoreError('conflict', { setIndex: log.setIndex });
      return planned?.schoolId ?? session.schoolId;
    };
    try {
      await upsertSetLogs(
        tx,
        sessionId,
        logs.map((log) => ({ ...log, schoolId: schoolOfSet(log) }))
      );
    } catch (error) {
      // The same id for another set: it would be refused for ever, so it is told.
      throw sqlProblem(error) === 'conflict' ? new CoreError('conflict', { setIndex: logs[0]!.setIndex }) : error;
    }
  });
}

/** A device keeps a session for days, not for months: what it dates earlier comes of its clock. */
const longestAwayDays = 60;

/** When something happened on a device: as it says, but never later than now, nor so long ago that its clock must be wrong. */
export function momentOf(at: string | undefined, now: Date): Date {
  if (at === undefined) return now;
  const days = differenceInDays(now, new Date(at));
  return new Date(at) < now && days <= longestAwayDays ? new Date(at) : now;
}

/**
 * Keeps a told pain with what it locks; a stop sign ends the session here as well. Of a session that is not known to have begun, since
 * what a device says of its start did not arrive, it is kept without it: its stop waits for nothing. Told once more with how strong it is, it
 * is graded.
 */
export async function tellPain(
  db: Database,
  clientId: number,
  sessionId: number,
  { at, ...pain }: PainInput,
  now: Date
): Promise<void> {
  const { action } = painKindOf(pain.kind);
  await changeClient(db, clientId, async (tx) => {
    const session = await getSession(tx, clientId, sessionId);
    const place = session.startedAt === null ? { sessionId: null, setIndex: null } : { sessionId };
    const isNew = await insertPain(tx, clientId, { ...pain, ...place, feltOn: dateOf(momentOf(at, now)), note: '' });
    if (!isNew && !(pain.grade && (await updatePainGrade(tx, clientId, pain.id, pain.grade)))) return;
    const { exerciseId, workSide, id } = pain;
    // An ache at the bone locked its line when it was told; how strong it is adds nothing to that.
    if (isNew || action !== 'stop line') await lockFor(tx, clientId, pain, { exerciseId, workSide, painEventId: id }, now);
    if (endsSession(pain)) await updateEnded(tx, sessionId, 'stopped', now.toISOString());
  });
}

export async function finishSession(
  db: Database,
  clientId: number,
  sessionId: number,
  { status, at }: FinishInput,
  now: Date
): Promise<void> {
  await changeClient(db, clientId, async (tx) => {
    const session = await getSession(tx, clientId, sessionId);
    if (session.startedAt === null) throw new CoreError('session_not_running');
    const ended = momentOf(at, now);
    // A clock that was set back ends nothing before it began.
    const endedAt = ended < new Date(session.startedAt) ? now : ended;
    await updateEnded(tx, session.id, status, endedAt.toISOString());
  });
}

/** What of a running session the gate bars by now: a stop may have come since it began, from another page or device. */
export const barredSince = (c: ClientCase, blocks: readonly Block[]) => {
  const find = exercisesIn(blocks);
  return blocks
    .flatMap(({ exerciseId, work }) =>
      work.flatMap(({ side, form }) => [
        { exerciseId, side },
        // The movements of a warm-up, each by itself.
        ...(form.kind === 'flow' ? form.spec.steps : []).flatMap((s) =>
          s.exerciseId ? [{ exerciseId: s.exerciseId, side: s.side ?? null }] : []
        )
      ])
    )
    .flatMap(({ exerciseId, side }) => {
      const [bar] = barsOf(c, find(exerciseId), side);
      return bar ? [{ exerciseId, side, why: reasonText(bar) }] : [];
    });
};
