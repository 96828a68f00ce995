// Long because one table has one repository: what a session is given, keeps and shows is read and written here.
import { z } from 'zod';
import { sessionStatuses } from '$lib/contract/plan';
import {
  isAsked,
  isLookedAt,
  places,
  smallCurve,
  timelineOf,
  type Allotment,
  type Arrangement,
  type BeforeAnswers,
  type Block,
  type Cut,
  type DialId,
  type DrawnPhase,
  type LeftOut,
  type LinkId,
  type PlanPhase,
  type PlanWeek,
  type Readiness,
  type SchoolId,
  type SessionOptions,
  type Side
} from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, firstRow, IdRow, instant, oneRow, rowsAtOnce } from '../db/rows';

/** What a session was given when it began: blocks as fitted that day, and what was left out; sentences where it was kept long ago. */
export type Prescribed = Readonly<{
  blocks: readonly Block[];
  cuts: readonly Cut[];
  leftOut: readonly (LeftOut | string)[];
  options?: SessionOptions;
}>;

/** What was confirmed before a session that would else not have begun. */
export type Confirmed = Readonly<{ overdueCheck?: true; sameDay?: true }>;

/** How many sets each exercise was given on each side, and the dials that say how they are done; of older sessions nobody noted those. */
export type PlannedSets = readonly Readonly<{
  exerciseId: string;
  side: Side | null;
  sets: number;
  schoolId?: SchoolId;
  dials?: readonly DialId[];
  /** Done on an easier stack than the one in use. */
  isEased?: true;
  /** A test: it is not decided on. */
  isLookedAt?: true;
}>[];

/** How long what was prescribed took, seconds, and its curve. */
export type SessionOutline = Readonly<{ durationS: number; curve: readonly DrawnPhase[] }>;

const SessionRow = z
  .object({
    id: z.int(),
    plan_id: z.int(),
    line_id: z.int(),
    school_id: z.string(),
    week: z.int(),
    ordinal: z.int(),
    phase: z.enum(['settle in', 'open', 'own', 'arrive']),
    easy: z.boolean(),
    light: z.boolean(),
    retest: z.boolean(),
    planned_on: z.iso.date(),
    place: z.enum(places),
    begins_at: z.string().nullable(),
    theme: z.custom<LinkId>().nullable(),
    status: z.enum(sessionStatuses),
    readiness: z.custom<BeforeAnswers & Readiness & Confirmed>().nullable(),
    prescribed: z.custom<Prescribed>().nullable(),
    allotment: z.custom<Allotment>().nullable(),
    arranged: z.custom<Arrangement>().nullable(),
    planned_sets: z.custom<PlannedSets>().nullable(),
    started_at: instant.nullable(),
    ended_at: instant.nullable(),
    outline: z.custom<SessionOutline>().nullable()
  })
  .transform((r) => ({
    id: r.id,
    planId: r.plan_id,
    lineId: r.line_id,
    schoolId: r.school_id,
    week: r.week,
    ordinal: r.ordinal,
    phase: r.phase as PlanPhase,
    easy: r.easy,
    light: r.light,
    retest: r.retest,
    plannedOn: r.planned_on,
    place: r.place,
    beginsAt: r.begins_at,
    theme: r.theme,
    status: r.status,
    readiness: r.readiness,
    prescribed: r.prescribed,
    allotment: r.allotment,
    arranged: r.arranged,
    plannedSets: r.planned_sets ?? [],
    startedAt: r.started_at,
    endedAt: r.ended_at,
    outline: r.outline
  }));
export type Session = z.output<typeof SessionRow>;

const plain = `s.id, s.plan_id, coalesce(p.line_id, p.id) as line_id, p.school_id, s.week, s.ordinal, s.phase, s.easy, s.light, s.retest,
               s.planned_on, s.place, s.begins_at, s.theme, s.status, s.started_at, s.ended_at`;
const whole = 's.allotment, s.arranged, s.outline, s.planned_sets, s.readiness';

/** Those done in the order they were done, then those to come in theirs; what was prescribed with the one that runs and the one that ended last. */
const sessionsOf = (columns: string, which: string): string =>
  `with last as (
     select n.id from plan q cross join lateral (
       select id, started_at from session where plan_id = q.id and status in ('done', 'stopped')
        order by started_at desc nulls last, id desc limit 1) n
      where q.goal_id = $1 and n.started_at is not null order by n.started_at desc, n.id desc limit 1)
   select ${plain}, ${columns}, case when s.status = 'running' or s.id = last.id then s.prescribed end as prescribed
     from session s join plan p on p.id = s.plan_id left join last on true
    where p.goal_id = $1 and s.status <> 'superseded' and (${which})
    order by s.started_at nulls last, p.version, s.week, s.ordinal, s.id`;

/** Every session of a goal over all its plans, in full but for what was prescribed. */
export const listSessions = (db: Db, goalId: number): Promise<Session[]> =>
  rowsAtOnce(db, SessionRow, sessionsOf(whole, 'true'), [goalId]);

const isInLine = 'coalesce(p.line_id, p.id) = $2';
const isInFull = `s.status in ('running', 'planned') or s.id = last.id`;
const lean = `case when ${isInFull} or ${isInLine} then s.allotment end as allotment,
              case when ${isInFull} or ${isInLine} then s.arranged end as arranged,
              case when ${isInLine} then s.outline end as outline,
              case when ${isInFull} then s.planned_sets end as planned_sets,
              case when ${isInFull} then s.readiness end as readiness`;

/**
 * Sessions of a goal that still bear on what comes: those to come, those of the line of the plan in force, and whatever began since a day. Of
 * those that ended before the last, what was planned of them and answered stays behind: years of it.
 */
export const listSessionsAtHand = (
  db: Db,
  goalId: number,
  { lineId, since }: Readonly<{ lineId: number | null; since: string }>
): Promise<Session[]> => {
  const sql = sessionsOf(lean, `${isInFull} or ${isInLine} or s.started_at >= $3::date`);
  return rowsAtOnce(db, SessionRow, sql, [goalId, lineId, since]);
};

const StartedRow = z.object({ started_at: instant });

/** When each session of a goal that has ended began, the oldest first. */
export const listBegun = async (db: Db, goalId: number): Promise<string[]> => {
  const sql = `select s.started_at from session s join plan p on p.id = s.plan_id
                where p.goal_id = $1 and s.status in ('done', 'stopped') and s.started_at is not null order by s.started_at`;
  return (await rowsAtOnce(db, StartedRow, sql, [goalId])).map((r) => r.started_at);
};

const LastElsewhereRow = z
  .object({ started_at: z.string(), prescribed: z.custom<Prescribed>() })
  .transform((r) => ({ startedAt: r.started_at, prescribed: r.prescribed }));
export type LastElsewhere = z.output<typeof LastElsewhereRow>;

const DayRow = z.object({ planned_on: z.iso.date() });

/** Days from one on that an older version of the plan had a session on. */
export async function listSupersededDays(db: Db, goalId: number, from: string): Promise<string[]> {
  const { rows } = await db.query(
    `select distinct s.planned_on from session s join plan p on p.id = s.plan_id
      where p.goal_id = $1 and s.status = 'superseded' and s.planned_on >= $2 order by s.planned_on`,
    [goalId, from]
  );
  return allRows(DayRow, rows).map((r) => r.planned_on);
}

/** What a client did last toward other goals than one, and when; null where nothing. */
export async function findLastElsewhere(db: Db, clientId: number, goalId: number): Promise<LastElsewhere | null> {
  const { rows } = await db.query(
    `select s.started_at, s.prescribed from session s join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id
      where g.client_id = $1 and g.id <> $2 and s.ended_at is not null and s.prescribed is not null
      order by s.started_at desc, s.id desc limit 1`,
    [clientId, goalId]
  );
  return firstRow(LastElsewhereRow, rows);
}

/** The session of this client that runs; null when none does. */
export async function findRunning(db: Db, clientId: number): Promise<number | null> {
  const { rows } = await db.query(
    `select s.id from session s join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id
      where g.client_id = $1 and s.status = 'running' limit 1`,
    [clientId]
  );
  return firstRow(IdRow, rows)?.id ?? null;
}

/** A session of a client without what was prescribed, or 'not_found'. */
export async function getSession(db: Db, clientId: number, id: number): Promise<Session> {
  const { rows } = await db.query(
    `select ${plain}, ${whole}, null as prescribed from session s join plan p on p.id = s.plan_id join goal g on g.id = p.goal_id
      where s.id = $1 and g.client_id = $2`,
    [id, clientId]
  );
  return oneRow(SessionRow, rows, 'session');
}

const PrescribedRow = z.object({ prescribed: z.custom<Prescribed>() });

const PrescribedOfRow = PrescribedRow.extend({ id: z.int() });

/** What the sessions of one week of a plan and of the versions it goes on from were given when they began, by session. */
export async function listPrescribed(db: Db, lineId: number, week: number): Promise<ReadonlyMap<number, Prescribed>> {
  const { rows } = await db.query(
    `select s.id, s.prescribed from session s join plan p on p.id = s.plan_id
      where coalesce(p.line_id, p.id) = $1 and s.week = $2 and s.prescribed is not null`,
    [lineId, week]
  );
  return new Map(allRows(PrescribedOfRow, rows).map((r) => [r.id, r.prescribed]));
}

/** What a session was given when it began, in full. Throws: CoreError 'not_found'. */
export async function getPrescribed(db: Db, id: number): Promise<Prescribed> {
  const { rows } = await db.query('select prescribed from session where id = $1 and prescribed is not null', [id]);
  return oneRow(PrescribedRow, rows, 'prescribed').prescribed;
}

/** The sessions of a plan, week by week, each with what was arranged of it by hand. The last one of a week of retests is the retest. */
export async function insertSessions(
  tx: ClientTx,
  planId: number,
  weeks: readonly PlanWeek[],
  arrangedOf: (session: Readonly<{ week: number; ordinal: number }>) => Arrangement | null
): Promise<void> {
  const rows = weeks.flatMap(({ sessions, ...week }) =>
    sessions.map((s, i) => ({
      ...{ week: week.week, ordinal: s.ordinal, phase: week.phase, easy: week.easy, light: s.light },
      retest: week.retest && i === sessions.length - 1,
      ...{ on: s.on, allotment: s.allotment, arranged: arrangedOf({ week: week.week, ordinal: s.ordinal }) },
      ...{ place: s.place, beginsAt: s.beginsAt, theme: s.theme }
    }))
  );
  await tx.query(
    `insert into session (plan_id, week, ordinal, phase, easy, light, retest, planned_on, allotment, arranged, place, begins_at, theme)
     select $1, week, ordinal, phase, easy, light, retest, "on", allotment, arranged, place, "beginsAt", theme
       from jsonb_to_recordset($2::jsonb) as s(week int, ordinal int, phase text, easy boolean, light boolean, retest boolean, "on" date,
            allotment jsonb, arranged jsonb, place text, "beginsAt" text, theme text)
      order by week, ordinal`,
    [planId, JSON.stringify(rows)]
  );
}

/** What is asked about, each exercise and side once: two visits add up. */
function plannedSetsOf(blocks: readonly Block[]): PlannedSets {
  const all = blocks.flatMap((b) =>
    b.work.filter(isAsked).map(({ side, sets, dials, isEased }) => ({
      exerciseId: b.exerciseId,
      side,
      sets,
      schoolId: b.schoolId,
      dials,
      ...(isEased && { isEased }),
      ...(isLookedAt(b) && { isLookedAt: true as const })
    }))
  );
  const key = (p: PlannedSets[number]) => `${p.exerciseId}/${p.side}`;
  return [...new Map(all.map((p) => [key(p), p])).values()].map((p) => ({
    ...p,
    sets: all.filter((q) => key(q) === key(p)).reduce((sum, q) => sum + q.sets, 0)
  }));
}

/** Keeps how sessions that are still to come are arranged; null takes it back to the usual. */
export async function updateArranged(tx: ClientTx, ids: readonly number[], arranged: Arrangement | null): Promise<void> {
  await tx.query(`update session set arranged = $1 where id = any ($2::integer[]) and status = 'planned'`, [
    arranged && JSON.stringify(arranged),
    ids
  ]);
}

/** Starts a session that is still to come; false when it was started meanwhile. `from`: what it may be, else planned alone. */
export async function updateStarted(
  tx: ClientTx,
  id: number,
  prescribed: Prescribed,
  readiness: BeforeAnswers & Readiness & Confirmed,
  startedAt: string,
  from: readonly ('planned' | 'superseded')[] = ['planned']
): Promise<boolean> {
  const plannedSets = plannedSetsOf(prescribed.blocks);
  const { durationS, phases } = timelineOf(prescribed);
  const outline = JSON.stringify({ durationS, curve: smallCurve(phases) } satisfies SessionOutline);
  const { rowCount } = await tx.query(
    `update session set status = 'running', prescribed = $1, planned_sets = $2, readiness = $3, started_at = $4, outline = $7
      where id = $5 and status = any ($6::text[])`,
    [JSON.stringify(prescribed), JSON.stringify(plannedSets), JSON.stringify(readiness), startedAt, id, from, outline]
  );
  return rowCount === 1;
}

/** Ends whatever session of a client runs, as stopped. */
export async function endSessionsOf(tx: Db, clientId: number, endedAt: string): Promise<void> {
  await tx.query(
    `update session s set status = 'stopped', ended_at = $2
       from plan p join goal g on g.id = p.goal_id
      where p.id = s.plan_id and g.client_id = $1 and s.status = 'running'`,
    [clientId, endedAt]
  );
}

export async function updateEnded(tx: ClientTx, id: number, status: 'done' | 'stopped', endedAt: string): Promise<void> {
  await tx.query(`update session set status = $1, ended_at = $2 where id = $3 and status = 'running'`, [status, endedAt, id]);
}
