import type { NoteInput, SchoolInput } from '$lib/contract/exerciseForms';
import { CoreError, goalExercises, goalOf, planExerciseIds, type Exercise, type SchoolId } from '$lib/core';
import type { Database } from '../db/db';
import { replaceChoices, type ExerciseChoice } from '../repo/choiceRepo';
import { updateSchool } from '../repo/clientRepo';
import { upsertExerciseNote } from '../repo/exerciseRepo';
import { loadGoalCase, withSplit, type GoalCase } from './clientCase';
import { exerciseIn } from './library';
import { perCase } from './perCase';

/** An exercise of the week with the school it is done by: its own, or the one the client prefers. */
export type WeekExercise = Readonly<{ exercise: Exercise; choice: ExerciseChoice; schoolId: SchoolId | null }>;

/** The week's exercises: as they were chosen, or a first list for the goal while nobody chose. */
export const weekOf = perCase((c: GoalCase): WeekExercise[] => {
  const chosen = c.choices.flatMap((choice) => {
    const exercise = c.catalogue.find((e) => e.id === choice.exerciseId);
    return exercise ? [{ exercise, choice }] : [];
  });
  const first = () =>
    firstWeek(c).map((exercise) => ({ exercise, choice: { exerciseId: exercise.id, schoolId: null, policies: {} } }));
  return (c.choices.length > 0 ? chosen : first()).map((w) => ({ ...w, schoolId: w.choice.schoolId ?? c.client.schoolId }));
});

const firstWeek = (c: GoalCase): Exercise[] =>
  withSplit(c)
    ? planExerciseIds.map((id) => exerciseIn(c.catalogue, id)).toSorted((a, b) => b.positionOf.length - a.positionOf.length)
    : goalExercises(goalOf(c.goal.kind), c.catalogue);

/** The week is read and written in one transaction, so that changes from two places all stay. */
const changeWeek = (
  db: Database,
  clientId: number,
  change: (week: readonly ExerciseChoice[], c: GoalCase) => readonly ExerciseChoice[]
): Promise<void> =>
  db.transaction(async (tx) => {
    const c = await loadGoalCase(tx, clientId);
    const week = weekOf(c).map((w) => w.choice);
    await replaceChoices(tx, c.goal.id, change(week, c));
  });

/** Puts an exercise into the week of the goal in work, at its end; one that is there already stays where it is. */
export const addToWeek = (db: Database, clientId: number, exerciseId: string): Promise<void> =>
  changeWeek(db, clientId, (week, { catalogue }) => {
    exerciseIn(catalogue, exerciseId);
    const isThere = week.some((w) => w.exerciseId === exerciseId);
    return isThere ? week : [...week, { exerciseId, schoolId: null, policies: {} }];
  });

/** Takes an exercise out of the week; its settings stay, and come back with it. Throws: CoreError 'week_empty' for the last. */
export const takeFromWeek = (db: Database, clientId: number, exerciseId: string): Promise<void> =>
  changeWeek(db, clientId, (week) => {
    const rest = week.filter((w) => w.exerciseId !== exerciseId);
    if (rest.length === 0) throw new CoreError('week_empty');
    return rest;
  });

/** The school and policies of one exercise of the week, or, without one, what the client prefers. */
export async function chooseSchool(
  db: Database,
  clientId: number,
  { exerciseId, schoolId, policies }: SchoolInput
): Promise<void> {
  if (exerciseId === undefined) return updateSchool(db, clientId, schoolId, policies);
  await changeWeek(db, clientId, (week) =>
    week.map((choice) => (choice.exerciseId === exerciseId ? { ...choice, schoolId, policies } : choice))
  );
}

/** What an exercise did for a client. */
export const noteExercise = (db: Database, clientId: number, note: NoteInput, today: string): Promise<void> =>
  upsertExerciseNote(db, clientId, { ...note, notedOn: today });
