import { setImmediate as othersTurn } from 'node:timers/promises';
import { group } from 'd3-array';
import type { ExerciseGrade } from '$lib/contract/grade';
import {
  everywhere,
  additionsTried,
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
import type { ShelfProp } from '../repo/propRepo';
import type { GoalCase } from './clientCase';
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

/** What one person asks of a shelf. */
export type ShelfAsk = Readonly<{
  needs: readonly LadderNeed[];
  missing: readonly Readonly<{ kind: EquipmentId; exerciseName: string }>[];
  /** Props that a stack in use stands on, told: "Oda Venn: front split on its stack, left, 12.5 cm". */
  stands: readonly Readonly<{ propIds: readonly string[]; text: string }>[];
}>;

export function shelfAskOf(c: GoalCase, shelf: readonly ShelfProp[]): ShelfAsk {
  return {
    // What is barred needs nothing from the shelf.
    needs: gradedOf(c, shelf, (e) => barsOf(c, e).length === 0).flatMap(laddersOf),
    missing: weekOf(c).flatMap(({ exercise }) =>
      missingFor(exercise, shelf).map((kind) => ({ kind, exerciseName: exercise.name }))
    ),
    stands: gradedOf(c, shelf, (e) => isSet(c, e)).flatMap(standsOf)
  };
}

/** What a shelf is used for, by all who ask of it. Others have their turn between two things that are tried on it. */
export async function shelfUse(shelf: readonly ShelfProp[], asks: readonly ShelfAsk[]): Promise<ShelfUse> {
  const needs = asks.flatMap((a) => a.needs);
  const neededBy = group(
    asks.flatMap((a) => a.missing),
    (m) => m.kind
  );
  const missing = [...neededBy].map(([kind, asked]) => ({
    kind,
    name: equipmentOf(kind).name,
    neededBy: [...new Set(asked.map((m) => m.exerciseName))],
    substitutes: substitutesFor(kind, kindsOn(shelf))
  }));
  const trying = additionsTried(shelf, needs, candidateProps);
  for (;;) {
    await othersTurn();
    const tried = trying.next();
    if (tried.done) return { ladders: needs.length, addition: tried.value, missing };
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

const standsOf = ({ c, exerciseName, grade }: Graded): ShelfAsk['stands'] =>
  grade.dials.flatMap(({ dial, stack }) =>
    stack?.chosen
      ? [
          {
            propIds: stack.rung.items.flatMap((i) => i.propId ?? []),
            text: `${c.client.name}: ${exerciseName}, ${dialAtRung(dial, stack.rung)} cm`
          }
        ]
      : []
  );

/** Who has a stack in use that stands on a prop. */
export const usersOfProp = (asks: readonly ShelfAsk[], propId: string): string[] =>
  asks.flatMap((a) => a.stands.flatMap((s) => (s.propIds.includes(propId) ? [s.text] : [])));
