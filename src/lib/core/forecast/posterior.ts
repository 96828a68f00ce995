import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { sum } from 'simple-statistics';
import { gainedShares } from './gain';
import type { ForecastPrior } from './prior';

/** One guess at a person: the whole gain, the rate a session, and how likely it is. */
export type Cell = Readonly<{
  gain: number;
  rate: number;
  chance: number;
  priorChance: number;
  gainedNow: number;
  levelNow: number;
}>;
export type Posterior = Readonly<{ cells: readonly Cell[]; levelSd: number }>;

/** A value so many sessions and weeks after the first one. */
export type Seen = Readonly<{ session: number; week: number; value: number }>;

const perAxis = 50;
const reach = 3; // of the log-normal's sd, both ways

/** Points of a log-normal over an even grid of its logarithm, with their shares. */
function gridOf({ median, logSd }: ForecastPrior['gain']): { value: number; share: number }[] {
  const z = Array.from({ length: perAxis }, (_, i) => -reach + (2 * reach * i) / (perAxis - 1));
  const density = z.map((v) => Math.exp(-(v ** 2) / 2));
  return z.map((v, i) => ({ value: median * Math.exp(logSd * v), share: density[i]! / sum(density) }));
}

/**
 * What the values say about gain and rate, cell by cell of a grid, and where the person's level stands now under each.
 *
 * Model:  value = start + gain·share(rate) + a level that wanders + an error; the start is integrated out with nothing assumed of it,
 *         the wandering level is a covariance that grows with the weeks, and is carried on to today from what was seen.
 * Units:  `sem` one sd of a value; values higher is better; weeks from the first value.
 */
export function posteriorOf(
  seen: readonly Seen[],
  sem: number,
  prior: ForecastPrior,
  sessionWeeks: readonly number[],
  now: Readonly<{ session: number; week: number }>
): Posterior {
  const wander = prior.wanderPerWeek ** 2;
  const covariance = new Matrix(
    seen.map((a, i) => seen.map((b, j) => wander * Math.min(a.week, b.week) + (i === j ? sem ** 2 : 0)))
  );
  // Symmetric, and positive definite by the error of each value: of many values this takes far less than the general way.
  const weight = new CholeskyDecomposition(covariance).solve(Matrix.eye(seen.length));
  const ones = Matrix.ones(seen.length, 1);
  const ofOnes = weight.mmul(ones);
  const whole = ones.dot(ofOnes);
  // What is left of the weight once the start may be anything.
  const free = Matrix.sub(weight, ofOnes.mmul(ofOnes.transpose()).div(whole));

  // The level today from what is left of each value: by the start that fits best, and the wander since.
  const shared = Matrix.columnVector(seen.map((s) => wander * Math.min(s.week, now.week)));
  const ofShared = weight.mmul(shared);
  const unexplained = 1 - ones.dot(ofShared);
  const carried = Matrix.add(ofShared, ofOnes.clone().mul(unexplained / whole));
  const variance = wander * now.week - shared.dot(ofShared) + unexplained ** 2 / whole;

  const values = Matrix.columnVector(seen.map((s) => s.value));
  const freeValues = free.mmul(values);
  const ofValues = values.dot(freeValues);
  const gains = gridOf(prior.gain);
  const cells = gridOf(prior.rate).flatMap((rate) => {
    const shares = gainedShares(rate.value, sessionWeeks, [...seen, now]);
    const gainedNow = shares.pop()!;
    const curve = Matrix.columnVector(shares);
    const [cross, own] = [curve.dot(freeValues), curve.dot(free.mmul(curve))];
    const [levelOfValues, levelOfCurve] = [carried.dot(values), carried.dot(curve)];
    return gains.map((gain) => ({
      gain: gain.value,
      rate: rate.value,
      gainedNow,
      levelNow: levelOfValues - gain.value * levelOfCurve,
      priorChance: (1 - prior.noGainShare) * rate.share * gain.share,
      misfit: ofValues - 2 * gain.value * cross + gain.value ** 2 * own
    }));
  });
  const none = {
    gain: 0,
    rate: 0,
    gainedNow: 0,
    levelNow: carried.dot(values),
    priorChance: prior.noGainShare,
    misfit: ofValues
  };
  const all = [...cells, none];
  const least = all.reduce((low, c) => Math.min(low, c.misfit), Infinity);
  const weighed = all.map((c) => c.priorChance * Math.exp((least - c.misfit) / 2));
  const total = sum(weighed);
  return {
    cells: all.map(({ misfit: _, ...c }, i) => ({ ...c, chance: weighed[i]! / total })),
    levelSd: Math.sqrt(Math.max(0, variance))
  };
}
