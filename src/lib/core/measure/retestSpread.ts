import { CoreError } from '../errors';
import { oncePer } from '../oncePer';

/** One day of a series that was taken alike: the mean of its trials. */
export type Retest = Readonly<{ on: number; value: number; trials: number }>;
export type RetestSpread = Readonly<{
  /** Square of the spread between days, trials taken out; may be below zero by chance. */ variance: number;
  df: number;
}>;

/**
 * Spread from day to day that is neither training nor trials, from series of retests.
 *
 * Model:  each day is held against the straight line between the days before and after it, so that any steady way up or down drops out; the
 *         square is scaled by the weights of the three days, and what trials make of it is taken off. Neighbouring differences share days, so
 *         n − 2 of them tell as much as 18/35 as many independent ones.
 * Units:  `on` in days on any count, ascending; values in those of the measure. Retests on one day are one day.
 * Throws: CoreError 'value_not_a_number'.
 * Source: docs/sources.md#day-to-day
 *
 * @param trialSd spread between trials of one day
 */
export function retestSpread(series: readonly (readonly Retest[])[], trialSd: number): RetestSpread {
  const { off, trial, differences } = offLine(series);
  return { variance: differences === 0 ? 0 : (off - trial * trialSd ** 2) / differences, df: (differences * 18) / 35 };
}

/** Squares of the days off their lines, and what one square of the trials makes of them, both by the weights of the days. */
const offLine = oncePer((series: readonly (readonly Retest[])[]) => {
  const sum = { off: 0, trial: 0, differences: 0 };
  for (const taken of series) {
    const days = byDay(taken);
    for (let i = 1; i + 1 < days.length; i++) {
      const [a, b, c] = [days[i - 1]!, days[i]!, days[i + 1]!];
      const later = (b.on - a.on) / (c.on - a.on);
      const weights = [1 - later, 1, later] as const;
      const off = b.value - weights[0] * a.value - weights[2] * c.value;
      if (!Number.isFinite(off)) throw new CoreError('value_not_a_number');
      const [day, trial] = [a, b, c].reduce(
        ([d, t], { trials }, k) => [d + weights[k]! ** 2, t + weights[k]! ** 2 / trials],
        [0, 0]
      ) as [number, number];
      sum.off += off ** 2 / day;
      sum.trial += trial / day;
      sum.differences++;
    }
  }
  return sum;
});

function byDay(taken: readonly Retest[]): Retest[] {
  const days = new Map<number, Retest>();
  for (const r of taken) {
    const same = days.get(r.on);
    const trials = r.trials + (same?.trials ?? 0);
    const value = same ? (same.value * same.trials + r.value * r.trials) / trials : r.value;
    days.set(r.on, { on: r.on, value, trials });
  }
  return [...days.values()].toSorted((a, b) => a.on - b.on);
}
