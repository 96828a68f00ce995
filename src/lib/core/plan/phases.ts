import { requireRange } from '../errors';
import type { Level } from '../level';

export type PlanPhase = 'settle in' | 'open' | 'own' | 'arrive';

/** Shares of the weeks (common practice; the numbers are assumptions). docs/sources.md#planning */
const phaseShares: readonly (readonly [PlanPhase, number])[] = [
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
  const counts = new Map(phaseShares.map(([phase, share]) => [phase, Math.max(1, Math.round(share * weeks))]));
  const others = [...counts].filter(([phase]) => phase !== 'open').reduce((sum, [, n]) => sum + n, 0);
  counts.set('open', weeks - others);
  return phaseShares.flatMap(([phase]) => Array<PlanPhase>(counts.get(phase)!).fill(phase));
}

/**
 * The phases of a plan that may have been joined in one of its weeks: whoever comes late settles in first, and goes on with the others then.
 * A phase does not begin with an easy week: that one is still of the phase before it.
 */
export function phasesJoined(weeks: number, joinedInWeek: number | null, easyWeeks: readonly number[]): PlanPhase[] {
  const phases = planPhases(weeks);
  const own = joinedInWeek === null ? [] : planPhases(Math.max(1, weeks - joinedInWeek + 1));
  const joined = phases.map((phase, i) => (own[i - (joinedInWeek ?? 0) + 1] === 'settle in' ? 'settle in' : phase));
  for (const [i] of joined.entries()) if (i > 0 && easyWeeks.includes(i + 1)) joined[i] = joined[i - 1]!;
  return joined;
}

/** Every fourth week is easy. */
export const isEasyWeek = (week: number): boolean => week % 4 === 0;

/** How much of the usual work a week holds: less in the first, in which each exercise is shown, and in an easy one. */
export type WeekAmount = 'whole' | 'first week' | 'easy week';

/** Shares of the usual work, in seconds: an easy week 60 to 70 % (common practice); a first one four fifths, of a beginner less (assumptions). */
const amountShares = { whole: 1, 'first week': 0.8, 'easy week': 0.65 } as const;
const firstOfBeginner = 0.7;

/** The share of its usual work that a week holds, of 1. */
export const shareOf = (amount: WeekAmount, level: Level): number =>
  amount === 'first week' && level === 'beginner' ? firstOfBeginner : amountShares[amount];

/** The first week is that in which somebody settles in: of a plan, or the one in which they joined it. */
export function weekAmount(
  { week, phase, easy }: Readonly<{ week: number; phase: PlanPhase; easy: boolean }>,
  joinedInWeek: number | null
): WeekAmount {
  if (easy) return 'easy week';
  return phase === 'settle in' && week === (joinedInWeek ?? 1) ? 'first week' : 'whole';
}

/** Every second week ends with a retest, in the state of the baseline. */
export const isRetestWeek = (week: number): boolean => week % 2 === 0;

export const retestEveryDays = 21; // the second week's retest may slip a week before it is overdue
