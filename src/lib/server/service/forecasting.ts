import { setImmediate as othersTurn } from 'node:timers/promises';
import type { Answered, Outlook } from '$lib/contract/forecast';
import type { Taken } from '$lib/contract/taken';
import {
  addDays,
  CoreError,
  daysBetween,
  headlineForecast,
  isForetold,
  likelyNext,
  mannKendall,
  measureOf,
  otherSide,
  expectedPerWeek,
  plateau,
  retestEveryDays,
  scored,
  sides,
  theilSen,
  type HeadlineAsk,
  type KeptBands,
  type Side
} from '$lib/core';
import type { ClientTx, Db } from '../db/db';
import {
  findForecastsToAnswer,
  listForecasts,
  upsertForecast,
  upsertScores,
  type KeptForecast,
  type ScoreCount
} from '../repo/forecastRepo';
import { isOpenForWork } from './checking';
import { legOf, lengthsOf, type GoalCase } from './clientCase';
import { perCase } from './perCase';
import { comparesKey, takenOf } from './taken';

/** Attendance is told from so many weeks back. */
const attendanceWeeks = 12;
/** A forecast looks at least so far, at most so far, weeks. */
const ahead = { least: 12, most: 52 } as const;
/** Before that a measure says little about what was foretold. */
const oldEnoughDays = 14;

/** Sides the headline of the goal is taken on. */
export const headlineSides = (c: GoalCase): (Side | null)[] =>
  measureOf(c.goal.headline).sides === 'each' ? [...sides] : [null];

/** The measures of a headline that can be held against each other: of those taken alike the most, the newest where as many. */
export function alikeSeries(c: GoalCase, side: Side | null, mode = measureOf(c.goal.headline).modes[0]!): Taken[] {
  const { id } = measureOf(c.goal.headline);
  const series = new Map<string, Taken[]>();
  for (const r of takenOf(c)) {
    if (r.measureId !== id || r.side !== side || r.mode !== mode) continue;
    const key = comparesKey(r, r.bodyState);
    series.set(key, [...(series.get(key) ?? []), r]);
  }
  return (
    [...series.values()].sort((a, b) => a.length - b.length || (a.at(-1)!.takenOn < b.at(-1)!.takenOn ? -1 : 1)).at(-1) ?? []
  );
}

const weeksBetween = (from: string, to: string): number => daysBetween(from, to) / 7;

/** Sessions that were done and that were due over the last weeks, whatever the plan. */
export function attendedLately(c: GoalCase, today: string, weeks = attendanceWeeks): { done: number; due: number } {
  const days = c.sessionDays;
  const begun = [c.plan?.startOn, days[0]].filter((d) => d !== undefined).toSorted()[0];
  if (begun === undefined || begun >= today) return { done: 0, due: 0 };
  const span = Math.min(weeks, weeksBetween(begun, today));
  const since = addDays(today, -Math.floor(span * 7));
  const done = days.filter((d) => d < today && d >= since).length;
  return { done, due: Math.max(done, Math.round(span * perWeekOf(c))) };
}

const perWeekOf = (c: GoalCase): number => c.plan?.sessionsPerWeek ?? c.client.sessionsPerWeek;

/** What the headline of the goal is foretold from on a day; null where it cannot be. */
/** Returns the lengths of the body that a forecast needs, and how often it is trained. */
function bodyAsk(c: GoalCase, side: Side | null, sessionsPerWeek = perWeekOf(c)) {
  const lead = side ?? 'left';
  const measure = measureOf(c.goal.headline);
  return {
    measureId: measure.id,
    legs: { leadLegCm: legOf(c.client, lead).value, trailLegCm: legOf(c.client, otherSide(lead)).value },
    limbCm: lengthsOf(c.client, side)[measure.limb].value,
    sessionsPerWeek
  };
}

export function forecastAsk(c: GoalCase, side: Side | null, today: string, perWeek = perWeekOf(c)): HeadlineAsk | null {
  const measure = measureOf(c.goal.headline);
  const values = alikeSeries(c, side).filter((r) => r.sd !== null && r.takenOn <= today);
  const [first] = values;
  if (!first || !isForetold(measure.id)) return null;
  const weekOf = (on: string) => weeksBetween(first.takenOn, on);
  const sessionDays = c.sessionDays.filter((d) => d >= first.takenOn && d <= today);
  // A measure comes before the work of its day.
  const sessionsBefore = (on: string) => sessionDays.filter((d) => d < on).length;
  const { done, due } = attendedLately(c, today);
  const toTarget = c.goal.targetOn ? Math.ceil(weeksBetween(today, c.goal.targetOn)) : 0;
  return {
    ...bodyAsk(c, side, perWeek),
    values: values.map((r) => ({ session: sessionsBefore(r.takenOn), week: weekOf(r.takenOn), value: r.value, sd: r.sd! })),
    target: c.goal.target,
    attended: done,
    missed: due - done,
    weeks: Math.min(ahead.most, Math.max(ahead.least, toTarget)),
    seed: c.goal.id * 2 + (side === 'right' ? 1 : 0),
    sessionWeeks: sessionDays.map(weekOf),
    now: { session: sessionDays.length, week: weekOf(today) }
  };
}

/** All that is told of where a goal is going, side by side. */
export const outlooksOf = (db: Db, c: GoalCase): Promise<Outlook[]> =>
  Promise.all(
    toldOf(c).map(async ({ told, alike }): Promise<Outlook> => ({ ...told, ...(await answersOf(db, c, told.side, alike)) }))
  );

/** What was foretold of the same state and way, held against the last measure: other ways are answered by measures of their own. */
async function answersOf(
  db: Db,
  c: GoalCase,
  side: Side | null,
  alike: readonly Taken[]
): Promise<Pick<Outlook, 'oldest' | 'lately'>> {
  const last = alike.findLast((r) => r.takenOn <= c.today);
  if (!last || last.sd === null) return { oldest: null, lately: null };
  const { value, sd } = last;
  const answer = (f: KeptForecast | null): Answered | null => {
    const weeks = f ? weeksBetween(f.madeOn, last.takenOn) : 0;
    const score = f && weeks > 0 ? scored(f.bands, weeks, value, sd) : null;
    return f && score && { madeOn: f.madeOn, value, ...score };
  };
  const takenAs = comparesKey(last, last.bodyState);
  const found = await findForecastsToAnswer(db, c.goal.id, { side, takenAs, upTo: addDays(last.takenOn, -oldEnoughDays) });
  return { oldest: answer(found.oldest), lately: answer(found.newest) };
}

type Told = Readonly<{ told: Omit<Outlook, 'oldest' | 'lately'>; alike: readonly Taken[] }>;

/** What the measures alone tell. */
const toldOf = perCase((c: GoalCase): Told[] => {
  const { betterIs } = measureOf(c.goal.headline);
  const { done, due } = attendedLately(c, c.today);
  const isOpen = isOpenForWork(c);
  return headlineSides(c).map((side): Told => {
    const series = alikeSeries(c, side);
    const [first] = series;
    // Who may not train has no gain ahead of them to be told of.
    const ask = isOpen ? forecastAsk(c, side, c.today) : null;
    const weekly = series.map((r) => ({ week: weeksBetween(first!.takenOn, r.takenOn), value: r.value, on: r.takenOn }));
    const told: Told['told'] = {
      side,
      ask,
      why: ask ? null : !isOpen ? 'closed' : series.length === 0 ? 'no measure' : 'not foretold',
      firstOn: first?.takenOn ?? null,
      takenAs: first ? { bodyState: first.bodyState, way: first.way, support: first.support } : null,
      trend: trendOf(weekly),
      next: isOpen && !ask ? nextOf(c, weekly) : null,
      plateau: plateau({ measures: weekly, betterIs, done, due, expectedPerWeek: expectedPerWeek(bodyAsk(c, side)) }),
      gains: gainsOf(c, side)
    };
    return { told, alike: series };
  });
});

function gainsOf(c: GoalCase, side: Side | null): Outlook['gains'] {
  const { modes } = measureOf(c.goal.headline);
  return modes.flatMap((mode) => {
    const series = alikeSeries(c, side, mode).filter((r) => r.sd !== null);
    const [first, last] = [series[0], series.at(-1)];
    if (!first || !last || first === last) return [];
    const { change, sinceOn } = last;
    if (!change || !sinceOn) return [];
    return [{ mode, from: change.before, to: last.value, fromOn: sinceOn, toOn: last.takenOn, word: change.verdict }];
  });
}

/** The next measure falls so many weeks after today: when it is due. */
const nextWeeks = retestEveryDays / 7;

function nextOf(c: GoalCase, weekly: readonly Readonly<{ week: number; value: number; on: string }>[]): Outlook['next'] {
  const { possible, unit } = measureOf(c.goal.headline);
  const last = weekly.at(-1);
  // Of yes and no there is nothing between.
  if (!last || unit === 'yes') return null;
  const x = last.week + weeksBetween(last.on, c.today) + nextWeeks;
  const range = likelyNext(
    weekly.map((m) => ({ x: m.week, y: m.value })),
    x,
    { resolution: 1, possible }
  );
  return range && { weeks: nextWeeks, ...range };
}

function trendOf(weekly: readonly Readonly<{ week: number; value: number }>[]): Outlook['trend'] {
  if (weekly.length < 3 || weekly[0]!.week === weekly.at(-1)!.week) return null;
  return {
    rate: theilSen(weekly.map((m) => ({ x: m.week, y: m.value }))),
    kendall: mannKendall(weekly.map((m) => m.value)),
    measures: weekly.length
  };
}

export type ScoreTotal = Omit<ScoreCount, 'clientId'> & Readonly<{ people: number }>;

/** The counts of single people, summed by kind of goal and weeks ahead. */
export function scoreTotals(counts: readonly ScoreCount[]): ScoreTotal[] {
  const totals = new Map<string, ScoreTotal>();
  for (const { kind, ahead, scores, held50, held90 } of counts) {
    const t = totals.get(`${kind}/${ahead}`) ?? { kind, ahead, scores: 0, held50: 0, held90: 0, people: 0 };
    totals.set(`${kind}/${ahead}`, {
      kind,
      ahead,
      scores: t.scores + scores,
      held50: t.held50 + held50,
      held90: t.held90 + held90,
      people: t.people + 1
    });
  }
  return [...totals.values()].toSorted((a, b) => a.kind.localeCompare(b.kind) || a.ahead.localeCompare(b.ahead));
}

type NewForecast = Parameters<typeof upsertForecast>[2];

/** Returns what is likely today, a forecast for each side. Others have their turn meanwhile. */
export async function forecastsOf(c: GoalCase, madeOn: string, perWeek = perWeekOf(c)): Promise<NewForecast[]> {
  const forecasts: NewForecast[] = [];
  for (const side of headlineSides(c)) {
    await othersTurn();
    const ask = forecastAsk(c, side, madeOn, perWeek);
    const newest = alikeSeries(c, side).findLast((r) => r.takenOn <= madeOn);
    if (!ask || !newest) continue;
    const told = foretold(ask);
    if (!told) continue;
    const { now, weeks, priorShare } = told;
    const bands: KeptBands = [{ week: 0, ...now }, ...weeks].map(({ week, p05, p25, p50, p75, p95 }) => ({
      week,
      p05,
      p25,
      p50,
      p75,
      p95
    }));
    const takenAs = comparesKey(newest, newest.bodyState);
    forecasts.push({ side, madeOn, takenAs, target: c.goal.target, bands, priorShare });
  }
  return forecasts;
}

/** Keeps forecasts of a goal, so that they can be held against what comes. */
export async function keepForecasts(tx: ClientTx, goalId: number, forecasts: readonly NewForecast[]): Promise<void> {
  for (const forecast of forecasts) await upsertForecast(tx, goalId, forecast);
}

/** Legs that were measured anew may no longer make what was measured: then nothing is foretold. */
function foretold(ask: HeadlineAsk) {
  try {
    return headlineForecast(ask);
  } catch (problem) {
    if (problem instanceof CoreError) return null;
    throw problem;
  }
}

/** Holds the forecasts made before an occasion against what it measured. */
export async function scoreForecasts(tx: ClientTx, c: GoalCase, occasionId: number): Promise<void> {
  const kept = await listForecasts(tx, c.goal.id);
  const measured = takenOf(c).filter((t) => t.occasionId === occasionId && t.measureId === c.goal.headline && t.sd !== null);
  const scores = measured.flatMap((r) =>
    kept
      .filter((f) => f.takenAs === comparesKey(r, r.bodyState) && f.madeOn < r.takenOn)
      .flatMap((f) => {
        const weeksAhead = weeksBetween(f.madeOn, r.takenOn);
        const score = scored(f.bands, weeksAhead, r.value, r.sd!);
        return score ? [{ forecastId: f.id, weeksAhead, within50: score.within50, within90: score.within90 }] : [];
      })
  );
  await upsertScores(tx, occasionId, [...new Map(scores.map((s) => [s.forecastId, s])).values()]);
}
