import type { NoteInput, SchoolInput, VariantInput } from '$lib/contract/exerciseForms';
import {
  chainOf,
  CoreError,
  fillRecipe,
  goalExercises,
  goalOf,
  lackedBy,
  motionOf,
  partOf,
  reasonText,
  standIns,
  type Exercise,
  type FilledRecipe,
  type RecipeAsk,
  type SchoolId,
  type StandIn
} from '$lib/core';
import type { MissingPiece } from '$lib/words/recipeWords';
import type { Database } from '../db/db';
import { replaceChoices, type ExerciseChoice } from '../repo/choiceRepo';
import { updateSchool } from '../repo/clientRepo';
import { upsertExerciseNote } from '../repo/exerciseRepo';
import { isOpenForWork } from './checking';
import { changeClient } from './changing';
import { loadGoalCase, type GoalCase } from './clientCase';
import { exerciseIn } from './library';
import { perCase } from './perCase';
import { barsOf } from './safety';
import { kindsOn } from './shelf';

/** An exercise of the week with the school it is done by: its own, or the one the client prefers. */
export type WeekExercise = Readonly<{ exercise: Exercise; choice: ExerciseChoice; schoolId: SchoolId | null }>;

/** The week's exercises: as they were chosen, or a first list for the goal while nobody chose. */
export const weekOf = perCase((c: GoalCase): WeekExercise[] => {
  const chosen = c.choices.flatMap((choice) => {
    const exercise = c.catalogue.find((e) => e.id === choice.exerciseId);
    return exercise ? [{ exercise, choice }] : [];
  });
  const first = () => firstWeek(c).map((exercise) => ({ exercise, choice: plainChoice(exercise.id) }));
  return (c.choices.length > 0 ? chosen : first()).map((w) => ({ ...w, schoolId: w.choice.schoolId ?? c.client.schoolId }));
});

/** What of the week may be done on a side at least: what is told to whoever trains. Nothing while training is closed. */
export const openWeek = (c: GoalCase): Exercise[] =>
  isOpenForWork(c) ? weekOf(c).flatMap(({ exercise }) => (barsOf(c, exercise).length === 0 ? [exercise] : [])) : [];

export const plainChoice = (exerciseId: string): ExerciseChoice => ({
  exerciseId,
  schoolId: null,
  policies: {},
  cycles: null,
  lifts: null,
  variant: null
});

const recipeAsk = (c: GoalCase, school: SchoolId | null): Omit<RecipeAsk, 'isAtHand'> => ({
  goal: c.goal.kind,
  stage: c.goal.stage,
  level: c.client.level,
  school,
  catalogue: c.catalogue,
  isOpen: (e) => barsOf(c, e).length === 0
});

/** The recipe of the goal in work, filled for this person from what the gate lets through and the studio has. */
export const filledRecipe = perCase((c: GoalCase): FilledRecipe =>
  fillRecipe({ ...recipeAsk(c, c.client.schoolId), isAtHand: (e) => isAtHand(c, e) })
);

/** Exercises done at home in place of those of the week whose things are not there, by the recipes of the goals served. */
export function standInsAtHome(c: GoalCase, school: SchoolId, goals: readonly GoalCase[]): StandIn[] {
  const atHome = kindsOn(c.homeShelf);
  const week = weekOf(c).map((w) => w.exercise);
  const found = goals.flatMap((of) =>
    standIns({ ...recipeAsk(of, school), isAtHand: (e) => lackedBy(e, atHome).length === 0 }, week)
  );
  return found.filter(({ exercise }, i) => found.findIndex((f) => f.exercise === exercise) === i);
}

/** True where the studio has what an exercise needs; a shelf that nobody filled says nothing. */
const isAtHand = (c: GoalCase, exercise: Exercise): boolean =>
  c.shelf.length === 0 || lackedBy(exercise, kindsOn(c.shelf)).length === 0;

/** Pieces of the recipe that the first list goes without, each by its first candidate; none once somebody chose the week. */
export const missingPieces = perCase((c: GoalCase): MissingPiece[] =>
  c.choices.length > 0
    ? []
    : filledRecipe(c).unfilled.flatMap(({ role, why }) => {
        // The position itself stays in the list: its stack is what Grade is about.
        if (role.section === 'position') return [];
        const exercise = role.candidates.flatMap(({ id }) => c.catalogue.find((e) => e.id === id) ?? [])[0];
        return exercise ? [{ name: exercise.name, lacks: why === 'props' ? lackedBy(exercise, kindsOn(c.shelf)) : [] }] : [];
      })
);

/** A first list that the gate lets through; a position that is not open yet gives way to the nearest easier one that is. */
export function firstWeek(c: GoalCase): Exercise[] {
  const goal = { ...goalOf(c.goal.kind), headline: c.goal.headline, demands: c.goal.demands };
  const named = filledRecipe(c).picks.map((p) => p.exercise);
  const list = goalExercises({ ...goal, stage: c.goal.stage }, c.catalogue, named);
  const position = list[0] && openOrEasier(c, list[0]);
  const open = goalExercises(
    goal,
    c.catalogue.filter((e) => barsOf(c, e).length === 0 && (isAtHand(c, e) || e.positionOf.includes(goal.id))),
    named
  );
  // Where each stage is a position of its own, one of them is enough.
  const isOtherStage = (e: Exercise) => goal.stagePositions !== undefined && e.positionOf.includes(goal.id) && e !== position;
  const found = [...new Set([...(position ? [position] : []), ...open.filter((e) => !isOtherStage(e))])];
  return found.length > 0 ? found : list;
}

/** The exercise, or the nearest easier one in its row that is open; null where none is. */
function openOrEasier(c: GoalCase, exercise: Exercise): Exercise | null {
  if (barsOf(c, exercise).length === 0) return exercise;
  const row = chainOf(exercise, c.catalogue);
  const before = row.slice(0, row.indexOf(exercise.id)).toReversed();
  return before.map((id) => exerciseIn(c.catalogue, id)).find((e) => barsOf(c, e).length === 0) ?? null;
}

/** The week is read and written in one transaction, so that changes from two places all stay. */
const changeWeek = (
  db: Database,
  clientId: number,
  today: string,
  change: (week: readonly ExerciseChoice[], c: GoalCase) => readonly ExerciseChoice[]
): Promise<void> =>
  changeClient(db, clientId, async (tx) => {
    const c = await loadGoalCase(tx, clientId, today);
    const week = weekOf(c).map((w) => w.choice);
    await replaceChoices(tx, c.goal.id, change(week, c));
  });

/**
 * Puts an exercise into the week of the goal in work, at its end; one that is there already stays where it is.
 *
 * Throws: CoreError 'exercise_barred' for what the gate bars on both sides; 'not_found'.
 */
export const addToWeek = (db: Database, clientId: number, exerciseId: string, today: string): Promise<void> =>
  changeWeek(db, clientId, today, (week, c) => {
    const [bar] = barsOf(c, exerciseIn(c.catalogue, exerciseId));
    if (bar) throw new CoreError('exercise_barred', { why: reasonText(bar) });
    const isThere = week.some((w) => w.exerciseId === exerciseId);
    return isThere ? week : [...week, plainChoice(exerciseId)];
  });

/** What could be put into the week: open by the gate and not in it; what trains a motion the goal needs by itself. */
export function addableTo(c: GoalCase): { forGoal: Exercise[]; others: Exercise[] } {
  const inWeek = new Set(weekOf(c).map(({ exercise }) => exercise.id));
  const needed = new Set<string>(c.goal.demands.map((d) => d.measure));
  const open = c.catalogue.filter((e) => !inWeek.has(e.id) && barsOf(c, e).length === 0);
  const serves = (e: Exercise) => e.links.some((link) => needed.has(link));
  return { forGoal: open.filter(serves), others: open.filter((e) => !serves(e)) };
}

/**
 * What could take the place of an exercise of the week, with why: its easier and harder neighbours, then what works the same motion. All of it is
 * open by the gate and not in the week.
 */
export function swapsFor(c: GoalCase, exerciseId: string): Readonly<{ id: string; name: string; why: string }>[] {
  const exercise = c.catalogue.find((e) => e.id === exerciseId);
  if (!exercise) return [];
  const { forGoal, others } = addableTo(c);
  const open = [...forGoal, ...others];
  const row = chainOf(exercise, c.catalogue);
  const at = row.indexOf(exerciseId);
  const why = ({ id, links }: Exercise): string | null => {
    if (row.includes(id)) return row.indexOf(id) < at ? 'easier, in its row' : 'harder, in its row';
    const shared = links.filter((link) => exercise.links.includes(link));
    return shared.length > 0 ? `also ${shared.map((link) => motionOf(link).name).join(', ')}` : null;
  };
  const found = open.flatMap((e) => {
    const told = why(e);
    return told === null
      ? []
      : [{ id: e.id, name: e.name, why: told, inRow: row.includes(e.id), alike: partOf(e) === partOf(exercise) }];
  });
  return found
    .toSorted((a, b) => Number(b.inRow) - Number(a.inRow) || Number(b.alike) - Number(a.alike))
    .map(({ id, name, why }) => ({ id, name, why }));
}

/** Takes an exercise out of the week; its settings stay, and come back with it. Throws: CoreError 'week_empty' for the last. */
export const takeFromWeek = (db: Database, clientId: number, exerciseId: string, today: string): Promise<void> =>
  changeWeek(db, clientId, today, (week) => {
    const rest = week.filter((w) => w.exerciseId !== exerciseId);
    if (rest.length === 0) throw new CoreError('week_empty');
    return rest;
  });

/** The school and policies of one exercise of the week, or, without one, what the client prefers. */
export async function chooseSchool(
  db: Database,
  clientId: number,
  { exerciseId, schoolId, policies }: SchoolInput,
  today: string
): Promise<void> {
  if (exerciseId === undefined) return changeClient(db, clientId, (tx) => updateSchool(tx, clientId, schoolId, policies));
  await changeWeek(db, clientId, today, (week) =>
    week.map((choice) => (choice.exerciseId === exerciseId ? { ...choice, schoolId, policies } : choice))
  );
}

/**
 * In which of its variants an exercise of the week is done; the first is the usual one. It loads what the exercise loads, so the
 * gate has nothing new to say.
 *
 * Throws: CoreError 'not_found' for one it does not have.
 */
export const chooseVariant = (
  db: Database,
  clientId: number,
  { exerciseId, variant }: VariantInput,
  today: string
): Promise<void> =>
  changeWeek(db, clientId, today, (week, c) => {
    const { variants } = exerciseIn(c.catalogue, exerciseId);
    if (!variants.includes(variant)) throw new CoreError('not_found', { what: 'variant' });
    const kept = variant === variants[0] ? null : variant;
    return week.map((choice) => (choice.exerciseId === exerciseId ? { ...choice, variant: kept } : choice));
  });

/** What an exercise did for a client. */
export const noteExercise = (db: Database, clientId: number, note: NoteInput, today: string): Promise<void> =>
  changeClient(db, clientId, (tx) => upsertExerciseNote(tx, clientId, { ...note, notedOn: today }));
