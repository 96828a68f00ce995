import { z } from 'zod';
import { exerciseSchema } from '$lib/contract/exerciseForms';
import { effects } from '$lib/core';
import { withBearing, type Exercise } from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import { allRows, IdRow, oneRow, rowsAtOnce } from '../db/rows';
import { takenOutRow, type TakenOut } from './takenOut';

/** Id of an exercise of the studio's own, beside those that ship. */
export const ownExerciseId = (id: number): string => `own_${id}`;
const rowIdOf = (exerciseId: string): number => Number(/^own_(\d{1,9})$/.exec(exerciseId)?.[1] ?? 0);

const OwnRow = z
  .object({ id: z.int(), copy_of: z.string().nullable(), exercise: exerciseSchema })
  .transform((r): OwnExercise => ({ ...withBearing(r.exercise as Exercise), id: ownExerciseId(r.id), copyOf: r.copy_of }));

/** An exercise of the studio's own; `copyOf` is the shipped one it was copied from. */
export type OwnExercise = Exercise & Readonly<{ copyOf: string | null }>;

export async function listOwnExercises(db: Db): Promise<OwnExercise[]> {
  const { rows } = await db.query('select id, copy_of, exercise from own_exercise where removed_at is null order by id');
  return allRows(OwnRow, rows);
}

/** What could not be read again is not written: one such exercise would close the whole catalogue. */
const written = (exercise: Exercise): string => JSON.stringify(exerciseSchema.parse(exercise));

export async function insertOwnExercise(db: Db, exercise: Exercise, copyOf: string | null): Promise<string> {
  const { rows } = await db.query('insert into own_exercise (copy_of, exercise) values ($1, $2) returning id', [
    copyOf,
    written(exercise)
  ]);
  return ownExerciseId(oneRow(IdRow, rows, 'exercise').id);
}

/** Throws: CoreError 'not_found' for one that does not exist. */
export async function updateOwnExercise(db: Db, exerciseId: string, exercise: Exercise): Promise<void> {
  const { rows } = await db.query('update own_exercise set exercise = $1 where id = $2 and removed_at is null returning id', [
    written(exercise),
    rowIdOf(exerciseId)
  ]);
  oneRow(IdRow, rows, 'exercise');
}

/** Takes an own exercise out of the library, or puts it back (null). */
export async function updateOwnExerciseRemoved(db: Db, exerciseId: string, removedAt: string | null): Promise<void> {
  await db.query('update own_exercise set removed_at = $1 where id = $2', [removedAt, rowIdOf(exerciseId)]);
}

/** Returns the own exercises that were taken out of the library since an instant, the last first. */
export const listRemovedExercises = (db: Db, since: string): Promise<TakenOut<string>[]> =>
  rowsAtOnce(
    db,
    takenOutRow(z.string()),
    `select 'own_' || id as id, exercise ->> 'name' as text, removed_at as "removedAt" from own_exercise
      where removed_at > $1 order by removed_at desc`,
    [since]
  );

/** Names of the people in whose week an exercise stands. */
export async function listUsersOf(db: Db, exerciseId: string): Promise<string[]> {
  const { rows } = await db.query(
    `select distinct c.name from exercise_choice e join goal g on g.id = e.goal_id join client c on c.id = g.client_id
      where e.exercise_id = $1 order by c.name`,
    [exerciseId]
  );
  return allRows(z.object({ name: z.string() }), rows).map((r) => r.name);
}

const NoteRow = z
  .object({ exercise_id: z.string(), effect: z.enum(effects), note: z.string(), noted_on: z.iso.date() })
  .transform((r) => ({ exerciseId: r.exercise_id, effect: r.effect, note: r.note, notedOn: r.noted_on }));
/** What an exercise did for a client. */
export type ExerciseNote = z.output<typeof NoteRow>;

export async function listExerciseNotes(db: Db, clientId: number): Promise<ExerciseNote[]> {
  const { rows } = await db.query(
    'select exercise_id, effect, note, noted_on from exercise_note where client_id = $1 order by exercise_id',
    [clientId]
  );
  return allRows(NoteRow, rows);
}

export async function upsertExerciseNote(tx: ClientTx, clientId: number, n: ExerciseNote): Promise<void> {
  await tx.query(
    `insert into exercise_note (client_id, exercise_id, effect, note, noted_on) values ($1, $2, $3, $4, $5)
     on conflict (client_id, exercise_id) do update set effect = excluded.effect, note = excluded.note, noted_on = excluded.noted_on`,
    [clientId, n.exerciseId, n.effect, n.note, n.notedOn]
  );
}
