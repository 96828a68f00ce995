import { normalDraw, seededRandom } from '../geometry/random';
import type { Observation } from './forecast';
import { gainedAfter, breakRule } from './gain';
import type { ForecastPrior } from './prior';

/** What a made-up person is really like. */
export type SimulatedTruth = Readonly<{
  start: number;
  gain: number;
  rate: number;
  /** Error of one measure, one sd. */
  sem: number;
  attendance: number;
  wanderPerWeek: number;
  /** After so many sessions nothing more comes. */
  gainStopsAt?: number;
  away?: Readonly<{ fromWeek: number; weeks: number }>;
}>;

export type SimulatedClient = Readonly<{
  observations: readonly Observation[];
  sessionWeeks: readonly number[];
  attended: number;
  missed: number;
  /** True level at the end of each week, from the start on. */
  levels: readonly number[];
}>;

/**
 * A made-up person lives through a plan: who comes, what it gives, what is measured.
 *
 * Model:  that of `forecast`, or one it does not expect (a gain that stops, weeks away). The same seed lives the same life.
 * Units:  those of the truth; higher is better. A measure at the start and every `measureEveryWeeks`.
 */
export function simulateClient(
  truth: SimulatedTruth,
  plan: Readonly<{ weeks: number; sessionsPerWeek: number; measureEveryWeeks: number }>,
  seed: number
): SimulatedClient {
  const random = seededRandom(seed);
  const measured = (value: number) => value + truth.sem * normalDraw(random);
  let level = truth.start;
  let gained = 0;
  let idle = 0;
  const observations: Observation[] = [{ session: 0, week: 0, value: measured(level) }];
  const sessionWeeks: number[] = [];
  const levels = [level];
  for (let week = 1; week <= plan.weeks; week++) {
    const { away } = truth;
    const isAway = away !== undefined && week > away.fromWeek && week <= away.fromWeek + away.weeks;
    let sessions = 0;
    for (let s = 0; s < plan.sessionsPerWeek; s++) {
      if (isAway || random() >= truth.attendance) continue;
      sessions++;
      sessionWeeks.push(week - 1 + (s + 1) / plan.sessionsPerWeek);
    }
    idle = sessions > 0 ? 0 : idle + 1;
    if (idle > breakRule.freeWeeks) gained *= 1 - breakRule.lostPerWeek;
    const counted = Math.max(0, Math.min(sessions, (truth.gainStopsAt ?? Infinity) - (sessionWeeks.length - sessions)));
    gained = gainedAfter(gained, truth.rate, counted);
    level += truth.wanderPerWeek * normalDraw(random);
    levels.push(level + truth.gain * gained);
    if (week % plan.measureEveryWeeks === 0)
      observations.push({ session: sessionWeeks.length, week, value: measured(levels.at(-1)!) });
  }
  const attended = sessionWeeks.length;
  return { observations, sessionWeeks, attended, missed: plan.weeks * plan.sessionsPerWeek - attended, levels };
}

/** A made-up person as the assumption of the forecast has them. */
export function drawTruth(prior: ForecastPrior, sem: number, seed: number): SimulatedTruth {
  const random = seededRandom(seed);
  const logNormal = ({ median, logSd }: ForecastPrior['gain']) => median * Math.exp(logSd * normalDraw(random));
  return {
    start: 90 + 20 * normalDraw(random),
    gain: random() < prior.noGainShare ? 0 : logNormal(prior.gain),
    rate: logNormal(prior.rate),
    sem,
    attendance: 0.4 + 0.6 * random(),
    wanderPerWeek: prior.wanderPerWeek
  };
}
