import { nearestDepthCm } from '../geometry/nearestDepth';
import { openingFromDepthDeg } from '../geometry/openingFromDepth';
import { isSignedDepth, measureOf } from '../measure/measures';
import { forecast, type Band, type Forecast, type ForecastAsk } from './forecast';
import { usualPrior, type ForecastPrior } from './prior';

export type HeadlineAsk = Readonly<{
  measureId: string;
  /** Legs of a split, the one in front first, cm. */
  legs: Readonly<{ leadLegCm: number; trailLegCm: number }>;
  /** The limb whose end a height is measured at, cm. */
  limbCm: number;
  /** Oldest first, all taken alike, in the unit of the measure; sessions and weeks from the first. */
  values: readonly Readonly<{ session: number; week: number; value: number; sd: number }>[];
  target: number | null;
}> &
  Pick<ForecastAsk, 'sessionsPerWeek' | 'attended' | 'missed' | 'weeks' | 'seed' | 'paths' | 'sessionWeeks' | 'now'>;

/** Whether a measure can be foretold: minutes, counts, levels and points have no known error to tell a gain from. */
export const isForetold = (measureId: string): boolean => ['°', 'cm'].includes(measureOf(measureId).unit);

/** Of the usual range of a measure at most this share is to be gained, in the middle of the assumption. */
const gainOfRange = 0.25;

/**
 * What is likely of the headline of a goal, in its own unit.
 *
 * Model:  `forecast` in degrees; the depth of a split as the opening it stands for, and back. Of other heights a degree is what it moves
 *         the end of the limb. A small range has a small gain: a quarter of the usual range at most is the middle of the assumption.
 * Throws: those of `forecast`; 'gap_exceeds_leg'.
 * Source: docs/sources.md#forecast
 */
export function headlineForecast({ measureId, legs, limbCm, values, target, ...ask }: HeadlineAsk): Forecast {
  const measure = measureOf(measureId);
  const rms = (sds: readonly number[]) => Math.sqrt(sds.reduce((sum, sd) => sum + sd ** 2, 0) / Math.max(1, sds.length));
  const neverReached = Infinity;
  if (!isSignedDepth(measure)) {
    const perDegree = measure.unit === 'cm' ? (limbCm * Math.PI) / 180 : 1;
    const told = forecast({
      ...ask,
      observations: values,
      sem: rms(values.map((v) => v.sd)),
      betterIs: measure.betterIs,
      goal: target ?? (measure.betterIs === 'higher' ? neverReached : -neverReached),
      prior: priorWithin(perDegree, measure.usual)
    });
    // No body goes beyond: a knee does not sink into the floor.
    const [least, most] = measure.possible;
    const within = (value: number) => Math.max(least, Math.min(most, value));
    return mapped(told, (b) => ({
      p05: within(b.p05),
      p25: within(b.p25),
      p50: within(b.p50),
      p75: within(b.p75),
      p95: within(b.p95)
    }));
  }
  const opening = (depthCm: number) => openingFromDepthDeg({ depthCm, ...legs });
  const depth = (openingDeg: number) => nearestDepthCm({ openingDeg: Math.max(0, openingDeg), ...legs });
  const highest = Math.min(legs.leadLegCm, legs.trailLegCm) - 0.1;
  const inside = (depthCm: number) => Math.max(0.1 - legs.leadLegCm, Math.min(highest, depthCm));
  const told = forecast({
    ...ask,
    observations: values.map((v) => ({ ...v, value: opening(inside(v.value)) })),
    sem: rms(values.map((v) => Math.abs(opening(inside(v.value + v.sd)) - opening(inside(v.value - v.sd))) / 2)),
    goal: target === null ? neverReached : opening(inside(target))
  });
  // The wider the lower: what is least likely to be passed stands last.
  return mapped(told, (b) => ({ p05: depth(b.p95), p25: depth(b.p75), p50: depth(b.p50), p75: depth(b.p25), p95: depth(b.p05) }));
}

/**
 * Returns the weekly gain that is expected of a headline in its first weeks, before anything is known of a person.
 *
 * Model:  the middle of the assumption of the forecast. Of a split a degree of opening moves both legs by half; what is no length and no
 *         angle gains a share of its usual range.
 * Units:  that of the measure, a week.
 * Source: docs/sources.md#forecast (assumption)
 */
export function expectedPerWeek({
  measureId,
  legs,
  limbCm,
  sessionsPerWeek
}: Pick<HeadlineAsk, 'measureId' | 'legs' | 'limbCm' | 'sessionsPerWeek'>): number {
  const measure = measureOf(measureId);
  const limb = isSignedDepth(measure) ? (legs.leadLegCm + legs.trailLegCm) / 4 : limbCm;
  const perDegree = measure.unit === 'cm' ? (limb * Math.PI) / 180 : measure.unit === '°' ? 1 : Infinity;
  const { gain, rate } = priorWithin(perDegree, measure.usual);
  return gain.median * rate.median * sessionsPerWeek;
}

const mapped = (told: Forecast, of: (b: Band) => Band): Forecast => ({
  ...told,
  now: of(told.now),
  weeks: told.weeks.map((w) => ({ ...w, ...of(w) }))
});

function priorWithin(perDegree: number, [least, most]: readonly [number, number]): ForecastPrior {
  const median = Math.min(usualPrior.gain.median * perDegree, gainOfRange * (most - least));
  return { ...usualPrior, gain: { ...usualPrior.gain, median }, wanderPerWeek: usualPrior.wanderPerWeek * perDegree };
}
