import { setImmediate as othersTurn } from 'node:timers/promises';
import type { ExerciseGrade } from '$lib/contract/grade';
import {
  everywhere,
  bestAddition,
  candidateProps,
  dialAtRung,
  equipmentOf,
  substitutesFor,
  type Addition,
  type EquipmentId,
  type Exercise,
  type LadderNeed,
  type Substitute
} from '$lib/core';
import type { Db } from '../db/db';
import { listPeople } from '../repo/peopleRepo';
import type { ShelfProp } from '../repo/propRepo';
import { loadCase, loadStudioFacts, withGoal, type GoalCase } from './clientCase';
import { gradeOf } from './gradeExercise';
import { barsOf } from './safety';
import { kindsOn } from './shelf';
import { weekOf } from './week';

type Graded = Readonly<{ c: GoalCase; exerciseName: string; grade: ExerciseGrade }>;

/** What the shelf is used for this week, by everybody who has a goal; on the studio's shelf, or one client's at home. */
export type ShelfUse = Readonly<{
  /** Ladders people are on. */
  ladders: number;
  addition: Addition | null;
  /** Kinds of things that exercises of the week ask for and the shelf has not, and what else will do. */
  missing: readonly Readonly<{
    kind: EquipmentId;
    name: string;
    neededBy: readonly string[];
    substitutes: readonly Substitute[];
  }>[];
}>;

export async function shelfUse(db: Db, shelf: readonly ShelfProp[], clientId: number | null, today: string): Promise<ShelfUse> {
  const needs: LadderNeed[] = [];
  const neededBy = new Map<EquipmentId, Set<string>>();
  for await (const c of casesOf(db, clientId, today)) {
    // What is barred needs nothing from the shelf.
    needs.push(...gradedOf(c, shelf, (e) => barsOf(c, e).length === 0).flatMap(laddersOf));
    for (const { exercise } of weekOf(c))
      for (const kind of missingFor(exercise, shelf)) neededBy.set(kind, (neededBy.get(kind) ?? new Set()).add(exercise.name));
  }
  const missing = [...neededBy].map(([kind, names]) => ({
    kind,
    name: equipmentOf(kind).name,
    neededBy: [...names],
    substitutes: substitutesFor(kind, kindsOn(shelf))
  }));
  return { ladders: needs.length, addition: bestAddition(shelf, needs, candidateProps), missing };
}

/** One person at a time, and others have their turn between two: nobody waits for the advice, and no memory holds everybody. */
async function* casesOf(db: Db, clientId: number | null, today: string): AsyncGenerator<GoalCase> {
  const studio = await loadStudioFacts(db);
  const ids = clientId === null ? (await listPeople(db, 'active')).map((p) => p.id) : [clientId];
  for (const id of ids) {
    await othersTurn();
    const found = withGoal(await loadCase(db, id, today, studio));
    if (found) yield found;
  }
}

const gradedOf = (c: GoalCase, shelf: readonly ShelfProp[], counts: (exercise: Exercise) => boolean): Graded[] =>
  weekOf(c).flatMap(({ exercise }) => {
    if (!exercise.dials.some((d) => d.stack) || !counts(exercise)) return [];
    const sidesOf = exercise.sides === 'each' ? (['left', 'right'] as const) : (['left'] as const);
    return sidesOf.map((side) => ({
      c,
      exerciseName: `${exercise.name}${exercise.sides === 'each' ? `, ${side}` : ''}`,
      grade: gradeOf(c, exercise, side, shelf)
    }));
  });

/** The ladders that begin at a measure or at what is in use: a guess is no reason to buy anything. */
function laddersOf({ c, exerciseName, grade }: Graded): LadderNeed[] {
  return grade.dials.flatMap(({ dial, stack }): LadderNeed[] => {
    if (!stack || !dial.stack || (!stack.chosen && !stack.measured)) return [];
    const last = stack.rungs.at(-1)?.depthCm ?? 0;
    return [
      {
        label: `${c.client.name}: ${exerciseName}, ${dial.name}`,
        fromCm: stack.rung.depthCm,
        toCm: Math.min(stack.rung.depthCm, dial.stack.past ? (c.goal.target ?? 0) : Math.min(last, 0)),
        use: dial.stack
      }
    ];
  });
}

/** Kinds of things an exercise asks for that are neither on the shelf nor everywhere. */
const missingFor = (exercise: Exercise, shelf: readonly ShelfProp[]): EquipmentId[] =>
  exercise.props.flatMap(({ id, optional }) =>
    !optional && !kindsOn(shelf).has(id) && !everywhere.includes(id) && id !== 'partner' ? [id] : []
  );

const isSet = (c: GoalCase, { id }: Exercise): boolean => c.settings[id] !== undefined;

/** Who has a stack in use that stands on a prop: "Oda Venn: front split on its stack, left, 12.5 cm". */
export async function usersOfProp(db: Db, shelf: readonly ShelfProp[], propId: string, today: string): Promise<string[]> {
  const clientId = shelf.find((p) => p.id === propId)?.clientId ?? null;
  const users: string[] = [];
  for await (const c of casesOf(db, clientId, today))
    for (const { exerciseName, grade } of gradedOf(c, shelf, (e) => isSet(c, e)))
      for (const { dial, stack } of grade.dials)
        if (stack?.chosen && stack.rung.items.some((i) => i.propId === propId))
          users.push(`${c.client.name}: ${exerciseName}, ${dialAtRung(dial, stack.rung)} cm`);
  return users;
}
