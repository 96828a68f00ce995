import { CoreError } from '../errors';
import { theilSen, type TheilSen } from './theilSen';

export type PlateauAsk = Readonly<{
  /** Oldest first, taken alike. */
  measures: readonly Readonly<{ week: number; value: number }>[];
  betterIs: 'higher' | 'lower';
  /** Sessions done and due over the same weeks. */
  done: number;
  due: number;
  /** What this measure is expected to gain in a week, in its unit: a share of it is the least that is worth the work. */
  expectedPerWeek: number;
}>;

export type Plateau = Readonly<{
  /** 'not known': too few measures, or over too few weeks; 'no': the rate may still be worth it. */
  verdict: 'not known' | 'no' | 'attendance first' | 'change the stimulus';
  /** The rate a week toward the goal, where it is known; over how many weeks and measures. */
  perWeek: Pick<TheilSen, 'slope' | 'low' | 'high'> | null;
  /** Least rate that is worth the work. */
  leastPerWeek: number;
  weeks: number;
  measures: number;
  /** Of 1; null where nothing was due. */
  attendance: number | null;
}>;

/** Of three points the interval of a rate holds two thirds, where it says 95 of 100: five are asked for (assumptions: docs/sources.md#trend). */
export const plateauRules = { weeks: 8, measures: 5, attendance: 0.6, worthwhileShare: 0.15 } as const;

/**
 * Whether a gain has come to rest.
 *
 * Model:  over the last measures that span eight weeks or more and are five or more, the whole interval of the rate lies below a share of
 *         what is expected. Whoever gains half of that or more is told so in fewer than one of twenty runs of twelve weeks (docs/benchmarks.md). Attendance under 60 % is named before the plan is blamed.
 * Source: docs/sources.md#trend
 */
export function plateau(ask: PlateauAsk): Plateau {
  const leastPerWeek = plateauRules.worthwhileShare * ask.expectedPerWeek;
  const attendance = ask.due > 0 ? Math.min(1, ask.done / ask.due) : null;
  const last = ask.measures.at(-1);
  // The shortest stretch that is long enough: what came before may have been another time.
  const from = ask.measures.findLastIndex(
    (m, i) => ask.measures.length - i >= plateauRules.measures && last!.week - m.week >= plateauRules.weeks
  );
  const stretch = from < 0 ? ask.measures : ask.measures.slice(from);
  const span = { weeks: last ? last.week - stretch[0]!.week : 0, measures: stretch.length, attendance, leastPerWeek };
  if (from < 0) return { verdict: 'not known', perWeek: null, ...span };
  const sign = ask.betterIs === 'higher' ? 1 : -1;
  const perWeek = rateOf(stretch.map((m) => ({ x: m.week, y: sign * m.value })));
  if (!perWeek || perWeek.high >= leastPerWeek) return { verdict: 'no', perWeek, ...span };
  const came = attendance === null || attendance >= plateauRules.attendance;
  return { verdict: came ? 'change the stimulus' : 'attendance first', perWeek, ...span };
}

function rateOf(points: readonly Readonly<{ x: number; y: number }>[]) {
  try {
    return theilSen(points);
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}
