import { z95 } from './mdc';
import { occasionSd, type MeasuringError } from './occasionSd';
import type { Occasion } from './changeVerdict';

export type Difference = Readonly<{
  difference: number;
  sd: number;
  /** What it must exceed: 1.96 sd. */ margin: number;
  exceedsError: boolean;
}>;

/**
 * Left less right, for the same measure in the same state.
 *
 * Model:  both sides are taken on one day, yet each carries its own day part: cautious, since the sides share only some of it.
 * Units:  those of the measure.
 */
export function sideDifference(left: Occasion, right: Occasion, error: MeasuringError): Difference {
  return differenceOf(left, right, error);
}

/**
 * Active less passive of the same joint, position and state: how far what is held trails what is reached.
 *
 * Units:  those of the measure; for a gap to the floor a positive number means that active trails.
 */
export function activeGap(active: Occasion, passive: Occasion, error: MeasuringError): Difference {
  return differenceOf(active, passive, error);
}

function differenceOf(a: Occasion, b: Occasion, error: MeasuringError): Difference {
  const difference = a.value - b.value;
  const sd = Math.hypot(occasionSd(a.trials, error), occasionSd(b.trials, error));
  return { difference, sd, margin: z95 * sd, exceedsError: Math.abs(difference) > z95 * sd };
}
