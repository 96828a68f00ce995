import type { Exercise } from '../exercise/exercise';
import type { Setting } from '../exercise/dial';
import { chainOf } from '../exercise/neighbours';
import type { SchoolId } from '../school/school';
import { levels, type Level } from '../level';
import { recipeSections, type Candidate, type Recipe, type RecipePlace, type RecipeSection, type Role } from './recipe';
import { recipes } from './recipes';

export type RecipeAsk = Readonly<{
  goal: string;
  stage: number;
  level: Level;
  /** The school the person prefers; null where none is. */
  school: SchoolId | null;
  catalogue: readonly Exercise[];
  /** True where the gate lets it be done on a side. */
  isOpen: (exercise: Exercise) => boolean;
  /** True where what it needs is there. */
  isAtHand: (exercise: Exercise) => boolean;
}>;

/** An exercise and the section of the session it is for. */
export type RolePick = Readonly<{ exercise: Exercise; section: RecipeSection }>;

/** A role nothing fills: for want of props, or because the gate leaves nothing of it. */
export type Unfilled = Readonly<{ role: Role; why: 'props' | 'barred' }>;

export type FilledRecipe = Readonly<{ picks: readonly RolePick[]; unfilled: readonly Unfilled[] }>;

/** Returns the recipe of a goal: of its school before its own, of the stage in work before either; null where there is none. */
export function recipeOf({
  goal,
  stage,
  school
}: Readonly<{ goal: string; stage: number; school: SchoolId | null }>): Recipe | null {
  const all = recipes.filter((r) => r.goal === goal);
  return (
    all.find((r) => r.stage === stage) ??
    all.find((r) => r.stage === undefined && r.school !== undefined && r.school === school) ??
    all.find((r) => r.stage === undefined && r.school === undefined) ??
    null
  );
}

/**
 * A recipe filled for a person.
 *
 * Model:  role by role the first candidates of this level that the gate lets through and whose things are there; those their school prefers
 *         before the others. None twice. A role whose things are not there takes its stand-in, the next candidate, or is left out and said;
 *         it is never filled by another motion.
 */
export function fillRecipe(ask: RecipeAsk): FilledRecipe {
  const picks: RolePick[] = [];
  const unfilled: Unfilled[] = [];
  for (const role of (recipeOf(ask)?.roles ?? []).filter((r) => reaches(ask.level, r.from))) {
    const fits = inOrder(role, ask).flatMap(({ id }) => ask.catalogue.find((e) => e.id === id) ?? []);
    const fresh = fits.filter((e) => picks.every((p) => p.exercise !== e));
    const open = fresh.filter(ask.isOpen);
    const found = open.filter(ask.isAtHand).slice(0, role.count);
    picks.push(...found.map((exercise) => ({ exercise, section: role.section })));
    // What another role does already is not missed.
    if (found.length === 0 && fresh.length > 0) unfilled.push({ role, why: open.length > 0 ? 'props' : 'barred' });
  }
  return { picks, unfilled };
}

/** An exercise that is done in place of another, for the same role. */
export type StandIn = Readonly<{ exercise: Exercise; standsFor: Exercise }>;

/**
 * Exercises that take the place of those of the week whose things are not there.
 *
 * Model:  role by role: where a week does something for it and nothing of that can be done, its first candidate that can. None that is in the
 *         week anyway, none twice, none that is a step up. Of a role that is done with several pieces at once one is enough.
 */
export function standIns(ask: RecipeAsk, week: readonly Exercise[]): StandIn[] {
  const found: StandIn[] = [];
  for (const role of recipeOf(ask)?.roles ?? []) {
    const [standsFor, ...others] = week.filter((e) => role.candidates.some(({ id }) => id === e.id));
    if (!standsFor || [standsFor, ...others].some(ask.isAtHand)) continue;
    const row = chainOf(standsFor, ask.catalogue);
    const isStepUp = ({ id }: Exercise) => row.indexOf(id) > row.indexOf(standsFor.id);
    const exercise = inOrder(role, ask)
      .flatMap(({ id }) => ask.catalogue.find((e) => e.id === id) ?? [])
      .find((e) => !week.includes(e) && found.every((f) => f.exercise !== e) && !isStepUp(e) && ask.isOpen(e) && ask.isAtHand(e));
    if (exercise) found.push({ exercise, standsFor });
  }
  return found;
}

/** Exercises of a week that are rungs of one ladder in one role: a session takes one of them. */
export type Rungs = readonly string[];

/**
 * The rungs that stand side by side in a week.
 *
 * Model:  first every role takes as many of the week as it is done with, in its own order; what is left over belongs to the first role
 *         that names it, and is a rung where a practised step leads from the one to the other. So a rung that loosens for the next one is none
 *         beside it. Other ways into the same stretch are the instructor's to put side by side.
 */
export function rungsIn(
  goals: readonly Parameters<typeof recipeOf>[0][],
  week: readonly string[],
  catalogue: readonly Exercise[]
): Rungs[] {
  const practised = catalogue.map((e) => ({ ...e, harderInferred: [] }));
  const ladderOf = (id: string) => {
    const exercise = practised.find((e) => e.id === id);
    return exercise ? chainOf(exercise, practised) : [];
  };
  const roles = goals.flatMap((of) => recipeOf(of)?.roles ?? []);
  const taken = new Set<string>();
  const take = (ids: readonly string[]) => {
    for (const id of ids) taken.add(id);
    return ids;
  };
  const named = roles.map((role) => role.candidates.map((c) => c.id).filter((id) => week.includes(id)));
  const filled = roles.map((role, i) => take(named[i]!.filter((id) => !taken.has(id)).slice(0, role.count)));
  return roles.flatMap((_, i) => {
    const rest = take(named[i]!.filter((id) => !taken.has(id)));
    return filled[i]!.flatMap((first) => {
      const ladder = ladderOf(first);
      const others = rest.filter((id) => ladder.includes(id));
      return others.length > 0 ? [[first, ...others]] : [];
    });
  });
}

const reaches = (level: Level, least: Level | undefined): boolean =>
  least === undefined || levels.indexOf(level) >= levels.indexOf(least);

function inOrder({ candidates }: Role, { level, school }: RecipeAsk): Candidate[] {
  const fits = candidates.filter((c) => reaches(level, c.from) && (c.upTo === undefined || reaches(c.upTo, level)));
  const isPreferred = ({ schools }: Candidate) => school !== null && (schools?.includes(school) ?? false);
  return [...fits.filter(isPreferred), ...fits.filter((c) => !isPreferred(c))];
}

/** Returns the dose an exercise is taught with toward a goal, in the way a school has to it; empty where it is the usual one. Units: those of its dials. */
export const taughtToward = (ask: Parameters<typeof recipeOf>[0], exerciseId: string): Setting =>
  recipeOf(ask)
    ?.roles.flatMap((role) => role.candidates)
    .find((c) => c.id === exerciseId)?.dose ?? {};

/**
 * The place of every exercise that recipes name, in the order they are done: of one goal as its recipe has them, of several section by
 * section, the first goal before the others.
 */
export function recipePlaces(goals: readonly Parameters<typeof recipeOf>[0][]): ReadonlyMap<string, RecipePlace> {
  const roles = goals.flatMap((of) => recipeOf(of)?.roles ?? []);
  const ordered = goals.length > 1 ? recipeSections.flatMap((section) => roles.filter((r) => r.section === section)) : roles;
  const places = new Map<string, RecipePlace>();
  for (const { section, candidates, again } of ordered)
    for (const { id } of candidates) if (!places.has(id)) places.set(id, { rank: places.size, section, ...(again && { again }) });
  return places;
}
