import { requireRange } from '../errors';

export type MeasuringError = Readonly<{ trialSd: number; daySd: number; resolution?: number }>;

/**
 * Error of one occasion, the mean of n trials on one day.
 *
 * Model:  √(day² + trial²/n), never under resolution/√12 (a uniform reading error). More trials on one day cannot
 *         take the day's own part away.
 * Units:  those of the measure.
 * Throws: CoreError 'out_of_range'.
 */
export function occasionSd(trials: number, { trialSd, daySd, resolution = 0 }: MeasuringError): number {
  requireRange('trials', trials, 1, 1000);
  requireRange('trial_sd', trialSd, 0, 1e6);
  requireRange('day_sd', daySd, 0, 1e6);
  return Math.max(Math.sqrt(daySd ** 2 + trialSd ** 2 / trials), resolution / Math.sqrt(12));
}
