import { addDays, daysBetween, measureOf, type Band, type Forecast } from '$lib/core';
import type { LengthUnit } from '$lib/contract/fields';
import type { Outlook } from '$lib/contract/forecast';
import { dateText, headlineText, numberText } from '../format';

/** A share as so many of a hundred, never as a certainty. */
export const chanceText = (share: number): string =>
  share < 0.01 ? 'under 1 in 100' : share > 0.99 ? 'over 99 in 100' : `${Math.round(share * 100)} in 100`;

export const bandText = (b: Band, headline: string, unit: LengthUnit, of: 'half' | 'nine in ten' = 'nine in ten'): string => {
  const [low, high] = of === 'half' ? [b.p25, b.p75] : [b.p05, b.p95];
  return `${headlineText(low, headline, unit)} to ${headlineText(high, headline, unit)}`;
};

/** The week in which the goal is first more likely reached than not; null within the weeks told. */
export const likelyWeek = (f: Forecast): number | null => f.weeks.find((w) => w.reachedShare >= 0.5)?.week ?? null;

/** Why nothing is foretold. */
export function nothingText({ why, next }: Pick<Outlook, 'why' | 'next'>, headline: string, unit: LengthUnit): string {
  if (why === 'closed') return 'Nothing is foretold while training is closed: the Check comes first.';
  if (why === 'no measure') return 'Nothing is foretold before the first measure.';
  const what = measureOf(headline).unit === 'min' ? 'Minutes' : 'Counts, stages and points';
  const none = `${what} have no known error, so a gain cannot be told from chance and nothing is foretold.`;
  if (!next) return none;
  const [low, high] = [next.low, next.high].map((v) => headlineText(v, headline, unit));
  const where = low === high ? `come to ${low}` : `lie between ${low} and ${high}`;
  return `${none} If it goes on as it went, eight in ten measures ${next.weeks} weeks from now ${where}.`;
}

/** Whether the goal is more likely behind than ahead today. */
export const isLikelyThere = (f: Forecast, target: number, betterIs: 'higher' | 'lower'): boolean =>
  betterIs === 'higher' ? f.now.p50 >= target : f.now.p50 <= target;

/** How much of the answer is assumption, in words. */
export function priorText(priorShare: number): string {
  const share = `${Math.round(priorShare * 100)} % of the width is our starting assumption`;
  if (priorShare > 0.97) return "All our starting assumption still: this person's own figures do not narrow it yet.";
  if (priorShare > 0.75) return `Mostly our starting assumption: ${share}, the rest is this person's own figures.`;
  if (priorShare > 0.4) return `About half our starting assumption: ${share}.`;
  return `Mostly this person's own figures: ${share}.`;
}

/** What is told of the date of the goal; of the last week that is told where the goal has no date, or one out of sight. */
export function byDate(f: Forecast, today: string, targetOn: string | null) {
  const weeks = targetOn ? Math.round(daysBetween(today, targetOn) / 7) : 0;
  const at = f.weeks.find((w) => w.week === weeks);
  const last = f.weeks.at(-1)!;
  return at && targetOn
    ? { on: targetOn, share: at.reachedShare, band: at, isTarget: true }
    : { on: addDays(today, last.week * 7), share: last.reachedShare, band: last, isTarget: false };
}

export const weekDate = (today: string, week: number): string => dateText(addDays(today, week * 7));

/** Rate a week with its interval, toward the goal or away from it. */
export function rateText(
  rate: Readonly<{ slope: number; low: number; high: number }>,
  headline: string,
  unit: LengthUnit
): string {
  const { unit: of, betterIs } = measureOf(headline);
  const sign = betterIs === 'higher' ? 1 : -1;
  const per = of === 'cm' && unit === 'in' ? 1 / 2.54 : 1;
  const shown = (v: number) => numberText(v * per, 1);
  const [low, high] = [rate.low * sign, rate.high * sign].toSorted((a, b) => a - b);
  const unitText = of === 'cm' ? ` ${unit}` : of === '°' ? '°' : of === 'min' ? ' min' : '';
  const toward = rate.slope * sign;
  return `${shown(Math.abs(toward))}${unitText} a week ${toward >= 0 ? 'toward the goal' : 'away from it'} (${shown(low!)} to ${shown(high!)})`;
}
