import { noPlanWishes, schoolIds, sides } from '$lib/core';
import { z } from 'zod';
import type { PlanChange, PlanWishes, Setting, Settings, Side } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, changedOne, firstRow, IdRow, oneRow } from '../db/rows';

const PlanRow = z
  .object({
    id: z.int(),
    goal_id: z.int(),
    version: z.int(),
    school_id: z.enum(schoolIds),
    weeks: z.int(),
    sessions_per_week: z.int(),
    minutes: z.int(),
    start_on: z.iso.date(),
    created_at: z.string(),
    line_id: z.int(),
    wishes: z.custom<Partial<PlanWishes>>(),
    name: z.string(),
    changed: z.custom<readonly PlanChange[]>()
  })
  .transform((r) => ({
    id: r.id,
    goalId: r.goal_id,
    version: r.version,
    schoolId: r.school_id,
    weeks: r.weeks,
    sessionsPerWeek: r.sessions_per_week,
    minutes: r.minutes,
    startOn: r.start_on,
    createdAt: r.created_at,
    /** The first of the versions that go on from each other. */
    lineId: r.line_id,
    wishes: { ...noPlanWishes, ...r.wishes },
    name: r.name,
    /** What it does otherwise than the version before it. */
    changed: r.changed
  }));
export type Plan = z.output<typeof PlanRow>;

const columns = `id, goal_id, version, school_id, weeks, sessions_per_week, minutes, start_on, created_at,
                 coalesce(line_id, id) as line_id, wishes, name, changed`;

const LikePlanRow = z
  .object({ client_id: z.int(), name: z.string(), goal_id: z.int() })
  .transform((r) => ({ clientId: r.client_id, name: r.name, goalId: r.goal_id }));

/** Other people who have a plan in force toward the same kind of goal. */
export async function listPlansAlike(db: Db, kind: string, clientId: number) {
  const { rows } = await db.query(
    `select c.id as client_id, c.name, g.id as goal_id
       from plan p join goal g on g.id = p.goal_id join client c on c.id = g.client_id
      where g.kind = $1 and c.id <> $2 and p.superseded_at is null and g.closed_at is null and c.archived_at is null
      order by c.name, c.id`,
    [kind, clientId]
  );
  return allRows(LikePlanRow, rows);
}

/** Every version of the plans of a goal, the newest first. */
export async function listPlans(db: Db, goalId: number): Promise<Plan[]> {
  const { rows } = await db.query(`select ${columns} from plan where goal_id = $1 order by version desc`, [goalId]);
  return allRows(PlanRow, rows);
}

/** The plan that is in force; null when there is none yet. */
export async function findPlan(db: Db, goalId: number): Promise<Plan | null> {
  const { rows } = await db.query(
    `select ${columns} from plan where goal_id = $1 and superseded_at is null order by version desc limit 1`,
    [goalId]
  );
  return firstRow(PlanRow, rows);
}

/** The shape of a new version; `lineId` where it goes on from the version before it. */
export type NewPlan = Pick<Plan, 'schoolId' | 'weeks' | 'sessionsPerWeek' | 'minutes' | 'startOn' | 'wishes' | 'changed'> &
  Readonly<{ lineId: number | null }>;

/** A new version; the key on (goal, version) keeps two tabs from both making it. */
export async function insertPlan(tx: ClientTx, goalId: number, version: number, p: NewPlan): Promise<number> {
  const { rows } = await tx.query(
    `insert into plan (goal_id, version, school_id, weeks, sessions_per_week, minutes, start_on, wishes, changed, line_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id`,
    [
      goalId,
      version,
      p.schoolId,
      p.weeks,
      p.sessionsPerWeek,
      p.minutes,
      p.startOn,
      JSON.stringify(p.wishes),
      JSON.stringify(p.changed),
      p.lineId
    ]
  );
  return oneRow(IdRow, rows, 'plan').id;
}

/** Names a version, so that it is found again. */
export async function updatePlanName(tx: ClientTx, goalId: number, version: number, name: string): Promise<void> {
  changedOne(await tx.query('update plan set name = $3 where goal_id = $1 and version = $2', [goalId, version, name]), 'plan');
}

/** Ends the version in force; its sessions that were not done yet are superseded with it, and counted. */
export async function supersedePlan(tx: ClientTx, planId: number): Promise<number> {
  await tx.query('update plan set superseded_at = now() where id = $1', [planId]);
  const { rowCount } = await tx.query(`update session set status = 'superseded' where plan_id = $1 and status = 'planned'`, [
    planId
  ]);
  return rowCount ?? 0;
}

const SettingRow = z.object({
  exercise_id: z.string(),
  side: z.enum(sides),
  setting: z.record(z.string(), z.number())
});

/** Where each exercise of a goal stands, by exercise and side. */
export async function listSettings(db: Db, goalId: number): Promise<Settings> {
  const { rows } = await db.query(
    'select exercise_id, side, setting from exercise_setting where goal_id = $1 order by exercise_id, side',
    [goalId]
  );
  const settings: Record<string, Record<Side, Setting>> = {};
  for (const { exercise_id, side, setting } of allRows(SettingRow, rows))
    (settings[exercise_id] ??= { left: {}, right: {} })[side] = setting;
  return settings;
}

export type GoalSetting = Readonly<{ exerciseId: string; side: Side; setting: Setting }>;

/** Sets where exercises stand in one goal; of two for one exercise and side the later counts. */
export const upsertSettings = (tx: ClientTx, goalId: number, settings: readonly GoalSetting[]): Promise<void> =>
  writeSettings(tx, goalId, settings, 'excluded.setting');

/** Sets the dials of exercises that stand nowhere yet; what is set already stays. */
export const insertStarts = (tx: ClientTx, goalId: number, starts: readonly GoalSetting[]): Promise<void> =>
  writeSettings(tx, goalId, starts, 'excluded.setting || exercise_setting.setting');

async function writeSettings(tx: ClientTx, goalId: number, settings: readonly GoalSetting[], where: string): Promise<void> {
  const latest = new Map(settings.map((s) => [`${s.exerciseId}/${s.side}`, s]));
  if (latest.size === 0) return;
  await tx.query(
    `insert into exercise_setting (goal_id, exercise_id, side, setting)
     select $1, "exerciseId", side, setting
       from jsonb_to_recordset($2::jsonb) as s("exerciseId" text, side text, setting jsonb)
     on conflict (goal_id, exercise_id, side) do update set setting = ${where}`,
    [goalId, JSON.stringify([...latest.values()])]
  );
}
