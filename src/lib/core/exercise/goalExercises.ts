import { joints, type Joint } from '../body/body';
import { motionIds, motionOf, type MotionId } from '../body/motions';
import type { Goal } from '../goal/goal';
import { motionsOfRole, partOf, type Exercise, type MoveRole } from './exercise';

/** What a position needs besides plain motions, as the motion that trains it: the legs apart, the trunk between them. */
const trainedBy: Readonly<Record<string, MotionId>> = { straddle: 'HAB', trunk_fold: 'HF-KS' };

export const motionOfDemand = (measure: string): MotionId | undefined =>
  trainedBy[measure] ?? motionIds.find((id) => id === measure);

/** Joints that are loaded along with one, whatever is done with it. */
const alsoLoaded: Readonly<Partial<Record<Joint, readonly Joint[]>>> = {
  hip: ['hip', 'knee', 'back'],
  ankle: ['ankle', 'knee'],
  shoulder: ['shoulder', 'neck', 'elbow'],
  wrist: ['wrist', 'elbow']
};

/** Asked about where a goal names no motion: ease, comfort, a position of one's own. */
const usuallyMoved: readonly Joint[] = ['neck', 'shoulder', 'back', 'hip', 'knee'];

/** Joints a goal moves, and those loaded along with them, from the head down. */
export function jointsOfGoal(goal: Pick<Goal, 'demands' | 'headline'>): Joint[] {
  const moved = [...goal.demands.map((d) => d.measure), goal.headline].flatMap((m) => motionOfDemand(m) ?? []);
  if (moved.length === 0) return [...usuallyMoved];
  const all = new Set(moved.flatMap((m) => alsoLoaded[motionOf(m).joint] ?? [motionOf(m).joint]));
  return joints.filter((j) => all.has(j));
}

const roleFor = { open: 'opens', own: 'works' } as const satisfies Record<string, MoveRole>;

const isFor = (part: 'open' | 'own', { phases }: Exercise): boolean =>
  phases.some((p) => (part === 'own' ? p === 'active end' || p === 'strengthen' : p === 'hold' || p === 'contract-relax'));

/** How well an exercise stands for a motion of a goal: chiefly about it, about nothing else, about more of the goal, of the position's own family; plain work first. */
function fitness(e: Exercise, motion: MotionId, part: 'open' | 'own', wanted: ReadonlySet<string>, family?: string): number {
  const inside = e.links.filter((l) => wanted.has(l)).length;
  const about = (e.links[0] === motion ? 2 : 0) + (inside === e.links.length ? 2 : 0) + inside;
  const plain = e.kinds.includes(part === 'own' ? 'active' : 'passive') ? 1 : 0;
  return about + plain + (e.family === family ? 1 : 0) - e.traits.length - (e.privatePlace ? 2 : 0);
}

/**
 * A first list of exercises for a goal.
 *
 * Model:  the position itself, or that of the stage in work, what its recipe names, then for every motion it demands, or that it is told by, and
 *         that nothing named opens or works, the fittest exercise that does; of equals the one that stands first in the catalogue. The position of
 *         another goal is none of those: it has stages and rules of its own. A goal of one's own without needs has nothing.
 */
export function goalExercises(
  goal: Pick<Goal, 'id' | 'demands' | 'headline' | 'stagePositions'> & Readonly<{ stage?: number }>,
  catalogue: readonly Exercise[],
  named: readonly Exercise[] = []
): Exercise[] {
  // Of several, the one that can be graded on a stack.
  const positions = catalogue.filter((e) => e.positionOf.includes(goal.id));
  const ofStage = goal.stagePositions?.[goal.stage ?? -1];
  const position = catalogue.find((e) => e.id === ofStage) ?? positions.find((e) => e.dials.some((d) => d.stack)) ?? positions[0];
  const motions = [...goal.demands.map((d) => d.measure), goal.headline].flatMap((measure) => motionOfDemand(measure) ?? []);
  const wanted = new Set<string>(motions);
  const others = catalogue.filter((e) => e.positionOf.length === 0 || e.positionOf.includes(goal.id));
  const fittest = (motion: MotionId, part: 'open' | 'own') => {
    const on = others.filter((e) => motionsOfRole(e, roleFor[part]).includes(motion));
    // Some motions are made one's own by what is chiefly a warm-up.
    const fit = on.some((e) => partOf(e) === part) ? on.filter((e) => partOf(e) === part) : on.filter((e) => isFor(part, e));
    return fit.toSorted(
      (a, b) => fitness(b, motion, part, wanted, position?.family) - fitness(a, motion, part, wanted, position?.family)
    )[0];
  };
  const isNamed = (motion: MotionId, part: 'open' | 'own') => named.some((e) => motionsOfRole(e, roleFor[part]).includes(motion));
  const found = motions.flatMap((motion) =>
    (['open', 'own'] as const).flatMap((part) => (isNamed(motion, part) ? [] : (fittest(motion, part) ?? [])))
  );
  return [...new Set([...(position ? [position] : []), ...named, ...found])];
}
