import type { BodyLengths } from '../geometry/bodyLengths';
import { propagate, type Propagated, type Uncertain } from '../geometry/propagate';
import type { Measure } from './measure';
import type { MeasuringError } from './occasionSd';
import { pooledSd } from './pooledSd';
import { retestSpread, type Retest } from './retestSpread';
import { bareLengths, wayOf, type Entries, type WayId } from './ways';
import { withinSquares } from './withinSubjectSd';

/** What is on record of one client, measure and way: it takes the place of the typical error as it comes. */
export type OwnRecord = Readonly<{
  /** Trials of each occasion. */
  trials: readonly (readonly number[])[];
  /** Days of each series that was taken alike. */
  retests: readonly (readonly Retest[])[];
}>;

export type LearntError = MeasuringError &
  Readonly<{
    resolution: number;
    /** How much of the two parts is still the usual figure, 0 to 1. */
    usualShare: Readonly<{ trial: number; day: number }>;
  }>;

/** How far the usual figure outweighs what is on record, in degrees of freedom (assumption). */
const priorDf = 8;

/** The typical error of a measure taken one way: the measure's own figure where the trade knows one, else the way's. */
const typicalError = (measure: Measure, wayId: WayId) => {
  const way = wayOf(wayId);
  return way.error === null ? null : wayId === 'stack' ? way.error : (measure.error ?? way.error);
};

/**
 * Error of a measure taken one way on one client: own trials and own retests replace the usual figures as they come.
 *
 * Model:  the spread of a written number, carried through the formula at the given entries, is the prior of the trial part; own trials are
 *         pooled with it. The day part starts from its typical figure, with which the spread of own retests, trend and trials taken out, is
 *         pooled in squares.
 * Units:  those of the measure. Null where no error is known.
 */
export function measuringErrorOf(
  measure: Measure,
  wayId: WayId,
  at: Readonly<{ entries: Entries; lengths: BodyLengths }>,
  own: OwnRecord,
  stackStepCm?: number
): LearntError | null {
  const typical = typicalError(measure, wayId);
  if (!typical) return null;
  const written = wayId === 'stack' && stackStepCm ? stackStepCm / 2 / Math.sqrt(3) : typical.trialSd;
  const usualTrialSd = entriesSd(measure, wayId, at.entries, at.lengths, written).sd;
  const trialSd = pooledSd(own.trials, { sd: usualTrialSd, df: priorDf });
  const days = retestSpread(own.retests, trialSd);
  const dayVariance = (priorDf * typical.daySd ** 2 + days.df * days.variance) / (priorDf + days.df);
  return {
    trialSd,
    daySd: Math.sqrt(Math.max(0, dayVariance)),
    resolution: typical.resolution,
    usualShare: {
      trial: priorDf / (priorDf + withinSquares(own.trials).df),
      day: priorDf / (priorDf + days.df)
    }
  };
}

/** What the error of the written numbers makes of the value; and the value itself. */
function entriesSd(measure: Measure, wayId: WayId, entries: Entries, lengths: BodyLengths, sd: number): Propagated {
  const way = wayOf(wayId);
  const ids = way.fields.map((f) => f.id).filter((id) => entries[id] !== undefined);
  const moved = (values: readonly number[]): Entries => ({
    ...entries,
    ...Object.fromEntries(ids.map((id, i) => [id, values[i]!]))
  });
  return propagate(
    (values) => way.value(moved(values), bareLengths(lengths), measure.limb),
    ids.map((id) => ({ value: entries[id]!, sd }))
  );
}

/** Error of the level that comes from the lengths of the body. */
export function lengthsSd(measure: Measure, wayId: WayId, entries: Entries, lengths: BodyLengths): number {
  const way = wayOf(wayId);
  const used = way.uses(measure.limb);
  if (used.length === 0) return 0;
  const inputs: Uncertain[] = used.map((id) => lengths[id]);
  return propagate(
    (values) =>
      way.value(entries, { ...bareLengths(lengths), ...Object.fromEntries(used.map((id, i) => [id, values[i]!])) }, measure.limb),
    inputs
  ).sd;
}
