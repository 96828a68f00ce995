import type { MotionId } from '../body/motions';
import type { Setting } from '../exercise/dial';
import type { Level } from '../level';
import type { SchoolId } from '../school/school';

/** Purposes of a role, in the order of a session: to test, to loosen, to open, to press and draw, to own, to hold the position itself. */
export const recipeSections = ['test', 'loosen', 'open', 'press and draw', 'own', 'position'] as const;
export type RecipeSection = (typeof recipeSections)[number];

/** An exercise that may fill a role: from a level on or up to one, and before the others in the schools that prefer it. */
export type Candidate = Readonly<{
  id: string;
  from?: Level;
  upTo?: Level;
  schools?: readonly SchoolId[];
  /** With what it is taught toward this goal, where that is more than it usually begins with. */
  dose?: Setting;
}>;

/**
 * A place in a session for one exercise, or for so many that belong together.
 *
 * Candidates are alternatives, the preferred one first: of two ways into one stretch, or two rungs of a ladder, never both.
 */
export type Role = Readonly<{
  section: RecipeSection;
  /** What it opens or works; empty where it loosens, or is no motion that is measured. */
  motions: readonly MotionId[];
  candidates: readonly Candidate[];
  /** So many of them are done; more than one where the pieces belong together. */
  count: number;
  /** Not for those below this level: they learn fewer places first. */
  from?: Level;
  /** Done once more at the end of the session. */
  again?: true;
}>;

/** Where an exercise stands in a recipe: counted from 0, what it is there for, and whether it comes once more at the end. */
export type RecipePlace = Readonly<{ rank: number; section: RecipeSection; again?: true }>;

/** What a session toward a goal is made of. */
export type Recipe = Readonly<{
  goal: string;
  /** Where a school has its own way to the goal. */
  school?: SchoolId;
  /** Where a stage of the goal is work of its own. */
  stage?: number;
  /** In the order they are done. */
  roles: readonly Role[];
  /** Taught so, or put together by analogy. */
  basis: 'common practice' | 'our judgement';
}>;
