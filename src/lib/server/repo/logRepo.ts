import { z } from 'zod';
import { feltPlaces, figuresSchema, leftOutReasons, slips, type SetLogInput } from '$lib/contract/setForms';
import {
  painGrades,
  painPlaceIds,
  sides,
  type PainEvent,
  type PainGrade,
  type PainKindId,
  type Setting,
  type Side
} from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, changedOne, rowsAtOnce } from '../db/rows';

const SetLogRow = z
  .object({
    id: z.string(),
    session_id: z.int(),
    set_index: z.int(),
    exercise_id: z.string(),
    side: z.enum(sides).nullable(),
    planned_s: z.int(),
    actual_s: z.int(),
    clean: z.boolean().nullable(),
    sensation: z.int().nullable(),
    felt: z.enum(feltPlaces).nullable(),
    slipped: z.enum(slips).nullable(),
    school_id: z.string().nullable(),
    setting: z.custom<Setting>(),
    figures: figuresSchema
  })
  .transform((r) => ({
    id: r.id,
    sessionId: r.session_id,
    setIndex: r.set_index,
    exerciseId: r.exercise_id,
    side: r.side,
    plannedS: r.planned_s,
    actualS: r.actual_s,
    clean: r.clean,
    sensation: r.sensation,
    felt: r.felt,
    slipped: r.slipped,
    /** By which school it was done; null where it was logged before schools were kept. */
    schoolId: r.school_id,
    setting: r.setting,
    figures: r.figures
  }));
export type SetLog = z.output<typeof SetLogRow>;

const setColumns = `l.id, l.session_id, l.set_index, l.exercise_id, l.side, l.planned_s, l.actual_s, l.clean, l.sensation, l.felt, l.slipped,
                    l.school_id, l.setting, l.figures`;

/** Sets that were done in every session of a goal, in their order. */
export const listSetLogs = (db: Db, goalId: number): Promise<SetLog[]> =>
  rowsAtOnce(
    db,
    SetLogRow,
    `select ${setColumns} from set_log l join session s on s.id = l.session_id join plan p on p.id = s.plan_id
      where p.goal_id = $1 and l.left_out is null
      order by l.session_id, l.set_index`,
    [goalId]
  );

/** Sets that were done in some sessions, in their order. */
export async function listSetsOf(db: Db, sessionIds: readonly number[]): Promise<SetLog[]> {
  const { rows } = await db.query(
    `select ${setColumns} from set_log l where l.session_id = any ($1::int[]) and l.left_out is null
      order by l.session_id, l.set_index`,
    [sessionIds]
  );
  return allRows(SetLogRow, rows);
}

const FlatHoldRow = z
  .object({ side: z.enum(sides).nullable(), started_at: z.string() })
  .transform((r) => ({ side: r.side, startedAt: r.started_at }));
/** A side on which the flat split was held clean, and when the session of it began. */
export type FlatHold = z.output<typeof FlatHoldRow>;

/** Clean holds of the flat split of at least so many seconds; exercise and height as in `set_log_flat_idx`, so that it serves. */
export async function listFlatHolds(db: Db, goalId: number, holdS: number): Promise<FlatHold[]> {
  const { rows } = await db.query(
    `select distinct l.side, s.started_at from set_log l join session s on s.id = l.session_id join plan p on p.id = s.plan_id
      where p.goal_id = $1 and s.started_at is not null and l.exercise_id = 'front_split_on_stack' and l.clean
        and (l.setting ->> 'depthCm')::numeric <= 0.000000001 and l.left_out is null and l.actual_s >= $2
      order by s.started_at`,
    [goalId, holdS]
  );
  return allRows(FlatHoldRow, rows);
}

const LeftOutRow = z
  .object({ set_index: z.int(), exercise_id: z.string(), side: z.enum(sides).nullable(), left_out: z.enum(leftOutReasons) })
  .transform((r) => ({ setIndex: r.set_index, exerciseId: r.exercise_id, side: r.side, why: r.left_out }));
/** A set of a session that was left out, and why. */
export type LeftOutSet = z.output<typeof LeftOutRow>;

export async function listLeftOut(db: Db, sessionId: number): Promise<LeftOutSet[]> {
  const { rows } = await db.query(
    `select set_index, exercise_id, side, left_out from set_log where session_id = $1 and left_out is not null order by set_index`,
    [sessionId]
  );
  return allRows(LeftOutRow, rows);
}

/** Sets of one session, each by its place in it; one that was logged there before is replaced, and its id remembered. */
export async function upsertSetLogs(
  tx: ClientTx,
  sessionId: number,
  logs: readonly Readonly<SetLogInput & { schoolId: string }>[]
): Promise<void> {
  await tx.query(
    `insert into set_log (id, session_id, set_index, exercise_id, side, planned_s, actual_s, clean, sensation, felt, slipped, school_id, setting, figures, left_out)
     select id, $1, "setIndex", "exerciseId", side, "plannedS", "actualS", clean, sensation, felt, slipped, "schoolId", setting,
            coalesce(figures, '{}'), "leftOut"
       from jsonb_to_recordset($2::jsonb) as l(id uuid, "setIndex" int, "exerciseId" text, side text, "plannedS" int, "actualS" int, clean boolean,
            sensation int, felt text, slipped text, "schoolId" text, setting jsonb, figures jsonb, "leftOut" text)
      order by "setIndex"
     on conflict (session_id, set_index) do update
        set id = excluded.id, actual_s = excluded.actual_s, clean = excluded.clean, sensation = excluded.sensation,
            felt = excluded.felt, slipped = excluded.slipped, setting = excluded.setting, figures = excluded.figures,
            left_out = excluded.left_out, logged_at = now(),
            replaced_ids = set_log.replaced_ids || set_log.id
      where set_log.id <> excluded.id and not excluded.id = any(set_log.replaced_ids)`,
    [sessionId, JSON.stringify(logs)]
  );
}

const PainRow = z
  .object({
    id: z.string(),
    session_id: z.int().nullable(),
    set_index: z.int().nullable(),
    exercise_id: z.string().nullable(),
    work_side: z.enum(sides).nullable(),
    place: z.enum(painPlaceIds),
    side: z.enum(sides).nullable(),
    kind: z.custom<PainKindId>(),
    felt_on: z.iso.date(),
    /** By the clock of the database: whether it came before or after a decision. */
    told_at: z.string(),
    grade: z.enum(painGrades).nullable(),
    note: z.string()
  })
  .transform((r) => ({
    id: r.id,
    sessionId: r.session_id,
    setIndex: r.set_index,
    exerciseId: r.exercise_id,
    workSide: r.work_side,
    place: r.place,
    side: r.side,
    kind: r.kind,
    feltOn: r.felt_on,
    toldAt: r.told_at,
    grade: r.grade,
    note: r.note
  }));
export type PainRecord = z.output<typeof PainRow>;

/** Every pain a client told, in a session or at any other time, the oldest first. */
export async function listPains(db: Db, clientId: number): Promise<PainRecord[]> {
  const { rows } = await db.query(
    `select id, session_id, set_index, exercise_id, work_side, place, side, kind, felt_on, told_at, grade, note
       from pain_event where client_id = $1 and withdrawn_at is null order by felt_on, told_at, id`,
    [clientId]
  );
  return allRows(PainRow, rows);
}

const WithdrawnPainRow = PainRow.and(
  z
    .object({ withdrawn_at: z.string(), withdrawn_by: z.string(), withdrawn_why: z.string() })
    .transform((r) => ({ withdrawnAt: r.withdrawn_at, withdrawnBy: r.withdrawn_by, withdrawnWhy: r.withdrawn_why }))
);

/** Returns the pains of a client that were told in error, the last one first. */
export async function listWithdrawnPains(db: Db, clientId: number) {
  const { rows } = await db.query(
    `select id, session_id, set_index, exercise_id, work_side, place, side, kind, felt_on, told_at, grade, note,
            withdrawn_at, withdrawn_by, withdrawn_why
       from pain_event where client_id = $1 and withdrawn_at is not null order by withdrawn_at desc limit 20`,
    [clientId]
  );
  return allRows(WithdrawnPainRow, rows);
}

/** Takes back a pain that counts. Throws: CoreError 'not_found' where there is none. */
export async function updatePainWithdrawn(
  tx: ClientTx,
  clientId: number,
  { painId, by, why, at }: Readonly<{ painId: string; by: string; why: string; at: string }>
): Promise<void> {
  changedOne(
    await tx.query(
      `update pain_event set withdrawn_at = $3, withdrawn_by = $4, withdrawn_why = $5
        where id = $1 and client_id = $2 and withdrawn_at is null`,
      [painId, clientId, at, by, why]
    ),
    'pain'
  );
}

export type NewPain = PainEvent &
  Readonly<{
    id: string;
    sessionId: number | null;
    setIndex: number | null;
    exerciseId: string | null;
    workSide: Side | null;
    feltOn: string;
    note: string;
  }>;

/** False when this very event was kept before. */
export async function insertPain(tx: ClientTx, clientId: number, p: NewPain): Promise<boolean> {
  const { rowCount } = await tx.query(
    `insert into pain_event (id, client_id, session_id, set_index, exercise_id, work_side, place, side, kind, felt_on, note, grade, told_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, clock_timestamp())
     on conflict (id) do nothing`,
    [
      p.id,
      clientId,
      p.sessionId,
      p.setIndex,
      p.exerciseId,
      p.workSide,
      p.place,
      p.side,
      p.kind,
      p.feltOn,
      p.note,
      p.grade ?? null
    ]
  );
  return rowCount === 1;
}

/** Says how strong a pain is that was told without; false where it is not there or has been graded. */
export async function updatePainGrade(tx: ClientTx, clientId: number, id: string, grade: PainGrade): Promise<boolean> {
  const { rowCount } = await tx.query(
    'update pain_event set grade = $3 where id = $2 and client_id = $1 and grade is null and withdrawn_at is null',
    [clientId, id, grade]
  );
  return rowCount === 1;
}

export async function updatePainNote(tx: ClientTx, id: string, note: string): Promise<void> {
  await tx.query('update pain_event set note = $2 where id = $1', [id, note]);
}
