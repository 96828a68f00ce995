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
  /** Level today under this guess, and its sd. */
  levelNow: number;
  levelSd: number;
  /** Nothing more comes: the gain has come to rest already. */
  isAtRest: boolean;
}>;

/** A value so many sessions and weeks after the first one. */
export type Seen = Readonly<{ session: number; week: number; value: number }>;

const perAxis = 24;
/** Moments at which a gain may have come to rest, as shares of the sessions done (assumption). */
const restShares = [1 / 3, 2 / 3] as const;
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
 *         the wandering level is a covariance that grows with the weeks, and is carried on to today from what was seen. The error may be larger or
 *         smaller than is known of it, and the gain may have come to rest already: each is a guess like the others, weighed by the values.
 * Units:  `sem` one sd of a value; values higher is better; weeks from the first value.
 */
export function posteriorOf(seen: readonly Seen[], sem: number, prior: ForecastPrior, course: Course): readonly Cell[] {
  // Thousands of guesses: each is made once, and weighed in place.
  const guesses: Guess[] = [];
  for (const error of prior.errors) gatherGuesses(guesses, seen, { sem: sem * error.scale, share: error.chance }, prior, course);
  let most = -Infinity;
  for (const g of guesses) most = Math.max(most, g.logLikelihood);
  let total = 0;
  for (const g of guesses) total += g.chance = g.priorChance * Math.exp(g.logLikelihood - most);
  for (const g of guesses) g.chance /= total;
  return guesses;
}

/** When sessions were done, in weeks, and where the person stands today. */
type Course = Readonly<{ sessionWeeks: readonly number[]; now: Readonly<{ session: number; week: number }> }>;
type Guess = Omit<Cell, 'chance'> & { chance: number; logLikelihood: number };

/** Gathers every guess at gain, rate and rest, at one error of a value, which has its share of the chance. */
function gatherGuesses(
  guesses: Guess[],
  seen: readonly Seen[],
  { sem, share }: Readonly<{ sem: number; share: number }>,
  prior: ForecastPrior,
  { sessionWeeks, now }: Course
): void {
  const wander = prior.wanderPerWeek ** 2;
  const covariance = new Matrix(
    seen.map((a, i) => seen.map((b, j) => wander * Math.min(a.week, b.week) + (i === j ? sem ** 2 : 0)))
  );
  // Symmetric, and positive definite by the error of each value: of many values this takes far less than the general way.
  const factors = new CholeskyDecomposition(covariance);
  const weight = factors.solve(Matrix.eye(seen.length));
  const logDeterminant = 2 * sum(factors.lowerTriangularMatrix.diagonal().map(Math.log));
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
  const levelSd = Math.sqrt(Math.max(0, variance));
  const fit = (misfit: number): number => -(logDeterminant + Math.log(whole) + misfit) / 2;

  const values = Matrix.columnVector(seen.map((s) => s.value));
  const freeValues = free.mmul(values);
  const ofValues = values.dot(freeValues);
  const gains = gridOf(prior.gain);
  const rests = restsOf(now.session, sessionWeeks, prior.comesToRestPerWeek);
  for (const rate of gridOf(prior.rate))
    for (const rest of rests) {
      const shares = gainedShares(rate.value, sessionWeeks, [...seen, now], rest.after);
      const gainedNow = shares.pop()!;
      const curve = Matrix.columnVector(shares);
      const [cross, own] = [curve.dot(freeValues), curve.dot(free.mmul(curve))];
      const [levelOfValues, levelOfCurve] = [carried.dot(values), carried.dot(curve)];
      for (const gain of gains)
        guesses.push({
          gain: gain.value,
          rate: rate.value,
          gainedNow,
          levelNow: levelOfValues - gain.value * levelOfCurve,
          levelSd,
          isAtRest: rest.after !== null,
          chance: 0,
          priorChance: share * (1 - prior.noGainShare) * rate.share * gain.share * rest.chance,
          logLikelihood: fit(ofValues - 2 * gain.value * cross + gain.value ** 2 * own)
        });
    }
  guesses.push({
    gain: 0,
    rate: 0,
    gainedNow: 0,
    levelNow: carried.dot(values),
    levelSd,
    isAtRest: true,
    chance: 0,
    priorChance: share * prior.noGainShare,
    logLikelihood: fit(ofValues)
  });
}

/** Sessions after which a gain may have come to rest, and how likely each is before anything is seen; null: it has not. */
function restsOf(sessions: number, sessionWeeks: readonly number[], perWeek: number): { after: number | null; chance: number }[] {
  const moments = restShares.map((share) => Math.round(share * sessions)).filter((after) => after > 0 && after < sessions);
  const weeks = sessionWeeks[sessions - 1] ?? 0;
  const rested = moments.length > 0 ? 1 - (1 - perWeek) ** weeks : 0;
  return [{ after: null, chance: 1 - rested }, ...moments.map((after) => ({ after, chance: rested / moments.length }))];
}
