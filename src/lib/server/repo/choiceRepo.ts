import { z } from 'zod';
import { cycleSchema, sideCyclesSchema } from '$lib/contract/cycleForm';
import { sideLiftsSchema } from '$lib/contract/liftForm';
import { policiesSchema } from '$lib/contract/exerciseForms';
import { CoreError, schoolIds, sides, type CycleSpec, type Side } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows } from '../db/rows';

const ChoiceRow = z
  .object({
    exercise_id: z.string(),
    school_id: z.enum(schoolIds).nullable(),
    policies: policiesSchema,
    cycles: sideCyclesSchema.nullable(),
    lifts: sideLiftsSchema.nullable(),
    variant: z.string().nullable()
  })
  .transform((r) => ({
    exerciseId: r.exercise_id,
    schoolId: r.school_id,
    policies: r.policies,
    cycles: r.cycles,
    lifts: r.lifts,
    variant: r.variant
  }));
/** An exercise of the week, where it differs in school or policy from what the client prefers, its cycle or its lifts where they were shaped, and its variant where it is not the usual one. */
export type ExerciseChoice = z.output<typeof ChoiceRow>;

/** The week's exercises of a goal in their order; empty while nobody chose. */
export async function listChoices(db: Db, goalId: number): Promise<ExerciseChoice[]> {
  const { rows } = await db.query(
    'select exercise_id, school_id, policies, cycles, lifts, variant from exercise_choice where goal_id = $1 order by ordinal, exercise_id',
    [goalId]
  );
  return allRows(ChoiceRow, rows);
}

/** The whole list at once; meant for a transaction. */
export async function replaceChoices(tx: ClientTx, goalId: number, choices: readonly ExerciseChoice[]): Promise<void> {
  await tx.query('delete from exercise_choice where goal_id = $1', [goalId]);
  for (const [ordinal, c] of choices.entries())
    await tx.query(
      `insert into exercise_choice (goal_id, exercise_id, ordinal, school_id, variant, policies, cycles, lifts)
       values ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [
        goalId,
        c.exerciseId,
        ordinal,
        c.schoolId,
        c.variant,
        ...[c.policies, c.cycles, c.lifts].map((of) => of && JSON.stringify(of))
      ]
    );
}

const ChangeRow = z
  .object({
    exercise_id: z.string(),
    side: z.enum(sides),
    dial: z.string(),
    from_value: z.number().nullable(),
    to_value: z.number(),
    changed_at: z.string(),
    reason: z.string()
  })
  .transform((r) => ({
    exerciseId: r.exercise_id,
    side: r.side,
    dial: r.dial,
    from: r.from_value,
    to: r.to_value,
    changedAt: r.changed_at,
    reason: r.reason
  }));
export type SettingChange = z.output<typeof ChangeRow>;

/** Every change of a setting in Grade, the oldest first. */
export async function listSettingChanges(db: Db, goalId: number): Promise<SettingChange[]> {
  const { rows } = await db.query(
    'select exercise_id, side, dial, from_value, to_value, changed_at, reason from setting_change where goal_id = $1 order by id',
    [goalId]
  );
  return allRows(ChangeRow, rows);
}

type NewChange = Readonly<{ exerciseId: string; side: Side; dial: string; from: number | null; to: number; reason: string }>;

export async function insertSettingChange(tx: ClientTx, goalId: number, c: NewChange, changedAt: string): Promise<void> {
  await tx.query(
    `insert into setting_change (goal_id, exercise_id, side, dial, from_value, to_value, reason, changed_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [goalId, c.exerciseId, c.side, c.dial, c.from, c.to, c.reason, changedAt]
  );
}

const NamedRow = z.object({ id: z.int(), name: z.string(), cycle: cycleSchema });
/** A cycle kept under a name, for any exercise of anybody. */
export type NamedCycle = z.output<typeof NamedRow>;

export async function listNamedCycles(db: Db): Promise<NamedCycle[]> {
  const { rows } = await db.query('select id, name, cycle from named_cycle order by lower(name), id');
  return allRows(NamedRow, rows);
}

/** Throws: CoreError 'name_taken'. */
export async function insertNamedCycle(db: Db, name: string, cycle: CycleSpec): Promise<void> {
  const { rows } = await db.query(
    'insert into named_cycle (name, cycle) values ($1, $2) on conflict (name) do nothing returning id',
    [name, JSON.stringify(cycle)]
  );
  if (rows.length === 0) throw new CoreError('name_taken', { name });
}

export async function deleteNamedCycle(db: Db, id: number): Promise<void> {
  await db.query('delete from named_cycle where id = $1', [id]);
}
