import { motionIds, type MotionId } from '../goal/motions';
import type { Goal } from '../goal/goal';
import { partOf, type Exercise } from './exercise';

/** What a position needs besides plain motions, as the motion that trains it: the legs apart, the trunk between them. */
const trainedBy: Readonly<Record<string, MotionId>> = { straddle: 'HAB', trunk_fold: 'HF-KS' };

export const motionOfDemand = (measure: string): MotionId | undefined =>
  trainedBy[measure] ?? motionIds.find((id) => id === measure);

const isFor = (part: 'open' | 'own', { phases }: Exercise): boolean =>
  phases.some((p) => (part === 'own' ? p === 'active end' || p === 'strengthen' : p === 'hold' || p === 'contract-relax'));

/**
 * A first list of exercises for a goal.
 *
 * Model:  the position itself, then for every motion it demands the first exercise that opens it and the first that makes it the
 *         client's own; one that is chiefly about the motion before one that also trains it; what ships in the order of the families.
 */
export function goalExercises(goal: Pick<Goal, 'id' | 'demands'>, catalogue: readonly Exercise[]): Exercise[] {
  const position = catalogue.find((e) => e.positionOf.includes(goal.id));
  const found = goal.demands.flatMap(({ measure }) => {
    const motion = motionOfDemand(measure);
    const first = (part: 'open' | 'own') => {
      const on = catalogue.filter((e) => e.links.some((l) => l === motion));
      // Some motions are made one's own by what is chiefly a warm-up.
      const fit = on.some((e) => partOf(e) === part) ? on.filter((e) => partOf(e) === part) : on.filter((e) => isFor(part, e));
      return fit.find((e) => e.links[0] === motion) ?? fit[0];
    };
    return motion ? [first('open'), first('own')] : [];
  });
  return [...new Set([position, ...found].filter((e) => e !== undefined))];
}
