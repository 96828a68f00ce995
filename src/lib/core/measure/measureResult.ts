import { mean, sampleStandardDeviation } from 'simple-statistics';
import { CoreError, CoreFault } from '../errors';
import type { BodyLengths } from '../geometry/bodyLengths';
import { changeVerdict, type Change, type Occasion } from './changeVerdict';
import { z95 } from './mdc';
import type { Measure } from './measure';
import { lengthsSd, measuringErrorOf, type LearntError, type OwnRecord } from './measuringError';
import { occasionSd } from './occasionSd';
import { bareLengths, pastEntry, wayOf, type Entries, type WayId } from './ways';

export type MeasureResult = Readonly<{
  value: number;
  values: readonly number[];
  trials: number;
  /** Spread of these trials; null for a single one. */
  spread: number | null;
  /** Error of the measure as it is taken here, and how much of it is learnt; null where none is known. */
  error: LearntError | null;
  /** Error of the occasion for a comparison on the same body; null where no error is known. */
  sd: number | null;
  /** Error of the level: with that of the lengths of the body. */
  levelSd: number | null;
  /** Half-width of the 95 % interval of the level. */
  margin: number | null;
  change: Change | null;
  /** A value that is possible and yet unusual: kept and marked. */
  doubtful: boolean;
}>;

/**
 * The value of one trial, from what was written down.
 *
 * Units:  those of the measure.
 * Throws: CoreError 'entry_missing'; 'value_impossible' with the range when no body goes there; those of the formula.
 */
export function trialValue(measure: Measure, wayId: WayId, entries: Entries, lengths: BodyLengths): number {
  const way = wayOf(wayId);
  for (const field of way.fields)
    if (!field.optional && !Number.isFinite(entries[field.id])) throw new CoreError('entry_missing', { field: field.id });
  const value = way.value(entries, bareLengths(lengths), measure.limb);
  const [min, max] = measure.possible;
  if (!(value >= min && value <= max)) throw new CoreError('value_impossible', { value: Math.round(value * 10) / 10, min, max });
  return value;
}

/** Returns the value beyond which this way asks whether the limb has passed it; null where no body goes there, or nothing folds back. */
export function foldOf(measure: Measure, wayId: WayId): number | null {
  const { foldDeg } = wayOf(wayId);
  return foldDeg !== undefined && measure.possible[1] > foldDeg ? foldDeg : null;
}

const nothingOnRecord: OwnRecord = { trials: [], retests: [] };

const meanEntries = (trials: readonly Entries[]): Entries => {
  const ids = [...new Set(trials.flatMap((entries) => Object.keys(entries)))];
  // Where it is not said that the limb is past the fold, it is not.
  const means = ids.map((id) => [id, mean(trials.flatMap((entries) => entries[id] ?? (id === pastEntry ? 0 : [])))]);
  return Object.fromEntries(means);
};

/**
 * What the trials of one occasion say: mean, spread, error, and whether it changed.
 *
 * Model:  the mean's error is that of the occasion (day and trials); the level carries the lengths of the body as well. A
 *         change is judged without them: it is the same body both times.
 * Units:  those of the measure.
 * Throws: CoreFault 'no_trials'; those of `trialValue`.
 */
export function measureResult(ask: {
  readonly measure: Measure;
  readonly way: WayId;
  readonly trials: readonly Entries[];
  readonly lengths: BodyLengths;
  /** The last occasion of the same measure, side, mode, state, way and support. */
  readonly before: Occasion | null;
  readonly own?: OwnRecord;
  readonly stackStepCm?: number;
}): MeasureResult {
  const { measure, way, trials, lengths, before } = ask;
  if (trials.length === 0) throw new CoreFault('no_trials');
  const values = trials.map((entries) => trialValue(measure, way, entries, lengths));
  const n = values.length;
  const value = mean(values);
  const spread = n < 2 ? null : sampleStandardDeviation(values);
  const entries = meanEntries(trials);
  const error = measuringErrorOf(measure, way, { entries, lengths }, ask.own ?? nothingOnRecord, ask.stackStepCm);
  const sd = error && occasionSd(n, error);
  const levelSd = sd === null ? null : Math.hypot(sd, lengthsSd(measure, way, entries, lengths));
  const [low, high] = measure.usual;
  return {
    value,
    values,
    trials: n,
    spread,
    error,
    sd,
    levelSd,
    margin: levelSd === null ? null : z95 * levelSd,
    change: error && before && changeVerdict({ before, after: { value, trials: n }, betterIs: measure.betterIs, ...error }),
    doubtful: value < low || value > high
  };
}

/** Where two sides were written into each other's place, as it looks from the last occasion. */
export function looksSwapped(
  now: Readonly<{ left: number; right: number }>,
  before: Readonly<{ left: number; right: number }>,
  sd: number
): boolean {
  const asWritten = Math.hypot(now.left - before.left, now.right - before.right);
  const swapped = Math.hypot(now.right - before.left, now.left - before.right);
  // As written both sides are off by more than their errors; the other way round they fit by far better.
  return asWritten > z95 * 2 * sd && swapped <= asWritten / 3;
}
