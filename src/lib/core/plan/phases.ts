import { requireRange } from '../errors';

export type PlanPhase = 'settle in' | 'open' | 'own' | 'arrive';

/** Shares of the weeks (common practice; the numbers are assumptions). docs/sources.md#planning */
const shares: readonly (readonly [PlanPhase, number])[] = [
  ['settle in', 0.2],
  ['open', 0.4],
  ['own', 0.25],
  ['arrive', 0.15]
];

/**
 * The phase of every week.
 *
 * Model:  20, 40, 25 and 15 % of the weeks, each at least one when there are four or more; rounding goes to the longest
 *         phase. With fewer than four weeks the ends are dropped first.
 * Throws: CoreError 'out_of_range' outside 1–52.
 */
export function planPhases(weeks: number): PlanPhase[] {
  requireRange('weeks', weeks, 1, 52);
  if (weeks === 1) return ['open'];
  if (weeks === 2) return ['open', 'own'];
  if (weeks === 3) return ['settle in', 'open', 'own'];
  const counts = new Map(shares.map(([phase, share]) => [phase, Math.max(1, Math.round(share * weeks))]));
  const others = [...counts].filter(([phase]) => phase !== 'open').reduce((sum, [, n]) => sum + n, 0);
  counts.set('open', weeks - others);
  return shares.flatMap(([phase]) => Array<PlanPhase>(counts.get(phase)!).fill(phase));
}

/** The phases of a plan that was joined in one of its weeks: whoever comes late settles in first, and goes on with the others then. */
export function phasesJoined(weeks: number, joinedInWeek: number | null): PlanPhase[] {
  const phases = planPhases(weeks);
  if (joinedInWeek === null) return phases;
  const own = planPhases(Math.max(1, weeks - joinedInWeek + 1));
  return phases.map((phase, i) => (own[i - joinedInWeek + 1] === 'settle in' ? 'settle in' : phase));
}

/** Every fourth week is easy. */
export const isEasyWeek = (week: number): boolean => week % 4 === 0;

/** Every second week ends with a retest, in the state of the baseline. */
export const isRetestWeek = (week: number): boolean => week % 2 === 0;

export const retestEveryDays = 21; // the second week's retest may slip a week before it is overdue
