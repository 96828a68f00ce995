import jstat from 'jstat';
import { sum } from 'simple-statistics';
import { daysBetween } from '../days';
import type { ChangeWord } from '../measure/changeVerdict';
import { z95 } from '../measure/mdc';

/** One measure of a series that was taken alike. `week` counts from anywhere; `sd` is the error of the occasion, in the measure's unit. */
export type Retaken = Readonly<{
  week: number;
  value: number;
  sd: number;
  /** Who measured, and at which time of day; empty where nobody said. */
  measurer: string;
  dayTime: string;
}>;

/** A condition that is another than at the first measure. */
export type OtherCondition = 'measurer' | 'time of day';

export type ChangeSoFar = Readonly<{
  verdict: ChangeWord;
  /** The first measure of the stretch, and the last. */
  before: number;
  after: number;
  difference: number;
  weeks: number;
  measures: number;
  others: readonly OtherCondition[];
  /** How much of the difference those conditions may account for, at 95 %, in the measure's unit. */
  othersMargin: number;
}>;

/**
 * How often, of a person who does not change, a word may be said in error, on one side, however often it is measured; and how far back is looked.
 * Another measurer, or another time of day, may shift a measure as much as measuring itself does (assumption: docs/sources.md#trend).
 */
export const changeRules = { realChance: 0.02, likelyChance: 0.2, weeks: 26, othersShare: 1 } as const;

/**
 * Returns the change since the first of a series, told from all of its measures.
 *
 * Model:  a straight line through all of them, each weighed by its error; its slope against its own error. Where the last was taken by another
 *         measurer or at another time of day than the first, the shift that may bring is an error of the slope as well. Every further
 *         measure is a further chance to be wrong: at the nth look a word needs a chance of α ÷ n(n+1), of both sides, which sums to α
 *         over any number of looks. A word is said only where the line and the plain difference go the same way.
 * Units:  those of the measure. Null below two measures. Of a long series the last 26 weeks.
 * Source: docs/sources.md#trend; the rates of error are simulated in docs/benchmarks.md.
 */
export function changeSoFar(measures: readonly Retaken[], betterIs: 'higher' | 'lower'): ChangeSoFar | null {
  const last = measures.at(-1);
  if (!last || measures.length < 2) return null;
  const looks = measures.length - 1;
  const stretch = measures.slice(Math.min(firstOfStretch(measures, last.week), looks - 1));
  const first = stretch[0]!;
  const difference = last.value - first.value;
  const others = otherConditions(first, last);
  const shiftSd = changeRules.othersShare * Math.max(first.sd, last.sd) * Math.sqrt(others.length);
  const z = Math.abs(trendZ(stretch, shiftSd));
  const isSameWay = Math.sign(trendZ(stretch, 0)) === Math.sign(difference);
  const level = !isSameWay || difference === 0 ? null : z >= zAt(looks, 'realChance') ? 'real' : z >= zAt(looks, 'likelyChance') ? 'likely' : null; // prettier-ignore
  const isGain = betterIs === 'higher' ? difference > 0 : difference < 0;
  return {
    verdict: level === null ? 'not shown' : `${level} ${isGain ? 'gain' : 'loss'}`,
    before: first.value,
    after: last.value,
    difference,
    weeks: last.week - first.week,
    measures: stretch.length,
    others,
    othersMargin: z95 * shiftSd
  };
}

/** Weeks from a day that is the same for all. */
export const weekOf = (on: string): number => daysBetween('2000-01-01', on) / 7;

const firstOfStretch = (measures: readonly Retaken[], lastWeek: number): number =>
  measures.findIndex((m) => lastWeek - m.week <= changeRules.weeks);

/** How many of its own errors the slope is from none; of measures of one day the plain difference of the last from the first. */
function trendZ(measures: readonly Retaken[], shiftSd: number): number {
  const [first, last] = [measures[0]!, measures.at(-1)!];
  const weights = measures.map((m) => 1 / m.sd ** 2);
  const all = sum(weights);
  const meanWeek = sum(measures.map((m, i) => weights[i]! * m.week)) / all;
  const spread = sum(measures.map((m, i) => weights[i]! * (m.week - meanWeek) ** 2));
  const span = last.week - first.week;
  if (spread < 1e-9 || span < 1e-9) return (last.value - first.value) / Math.hypot(first.sd, last.sd, shiftSd);
  const slope = sum(measures.map((m, i) => weights[i]! * (m.week - meanWeek) * m.value)) / spread;
  return slope / Math.hypot(1 / Math.sqrt(spread), shiftSd / span);
}

function zAt(looks: number, chance: 'realChance' | 'likelyChance'): number {
  const p = changeRules[chance] / (looks * (looks + 1));
  return jstat.jStat.normal.inv(1 - p / 2, 0, 1);
}

/** Conditions that were named of both and differ; one that nobody named is taken as alike. */
function otherConditions(a: Retaken, b: Retaken): OtherCondition[] {
  const differs = (x: string, y: string) =>
    x.trim() !== '' && y.trim() !== '' && x.trim().toLowerCase() !== y.trim().toLowerCase();
  return [
    ...(differs(a.measurer, b.measurer) ? (['measurer'] as const) : []),
    ...(differs(a.dayTime, b.dayTime) ? (['time of day'] as const) : [])
  ];
}
