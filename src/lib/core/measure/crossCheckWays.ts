import { mean } from 'simple-statistics';
import type { BodyLengthId, BodyLengths } from '../geometry/bodyLengths';
import { crossCheck, type CrossCheck } from './crossCheck';
import type { Uncertain } from '../geometry/propagate';
import type { Measure } from './measure';
import { bareLengths, pastEntry, wayOf, type Entries, type WayId } from './ways';

export type WayTrials = Readonly<{ way: WayId; trials: readonly Entries[] }>;

/**
 * The same angle taken two ways on one occasion: whether they agree.
 *
 * Model:  the mean of each way's written numbers with the error of its trials; lengths of the body that both use are shared.
 *         The day's own error is in both alike and drops out.
 * Units:  degrees. Null for a measure that is no angle, or a way without a known error.
 */
export function crossCheckWays(measure: Measure, a: WayTrials, b: WayTrials, lengths: BodyLengths): CrossCheck | null {
  if (measure.unit !== '°') return null;
  const [f, g] = [wayOf(a.way), wayOf(b.way)];
  if (!f.error || !g.error || a.trials.length === 0 || b.trials.length === 0) return null;
  const used = [...new Set<BodyLengthId>([...f.uses(measure.limb), ...g.uses(measure.limb)])];
  const idsOf = ({ way, trials }: WayTrials) =>
    wayOf(way)
      .fields.map((x) => x.id)
      .filter((id) => trials.every((t) => t[id] !== undefined));
  const ownOf = (w: WayTrials): Uncertain[] =>
    idsOf(w).map((id) => ({
      value: mean(w.trials.map((t) => t[id]!)),
      sd: wayOf(w.way).error!.trialSd / Math.sqrt(w.trials.length)
    }));
  const formula = (w: WayTrials) => (shared: readonly number[], own: readonly number[]) => {
    const body = { ...bareLengths(lengths), ...Object.fromEntries(used.map((id, i) => [id, shared[i]!])) };
    const seen = { [pastEntry]: mean(w.trials.map((t) => t[pastEntry] ?? 0)) };
    return wayOf(w.way).value({ ...seen, ...Object.fromEntries(idsOf(w).map((id, i) => [id, own[i]!])) }, body, measure.limb);
  };
  return crossCheck(
    formula(a),
    formula(b),
    used.map((id) => lengths[id]),
    { f: ownOf(a), g: ownOf(b) }
  );
}
