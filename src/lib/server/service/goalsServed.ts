import { asPieceFor, motionOfDemand, motionOf, type AlsoServed, type Exercise, type LinkId, type PlanWishes } from '$lib/core';
import type { Db } from '../db/db';
import { listChoices, type ExerciseChoice } from '../repo/choiceRepo';
import { findPlan, listSettings } from '../repo/planRepo';
import type { GoalCase } from './clientCase';
import { barsOf } from './safety';
import { firstWeek, plainChoice, weekOf } from './week';

/** A goal a plan serves, as a case of its own, and what a minute for it counts beside one for the goal in work. */
export type Served = Readonly<{ of: GoalCase; weight: number }>;

const weights: Readonly<Record<AlsoServed['weight'], number>> = { 'as much': 1, 'half as much': 0.5 };

/** The goal in work, then the others its plan serves; one that was ended meanwhile is not served any more. */
export function goalsServed(c: GoalCase, { also } = c.plan?.wishes ?? { also: [] as PlanWishes['also'] }): Served[] {
  const others = also.flatMap(({ goalId, weight }): Served[] => {
    const goal = c.goals.find((g) => g.id === goalId && g.id !== c.goal.id);
    return goal ? [{ of: { ...c, goal }, weight: weights[weight] }] : [];
  });
  return [{ of: c, weight: 1 }, ...others];
}

/** An exercise as it is in sessions for this person: a position of none of their goals is a piece like any other. */
export function pieceIn<E extends Exercise>(c: GoalCase, exercise: E): E {
  const goals = new Set(goalsServed(c).map((s) => s.of.goal.kind));
  // Toward a goal of one's own any position may be the one that is meant.
  return goals.has('custom') ? exercise : asPieceFor(exercise, goals);
}

/** Motions the goals need, as they name them. */
export const demandedLinks = (served: readonly Served[]): LinkId[] => [
  ...new Set(served.flatMap(({ of }) => of.goal.demands.flatMap((d) => motionOfDemand(d.measure) ?? [])))
];

/** The goal whose plan in force serves the one in work too; null where none does. */
export async function servedBy(db: Db, c: GoalCase): Promise<string | null> {
  for (const goal of c.goals.filter((g) => g.id !== c.goal.id)) {
    const plan = await findPlan(db, goal.id);
    if (plan?.wishes.also.some((a) => a.goalId === c.goal.id)) return goal.name;
  }
  return null;
}

/** What the goal in work has in common with another, as a whole sentence. */
export function sharedText(c: GoalCase, goal: GoalCase['goal']): string {
  const linksOf = (of: GoalCase) => demandedLinks([{ of, weight: 1 }]);
  const own = new Set(linksOf(c));
  const shared = linksOf({ ...c, goal }).filter((link) => own.has(link));
  const names = `“${c.goal.name}” and “${goal.name}”`;
  return shared.length === 0
    ? `${names} need no motion in common: they share the minutes.`
    : `${names} both need ${shared.map((link) => motionOf(link).name).join(', ')}: those minutes serve both, and are counted once.`;
}

/**
 * The case with the week its plan will have: exercises of goals that come in join it, as they are set there, where the gate lets them; those that
 * served a goal that goes alone are taken out.
 */
export async function withServed(db: Db, c: GoalCase, wishes: PlanWishes): Promise<GoalCase> {
  const before = new Set(goalsServed(c).map((s) => s.of.goal.id));
  const served = goalsServed(c, wishes);
  const now = new Set(served.map((s) => s.of.goal.id));
  const gone = goalsServed(c).filter((s) => !now.has(s.of.goal.id));
  const came = served.filter((s) => !before.has(s.of.goal.id));
  if (came.length === 0 && gone.length === 0) return c;
  const choicesOf = async ({ of }: Served): Promise<ExerciseChoice[]> => {
    const chosen = await listChoices(db, of.goal.id);
    return chosen.length > 0 ? chosen : firstWeek(of).map(({ id }) => plainChoice(id));
  };
  const kept = await leaving(c, gone, served, choicesOf);
  let as: GoalCase = { ...c, choices: kept };
  for (const one of came) {
    const isOpen = ({ exerciseId }: ExerciseChoice) => {
      const exercise = c.catalogue.find((e) => e.id === exerciseId);
      return exercise !== undefined && barsOf(c, exercise).length === 0;
    };
    const isNew = ({ exerciseId }: ExerciseChoice) => as.choices.every((k) => k.exerciseId !== exerciseId);
    const choices = [...as.choices, ...(await choicesOf(one)).filter((k) => isNew(k) && isOpen(k))];
    as = { ...as, choices, settings: { ...(await listSettings(db, one.of.goal.id)), ...as.settings } };
  }
  return as;
}

/** The week without what served only goals that are served no more; one that would be left empty stays. */
async function leaving(
  c: GoalCase,
  gone: readonly Served[],
  served: readonly Served[],
  choicesOf: (s: Served) => Promise<ExerciseChoice[]>
): Promise<ExerciseChoice[]> {
  const week = weekOf(c);
  const theirs = new Set((await Promise.all(gone.map(choicesOf))).flat().map((k) => k.exerciseId));
  const needed = new Set(served.flatMap(({ of }) => firstWeek(of)).map((e) => e.id));
  const rest = week.filter((w) => !theirs.has(w.exercise.id) || needed.has(w.exercise.id));
  return (rest.length > 0 ? rest : week).map((w) => w.choice);
}
