import { z } from 'zod';
import type { WeekInput } from '$lib/contract/checkForms';
import { policiesSchema, type PolicyChanges } from '$lib/contract/exerciseForms';
import { weekThings, type ClientInput } from '$lib/contract/forms';
import { levels, schoolIds, type SchoolId } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { changedOne, IdRow, oneRow } from '../db/rows';

const ClientRow = z
  .object({
    id: z.int(),
    name: z.string(),
    birth_year: z.int(),
    birth_date: z.iso.date().nullable(),
    level: z.enum(levels),
    contact: z.string(),
    stature_cm: z.number(),
    left_leg_cm: z.number().nullable(),
    right_leg_cm: z.number().nullable(),
    lower_leg_cm: z.number().nullable(),
    hip_to_breastbone_cm: z.number().nullable(),
    body_mass_kg: z.number().nullable(),
    sessions_per_week: z.int(),
    minutes_per_session: z.int(),
    week_holds: z.array(z.enum(weekThings)),
    home_props: z.string(),
    notes: z.string(),
    school_id: z.enum(schoolIds).nullable(),
    policies: policiesSchema,
    breath_s: z.number().nullable(),
    current_goal_id: z.int().nullable(),
    archived_at: z.string().nullable(),
    is_example: z.boolean()
  })
  .transform((r) => ({
    id: r.id,
    name: r.name,
    birthYear: r.birth_year,
    /** Null: the year alone is known. */
    birthDate: r.birth_date,
    level: r.level,
    contact: r.contact,
    statureCm: r.stature_cm,
    leftLegCm: r.left_leg_cm,
    rightLegCm: r.right_leg_cm,
    lowerLegCm: r.lower_leg_cm,
    hipToBreastboneCm: r.hip_to_breastbone_cm,
    bodyMassKg: r.body_mass_kg,
    sessionsPerWeek: r.sessions_per_week,
    minutesPerSession: r.minutes_per_session,
    weekHolds: r.week_holds,
    homeProps: r.home_props,
    notes: r.notes,
    schoolId: r.school_id,
    policies: r.policies,
    /** Null: the usual one stands in. */
    breathS: r.breath_s,
    currentGoalId: r.current_goal_id,
    archivedAt: r.archived_at,
    /** Invented, to be looked at and taken away again. */
    isExample: r.is_example
  }));
export type Client = z.output<typeof ClientRow>;

const columns = `id, name, birth_year, birth_date, level, contact, stature_cm, left_leg_cm, right_leg_cm, lower_leg_cm,
                 hip_to_breastbone_cm, body_mass_kg, sessions_per_week, minutes_per_session, week_holds, home_props, notes,
                 school_id, policies, breath_s, current_goal_id, archived_at, is_example`;

/** Whoever changes the record of a client waits here for the one before. Throws: CoreError 'not_found' for a client who is gone. */
export async function lockClient(tx: Db, id: number): Promise<ClientTx> {
  const { rows } = await tx.query('select id from client where id = $1 for update', [id]);
  oneRow(IdRow, rows, 'client');
  return tx as ClientTx;
}

export async function getClient(db: Db, id: number): Promise<Client> {
  const { rows } = await db.query(`select ${columns} from client where id = $1`, [id]);
  return oneRow(ClientRow, rows, 'client');
}

const valuesOf = (c: ClientInput) => [
  c.name,
  c.birthYear,
  c.level,
  c.contact,
  c.statureCm,
  c.leftLegCm,
  c.rightLegCm,
  c.lowerLegCm,
  c.hipToBreastboneCm,
  c.bodyMassKg,
  c.sessionsPerWeek,
  c.minutesPerSession,
  c.notes,
  c.birthDate
];

export async function insertClient(db: Db, client: ClientInput): Promise<number> {
  const { rows } = await db.query(
    `insert into client (name, birth_year, level, contact, stature_cm, left_leg_cm, right_leg_cm, lower_leg_cm,
                         hip_to_breastbone_cm, body_mass_kg, sessions_per_week, minutes_per_session, notes, birth_date)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14) returning id`,
    valuesOf(client)
  );
  return oneRow(IdRow, rows, 'client').id;
}

export async function updateClient(tx: ClientTx, id: number, client: ClientInput): Promise<void> {
  changedOne(
    await tx.query(
      `update client
        set name = $1, birth_year = $2, level = $3, contact = $4, stature_cm = $5, left_leg_cm = $6, right_leg_cm = $7,
            lower_leg_cm = $8, hip_to_breastbone_cm = $9, body_mass_kg = $10, sessions_per_week = $11, minutes_per_session = $12,
            notes = $13, birth_date = $14
      where id = $15`,
      [...valuesOf(client), id]
    ),
    'client'
  );
}

export async function updateArchived(tx: ClientTx, id: number, archivedAt: string | null): Promise<void> {
  changedOne(await tx.query('update client set archived_at = $1 where id = $2', [archivedAt, id]), 'client');
}

/** Deletes an archived client with everything that hangs on them. Throws: CoreError 'not_found' for one who is not archived. */
export async function deleteClient(tx: ClientTx, id: number): Promise<void> {
  const { rows } = await tx.query('delete from client where id = $1 and archived_at is not null returning id', [id]);
  oneRow(IdRow, rows, 'client');
}

/** What their week holds, and what they have at home. */
export async function updateWeek(tx: ClientTx, id: number, { weekHolds, homeProps }: WeekInput): Promise<void> {
  changedOne(
    await tx.query('update client set week_holds = $1, home_props = $2 where id = $3', [
      JSON.stringify(weekHolds),
      homeProps,
      id
    ]),
    'client'
  );
}

/** The school a client prefers, and where they differ from it; null and nothing for none. */
export async function updateSchool(tx: ClientTx, id: number, schoolId: SchoolId | null, policies: PolicyChanges): Promise<void> {
  changedOne(
    await tx.query('update client set school_id = $1, policies = $2 where id = $3', [schoolId, JSON.stringify(policies), id]),
    'client'
  );
}

/** Length of one breath of a client; null goes back to the usual. */
export async function updateBreath(tx: ClientTx, id: number, breathS: number | null): Promise<void> {
  changedOne(await tx.query('update client set breath_s = $1 where id = $2', [breathS, id]), 'client');
}

/** Which of the goals is in work: every station speaks of it. */
export async function updateCurrentGoal(tx: ClientTx, id: number, goalId: number): Promise<void> {
  changedOne(await tx.query('update client set current_goal_id = $1 where id = $2', [goalId, id]), 'client');
}
