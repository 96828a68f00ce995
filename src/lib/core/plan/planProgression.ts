import { addDays, daysBetween } from '../days';
import { CoreError, requireRange } from '../errors';
import { arrangedSession, usualArrangement, type Arrangement } from '../session/arrange';
import { orderBlocks, type SessionOptions } from '../session/compileSession';
import type { Cut } from '../session/fitToMinutes';
import { isWorked, type Block } from '../session/block';
import type { DialAsked } from '../session/buildBlock';
import { capsOf } from '../safety/caps';
import type { LeftOut } from './leftOut';
import { isEasyWeek, isRetestWeek, planPhases, type PlanPhase } from './phases';
import { sessionBlocks, type BlocksAsk } from './sessionBlocks';

export type PlanSession = Readonly<{
  week: number;
  ordinal: number;
  /** Proposed day; what happens follows the person, not the date. */
  on: string;
  light: boolean;
  blocks: readonly Block[];
  durationS: number;
  cuts: readonly Cut[];
  /** How its sets follow each other, where that was arranged. */
  options?: SessionOptions;
  leftOut: readonly LeftOut[];
  /** Dials without a figure: set before the session begins. */
  asks: readonly DialAsked[];
}>;

export type PlanWeek = Readonly<{
  week: number;
  phase: PlanPhase;
  easy: boolean;
  retest: boolean;
  sessions: readonly PlanSession[];
}>;
export type Progression = Readonly<{ weeks: readonly PlanWeek[] }>;

export type PlanAsk = Omit<BlocksAsk, 'phase' | 'easy' | 'light'> &
  Readonly<{
    weeks: number;
    sessionsPerWeek: number;
    minutes: number;
    start: string;
    /** Date of the goal, where it has one. */
    target: string | null;
    /** A baseline of the headline on both sides is required. */
    hasBaseline: boolean;
  }>;

/**
 * A first plan: every session of every week, inside the minutes.
 *
 * Model:  phases by share of the weeks, every fourth week easy, a retest every second; sessions spread evenly over the week,
 *         on the day after hard work a light one, none on the day of the goal or after it. Every session is compiled to the second and cut to the minutes.
 * Throws: CoreError 'baseline_missing', 'weeks_past_target' with the weeks that are left, 'nothing_in_week', 'minutes_too_few', 'everything_locked',
 *         and the range errors of weeks (1–12), sessions a week (1–7) and minutes (5–240).
 * Source: docs/sources.md#planning
 */
export function planProgression(ask: PlanAsk): Progression {
  requireRange('weeks', ask.weeks, 1, 12);
  requireRange('sessions_per_week', ask.sessionsPerWeek, 1, 7);
  requireRange('minutes', ask.minutes, 5, 240);
  if (!ask.hasBaseline) throw new CoreError('baseline_missing');
  if (ask.target !== null) {
    const weeksLeft = Math.ceil(daysBetween(ask.start, ask.target) / 7);
    if (ask.weeks > weeksLeft) throw new CoreError('weeks_past_target', { weeks: ask.weeks, weeksLeft: Math.max(0, weeksLeft) });
  }
  const offsets = dayOffsets(ask.sessionsPerWeek);
  // Sessions of one kind are the same session: fitted once.
  const known = new Map<string, ReturnType<typeof fittedSession>>();
  const fittedOnce = (kind: Pick<BlocksAsk, 'phase' | 'easy' | 'light'>) => {
    const key = `${kind.phase}/${kind.easy}/${kind.light}`;
    const fitted = known.get(key) ?? fittedSession({ ...ask, ...kind });
    known.set(key, fitted);
    return fitted;
  };
  const weeks = planPhases(ask.weeks).map((phase, i): PlanWeek => {
    const week = i + 1;
    const easy = isEasyWeek(week);
    const sessions = offsets
      .map(({ day, light }, s): PlanSession => {
        return { week, ordinal: s + 1, on: addDays(ask.start, i * 7 + day), light, ...fittedOnce({ phase, easy, light }) };
      })
      // The day of the goal itself is for the goal.
      .filter(({ on }) => ask.target === null || on < ask.target);
    return { week, phase, easy, retest: isRetestWeek(week), sessions };
  });
  return { weeks };
}

/** What a session could hold: every block uncut, in the usual order. Throws: CoreError 'nothing_in_week', 'everything_locked'. */
export function uncutSession(ask: BlocksAsk) {
  if (ask.week.length === 0) throw new CoreError('nothing_in_week');
  const { blocks, leftOut, asks } = sessionBlocks(ask);
  if (asks.length === 0 && !blocks.some(isWorked)) throw new CoreError('everything_locked');
  return { blocks: orderBlocks(blocks), leftOut, asks };
}

/**
 * One session of a phase as it was arranged, or as usual, cut to the minutes; where every exercise still asks for a number, the warm-up and
 * the settle alone.
 *
 * Throws: CoreError 'nothing_in_week', 'minutes_too_few', 'everything_locked', and those of `arrange`.
 */
export function fittedSession(ask: BlocksAsk & Readonly<{ minutes: number }>, arrangement?: Arrangement) {
  const { blocks, leftOut, asks } = uncutSession(ask);
  const given = arrangedSession(
    blocks,
    arrangement ?? usualArrangement(blocks, ask.minutes),
    capsOf(ask.person.limits).effortPct
  );
  return { ...given, leftOut, asks };
}

/**
 * Days of the week from its first, spread evenly. A day right after a hard one is light, also across the end of the week.
 */
export function dayOffsets(sessionsPerWeek: number): { day: number; light: boolean }[] {
  const days = Array.from({ length: sessionsPerWeek }, (_, i) => Math.floor((i * 7) / sessionsPerWeek));
  const hard = new Set<number>();
  for (const day of days) {
    const wrapsToFirst = day === 6 && hard.has(0);
    if (!hard.has(day - 1) && !wrapsToFirst) hard.add(day);
  }
  return days.map((day) => ({ day, light: !hard.has(day) }));
}
