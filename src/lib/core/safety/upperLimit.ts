import { motionOf, type MotionId } from '../body/motions';
import type { Limit } from '../screen/limit';
import type { SafetyPerson } from './person';

/** Minutes of stretch, press and draw that a motion of a side gets at most: in a session, and in a week. */
export type StretchMost = Readonly<{ sessionMin: number; weekMin: number }>;

/** No plan goes past this by itself (our judgement; gains level off long before). */
export const stretchMost: StretchMost = { sessionMin: 8, weekMin: 20 };
/** A week at most of those who still grow, and of a joint that the Check cautions about. */
export const carefulWeekMin = 12;

/** True where the person still grows. */
export const isGrowing = ({ limits }: Pick<SafetyPerson, 'limits'>): boolean => limits.some((l) => l.kind === 'adult present');

const isCautioned = (limits: readonly Limit[], motion: MotionId): boolean =>
  limits.some((l) => l.joint === motionOf(motion).joint && l.from.startsWith('row/'));

/**
 * Returns what a motion gets at most with a person.
 *
 * Model:  as usual, or as the instructor set the week, a session in proportion where that is more; no more than the careful week where the person
 *         still grows or the Check cautions about the joint, whatever was set.
 * Units:  minutes.
 */
export function stretchMostOf(
  { limits }: Pick<SafetyPerson, 'limits'>,
  motion: MotionId,
  setWeekMin: number | null = null
): StretchMost {
  const wished = setWeekMin ?? stretchMost.weekMin;
  const isCareful = isGrowing({ limits }) || isCautioned(limits, motion);
  const weekMin = isCareful ? Math.min(wished, carefulWeekMin) : wished;
  return { sessionMin: stretchMost.sessionMin * Math.max(1, weekMin / stretchMost.weekMin), weekMin };
}
