import jstat from 'jstat';
import { quantileSorted } from 'simple-statistics';
import { CoreFault, requireRange } from '../errors';
import { normalDraw, seededRandom } from '../geometry/random';
import { breakRule, gainedAfter } from './gain';
import { posteriorOf, type Cell, type Seen } from './posterior';
import { usualPrior, type ForecastPrior } from './prior';

/** A measure, with the sessions completed and the weeks gone before it; without weeks, as many as the sessions take. */
export type Observation = Readonly<{ session: number; value: number; week?: number }>;

export type ForecastAsk = Readonly<{
  observations: readonly Observation[];
  /** Error of one observation, one sd, in its unit. */
  sem: number;
  sessionsPerWeek: number;
  /** Planned sessions that were done, and that were not. */
  attended: number;
  missed: number;
  /** Weeks ahead, 1 to 104. */
  weeks: number;
  goal: number;
  betterIs?: 'higher' | 'lower';
  prior?: ForecastPrior;
  seed: number;
  paths?: number;
  /** Week of each completed session; where absent they are spread evenly between the observations. */
  sessionWeeks?: readonly number[];
  /** Where the person stands today; where absent, at the last observation. */
  now?: Readonly<{ session: number; week: number }>;
}>;

export type Band = Readonly<{ p05: number; p25: number; p50: number; p75: number; p95: number }>;
export type ForecastWeek = Band & Readonly<{ week: number; reachedShare: number }>;
export type Forecast = Readonly<{
  weeks: readonly ForecastWeek[];
  /** How much of the answer is our starting assumption: 1 before anything was learnt, toward 0 as the person's own figures tell. */
  priorShare: number;
  now: Band;
}>;

/**
 * What is likely by when: the range week by week, and the share of likely futures in which the goal was reached by then.
 *
 * Model:  start + G·(1 − e^(−k·n)) over completed sessions, with a share of people who gain nothing, a level that wanders from week to
 *         week, a gain that comes to rest, weeks away, and a loss in breaks. What is known of gain and rate comes from a grid (`posteriorOf`);
 *         attendance is Beta-binomial. From each, so many futures are drawn with the seed. `priorShare`: sd of the gain ahead, over its sd if nothing had been measured.
 * Units:  those of the values, true levels and not single measures; degrees unless `prior` says otherwise.
 * Throws: CoreFault 'measure_missing' without observations; the range errors of weeks, sem, sessions a week.
 * Source: docs/sources.md#forecast
 */
export function forecast(ask: ForecastAsk): Forecast {
  const { weeks, goal, prior = usualPrior, paths = 2000, betterIs = 'higher' } = ask;
  if (ask.observations.length === 0) throw new CoreFault('measure_missing');
  requireRange('weeks', weeks, 1, 104);
  requireRange('sem', ask.sem, 1e-6, 1e6);
  const perWeek = Math.round(requireRange('sessions_per_week', ask.sessionsPerWeek, 0, 14));
  const sign = betterIs === 'higher' ? 1 : -1;

  const { seen, sessionWeeks, now } = course(ask, sign);
  const cells = posteriorOf(seen, ask.sem, prior, { sessionWeeks, now });
  const random = seededRandom(ask.seed);
  const attendances = likelyAttendances(prior, ask);
  const idleNow = now.session > 0 ? now.week - (sessionWeeks[now.session - 1] ?? 0) : now.week;

  // Week after week, all futures of one beside each other: that is how they are sorted.
  const values = Array.from({ length: weeks + 1 }, () => new Float64Array(paths));
  const reachedBy = new Array<number>(weeks + 1).fill(0);
  for (const [i, cell] of drawn(cells, paths, random).entries()) {
    const attendance = attendances[Math.floor(random() * attendances.length)]!;
    let level = cell.levelNow + cell.levelSd * normalDraw(random);
    let gained = cell.gainedNow;
    let idle = idleNow;
    let reached = false;
    let isAtRest = cell.isAtRest;
    let weeksAway = 0;
    values[0]![i] = sign * (level + cell.gain * gained);
    for (let week = 1; week <= weeks; week++) {
      let sessions = 0;
      if (weeksAway === 0 && random() < prior.away.perWeek) weeksAway = lengthAway(prior.away.weeks, random());
      for (let s = 0; s < perWeek && weeksAway === 0; s++) if (random() < attendance) sessions++;
      weeksAway = Math.max(0, weeksAway - 1);
      idle = sessions > 0 ? 0 : idle + 1;
      if (idle > breakRule.freeWeeks) gained *= 1 - breakRule.lostPerWeek;
      isAtRest ||= random() < prior.comesToRestPerWeek;
      if (!isAtRest) gained = gainedAfter(gained, cell.rate, sessions);
      level += prior.wanderPerWeek * normalDraw(random);
      const value = level + cell.gain * gained;
      reached ||= value >= sign * goal;
      values[week]![i] = sign * value;
      if (reached) reachedBy[week]!++;
    }
  }

  const bandAt = (week: number): Band => {
    const sorted = [...values[week]!.sort()];
    const at = (share: number) => quantileSorted(sorted, share);
    return { p05: at(0.05), p25: at(0.25), p50: at(0.5), p75: at(0.75), p95: at(0.95) };
  };
  return {
    weeks: Array.from({ length: weeks }, (_, i) => ({
      week: i + 1,
      ...bandAt(i + 1),
      reachedShare: reachedBy[i + 1]! / paths
    })),
    priorShare: priorShare(cells, weeks * perWeek * meanOf(attendances)),
    now: bandAt(0)
  };
}

/** Everything counted from the first observation on, higher is better. */
function course({ observations, sessionsPerWeek, sessionWeeks: known, now }: ForecastAsk, sign: number) {
  const weekOf = (o: Observation) => o.week ?? (sessionsPerWeek > 0 ? o.session / sessionsPerWeek : o.session);
  const ordered = observations.toSorted((a, b) => weekOf(a) - weekOf(b) || a.session - b.session);
  const firstWeek = weekOf(ordered[0]!);
  const seen = ordered.map((o): Seen => ({ session: o.session, week: weekOf(o) - firstWeek, value: sign * o.value }));
  const last = seen.at(-1)!;
  const today = now ? { session: now.session, week: Math.max(last.week, now.week - firstWeek) } : last;
  const sessionWeeks = known ? known.map((w) => w - firstWeek) : spread([...seen, today]);
  return { seen, sessionWeeks, now: { session: Math.min(today.session, sessionWeeks.length), week: today.week } };
}

/** Sessions between two moments, evenly. */
function spread(moments: readonly Readonly<{ session: number; week: number }>[]): number[] {
  const weeks: number[] = [];
  let before = { session: 0, week: 0 };
  for (const moment of moments) {
    const more = moment.session - weeks.length;
    for (let i = 1; i <= more; i++) weeks.push(before.week + ((moment.week - before.week) * i) / more);
    before = moment;
  }
  return weeks;
}

const lengthAway = ([least, most]: ForecastPrior['away']['weeks'], draw: number): number =>
  least + Math.floor(draw * (most - least + 1));

/** Likely shares of sessions attended, each as likely as the next. */
function likelyAttendances({ attendance }: ForecastPrior, { attended, missed }: ForecastAsk): number[] {
  const steps = 40;
  const [a, b] = [attendance.attended + Math.max(0, attended), attendance.missed + Math.max(0, missed)];
  return Array.from({ length: steps }, (_, i) => jstat.jStat.beta.inv((i + 0.5) / steps, a, b));
}

/** So many cells by their chance, spread evenly over it: fewer draws say as much. */
function drawn(cells: readonly Cell[], count: number, random: () => number): Cell[] {
  const picked: Cell[] = [];
  let upTo = 0;
  let next = random() / count;
  for (const cell of cells) {
    upTo += cell.chance;
    for (; next < upTo && picked.length < count; next += 1 / count) picked.push(cell);
  }
  while (picked.length < count) picked.push(cells.at(-1)!);
  return picked;
}

function priorShare(cells: readonly Cell[], sessionsAhead: number): number {
  const gainAhead = (c: Cell) => (c.isAtRest ? 0 : c.gain * (gainedAfter(c.gainedNow, c.rate, sessionsAhead) - c.gainedNow));
  const spreadBy = (chanceOf: (c: Cell) => number) => {
    let [mean, square] = [0, 0];
    for (const c of cells) {
      const gain = gainAhead(c);
      mean += gain * chanceOf(c);
      square += gain ** 2 * chanceOf(c);
    }
    return Math.sqrt(Math.max(0, square - mean ** 2));
  };
  const before = spreadBy((c) => c.priorChance);
  return before === 0 ? 1 : Math.min(1, spreadBy((c) => c.chance) / before);
}

const meanOf = (values: readonly number[]): number => values.reduce((sum, v) => sum + v, 0) / values.length;
