import type { SafetyPerson } from './person';

/** Minutes of stretch, press and draw that a motion of a side gets at most: in a session, and in a week. */
export type StretchMost = Readonly<{ sessionMin: number; weekMin: number }>;

/** No plan goes past this by itself (our judgement; gains level off long before). */
export const stretchMost: StretchMost = { sessionMin: 8, weekMin: 20 };
const growingWeekMin = 12;

/** True where the person still grows. */
export const isGrowing = ({ limits }: Pick<SafetyPerson, 'limits'>): boolean => limits.some((l) => l.kind === 'adult present');

/** Returns what a motion gets at most with a person: less for those who still grow. */
export const stretchMostOf = ({ limits }: Pick<SafetyPerson, 'limits'>): StretchMost =>
  isGrowing({ limits }) ? { ...stretchMost, weekMin: growingWeekMin } : stretchMost;
