import { CoreError } from '../errors';
import type { BodyLengths } from '../geometry/bodyLengths';
import { propagate, type Propagated, type Uncertain } from '../geometry/propagate';
import { changeVerdict, type Change, type Occasion } from './changeVerdict';
import { z95 } from './mdc';
import type { Measure } from './measure';
import { occasionSd, type MeasuringError } from './occasionSd';
import { pooledSd } from './pooledSd';
import { wayOf, type Entries, type Lengths, type WayId } from './ways';

export type MeasureReading = Readonly<{
  value: number;
  values: readonly number[];
  trials: number;
  /** Spread of these trials; null for a single one. */
  spread: number | null;
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

const bare = (lengths: BodyLengths): Lengths => ({
  legCm: lengths.legCm.value,
  thighCm: lengths.thighCm.value,
  shankCm: lengths.shankCm.value,
  hipSpacingCm: lengths.hipSpacingCm.value,
  hipToSternumCm: lengths.hipToSternumCm.value
});

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
  const value = way.value(entries, bare(lengths), measure.limb);
  const [min, max] = measure.possible;
  if (!(value >= min && value <= max)) throw new CoreError('value_impossible', { value: Math.round(value * 10) / 10, min, max });
  return value;
}

/** The typical error of a measure taken one way: the measure's own figure where the trade knows one, else the way's. */
const typicalError = (measure: Measure, wayId: WayId) => {
  const way = wayOf(wayId);
  return way.error === null ? null : wayId === 'stack' ? way.error : (measure.error ?? way.error);
};

/** How far an opinion of a way's trial spread outweighs own trials, in degrees of freedom (assumption). */
const priorDf = 8;

/**
 * Error of a measure taken one way on one client: own trials replace the typical spread as they come.
 *
 * Model:  the spread of a written number, carried through the formula at the given entries, is the prior of the trial part;
 *         own trials are pooled with it. The day part stays typical.
 * Units:  those of the measure. Null where no error is known.
 */
export function measuringErrorOf(
  measure: Measure,
  wayId: WayId,
  at: Readonly<{ entries: Entries; lengths: BodyLengths }> | null,
  ownTrials: readonly (readonly number[])[],
  stackStepCm?: number
): MeasuringError | null {
  const typical = typicalError(measure, wayId);
  if (!typical) return null;
  const written = wayId === 'stack' && stackStepCm ? stackStepCm / 2 / Math.sqrt(3) : typical.trialSd;
  const trialSd = at ? entriesSd(measure, wayId, at.entries, at.lengths, written).sd : written;
  return { trialSd: pooledSd(ownTrials, { sd: trialSd, df: priorDf }), daySd: typical.daySd, resolution: typical.resolution };
}

/** What the error of the written numbers makes of the value; and the value itself. */
function entriesSd(measure: Measure, wayId: WayId, entries: Entries, lengths: BodyLengths, sd: number): Propagated {
  const way = wayOf(wayId);
  const ids = way.fields.map((f) => f.id).filter((id) => entries[id] !== undefined);
  return propagate(
    (values) => way.value(Object.fromEntries(ids.map((id, i) => [id, values[i]!])), bare(lengths), measure.limb),
    ids.map((id) => ({ value: entries[id]!, sd }))
  );
}

/** Error of the level that comes from the lengths of the body. */
function lengthsSd(measure: Measure, wayId: WayId, entries: Entries, lengths: BodyLengths): number {
  const way = wayOf(wayId);
  const used = way.uses(measure.limb);
  if (used.length === 0) return 0;
  const inputs: Uncertain[] = used.map((id) => lengths[id]);
  return propagate(
    (values) =>
      way.value(entries, { ...bare(lengths), ...Object.fromEntries(used.map((id, i) => [id, values[i]!])) }, measure.limb),
    inputs
  ).sd;
}

const meanEntries = (trials: readonly Entries[]): Entries => {
  const sums: Record<string, { sum: number; n: number }> = {};
  for (const entries of trials)
    for (const [id, value] of Object.entries(entries)) {
      const s = (sums[id] ??= { sum: 0, n: 0 });
      s.sum += value;
      s.n++;
    }
  return Object.fromEntries(Object.entries(sums).map(([id, { sum, n }]) => [id, sum / n]));
};

/**
 * What the trials of one occasion say: mean, spread, error, and whether it changed.
 *
 * Model:  the mean's error is that of the occasion (day and trials); the level carries the lengths of the body as well. A
 *         change is judged without them: it is the same body both times.
 * Units:  those of the measure.
 * Throws: CoreError 'no_trials'; those of `trialValue`.
 */
export function measureReading(ask: {
  readonly measure: Measure;
  readonly way: WayId;
  readonly trials: readonly Entries[];
  readonly lengths: BodyLengths;
  /** The last occasion of the same measure, side, mode, state, way and support. */
  readonly before: Occasion | null;
  readonly ownTrials?: readonly (readonly number[])[];
  readonly stackStepCm?: number;
}): MeasureReading {
  const { measure, way, trials, lengths, before } = ask;
  if (trials.length === 0) throw new CoreError('no_trials');
  const values = trials.map((entries) => trialValue(measure, way, entries, lengths));
  const n = values.length;
  const value = values.reduce((s, v) => s + v, 0) / n;
  const spread = n < 2 ? null : Math.sqrt(values.reduce((s, v) => s + (v - value) ** 2, 0) / (n - 1));
  const entries = meanEntries(trials);
  const error = measuringErrorOf(measure, way, { entries, lengths }, ask.ownTrials ?? [], ask.stackStepCm);
  const sd = error && occasionSd(n, error);
  const levelSd = sd === null ? null : Math.hypot(sd, lengthsSd(measure, way, entries, lengths));
  const [low, high] = measure.usual;
  return {
    value,
    values,
    trials: n,
    spread,
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
