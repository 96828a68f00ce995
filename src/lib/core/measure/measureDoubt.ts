import { max, mean, min } from 'simple-statistics';
import { occasionSd, type MeasuringError } from './occasionSd';
import type { Occasion } from './changeVerdict';

/** So many of its own errors apart, numbers are asked about before they are kept: usual ones are within two or three (assumption). */
const askedFrom = 8;

/** Numbers of one occasion that lie impossibly far apart, or a leap from the last one that was taken alike. */
export type MeasureDoubt = Readonly<{ of: 'trials' | 'leap'; from: number; to: number }>;

/**
 * Returns what looks mistyped among the numbers of an occasion.
 *
 * Model:  trials of one occasion eight errors of a difference apart, or a mean eight errors of a difference from the last one.
 * Units:  those of the measure. Null where nothing is odd, or no error is known.
 */
export function measureDoubt(
  trials: readonly number[],
  before: Occasion | null,
  error: MeasuringError | null
): MeasureDoubt | null {
  if (error === null || trials.length === 0) return null;
  const [low, high] = [min([...trials]), max([...trials])];
  if (high - low > askedFrom * Math.SQRT2 * occasionSd(1, { ...error, daySd: 0 })) return { of: 'trials', from: low, to: high };
  if (!before) return null;
  const value = mean([...trials]);
  const sd = Math.hypot(occasionSd(trials.length, error), occasionSd(before.trials, error));
  return Math.abs(value - before.value) > askedFrom * sd ? { of: 'leap', from: before.value, to: value } : null;
}
