// Long because one program is one thing: its variables, what binds them, and how its answer is read.
import { CoreError } from '../errors';
import type { LinkId } from '../exercise/exercise';
import type { LinearSolver, SearchEnds } from '../linearProgram';
import type { Rungs } from '../recipe/fillRecipe';
import type { Allotment, Allotted } from './allotment';
import { stretchMost, type StretchMost } from '../safety/upperLimit';

/** One way of doing an exercise in a session. */
export type Way = Readonly<{
  light: boolean;
  short: boolean;
  /** Held and not pressed, whatever its school. */
  stretch?: boolean;
  /** Sessions in which it cannot be done this way, by their place in the week. */
  not?: readonly number[];
  /** Motions it works hard. */
  hard: readonly LinkId[];
  /** Seconds once it is done at all, and for each of its sets. */
  fixedS: number;
  setS: number;
  /** Minutes each set is worth for a motion, of either side. */
  doseMin: Readonly<Partial<Record<LinkId, number>>>;
  /** Minutes each set keeps a motion under stretch, of the side that gets more. */
  stretchMin?: Readonly<Partial<Record<LinkId, number>>>;
}>;

/** How often an exercise is wished. */
export const oftens = ['as it fits', 'each session', 'every other day', 'once a week'] as const;
export type Often = (typeof oftens)[number];

export type WeekItem = Readonly<{
  exerciseId: string;
  /** The first is the whole exercise, and worth most. */
  ways: readonly Way[];
  mostSets: number;
  /** Seconds of the set the weaker side gets more; null where it gets none. */
  extraS: number | null;
  /** Motions it opens by stretching, and those it works actively. */
  opens: readonly LinkId[];
  owns: readonly LinkId[];
  /** Props that have to be fetched for it. */
  props: number;
  /** How much more its place in a session and in the week is worth than that of another. @default 1 */
  favour?: number;
  often: Often;
  /** Sessions in which it has to be, by their place in the week, and those in which it must not. */
  pinned: readonly number[];
  banned: readonly number[];
}>;

export type WeekModel = Readonly<{
  items: readonly WeekItem[];
  /** Their day in the week from 0 on, and the seconds for exercises. */
  sessions: readonly Readonly<{ day: number; seconds: number }>[];
  /** What a minute for a motion is worth: 1 for the one that limits most. */
  priority: Readonly<Partial<Record<LinkId, number>>>;
  /** Motions the goal needs: each is worked in every week if it can be. */
  demands: readonly LinkId[];
  /** Sessions with hard work in a week, at most; null: as many as recovery allows. */
  hardSessions?: number | null;
  /** Stretch of a motion at most. @default stretchMost */
  mostOf?: (link: LinkId) => StretchMost;
  /** A session takes one of each ladder, but for those that were put into it. @default none */
  rungs?: readonly Rungs[];
}>;

/**
 * What a minute more for a motion is worth, of 1: the first two in a session in full, to the fourth half, beyond a tenth; the sum of a week in
 * full to five, half to ten, a sixth to fifteen, a fiftieth beyond.
 *
 * The shape is after a published review (weekly minutes matter, levelling off), the numbers are assumptions: docs/sources.md#planning
 */
export const doseSteps = {
  session: [
    { toMin: 2, share: 1 },
    { toMin: 4, share: 1 / 2 },
    { toMin: Infinity, share: 1 / 10 }
  ],
  week: [
    { toMin: 5, share: 1 },
    { toMin: 10, share: 1 / 2 },
    { toMin: 15, share: 1 / 6 },
    { toMin: Infinity, share: 1 / 50 }
  ]
} as const;

/** What a wish is worth, in minutes of the motion that limits most: the cheapest is given up first (assumption). */
export const wishWorth = { session: 0.6, item: 2, extra: 3, demand: 12, pairing: 20, pin: 60, anything: 100 } as const;
/** What it costs to begin another exercise and to fetch a prop, so that neither is done for nothing (assumption). */
const beginCost = { exercise: 0.03, prop: 0.02 } as const;
/** Sessions that are alike are told apart by a hair, else the search goes through every order of them. */
const laterCost = 0.001;

/** One percent from the best is near enough; whoever still searches after so many nodes, or so much work, takes the best that was found. */
export const usualEnds: SearchEnds = { gap: 0.01, nodes: 4000, work: 6_000_000 };

/**
 * One week: which exercise in which session with how many sets.
 *
 * Model:  integer program. The greatest sum of priority times benefit, concave in the minutes of a session and of the week, so that no motion
 *         takes all. Firm: the seconds of each session, one way of doing an exercise in it, no hard work for one motion on following days, also from
 *         the last day to the first of the next week, no more sessions with hard work than are wished, no motion stretched for longer than is let, of the
 *         rungs of a ladder no two in a session. Wishes are given up for what they are worth, least first: every exercise in each session, every
 *         exercise once, the set the weaker side gets more, every motion the goal needs, active work for what is opened, what was pinned, anything at all in each
 *         session.
 * Shape:  an allotment for each session; what is banned or had no time stands in it with 0 sets. `gap` is how far the week may be from the best there is, as a share.
 * Throws: CoreError 'not_solved' where the search ended with nothing in hand. No time at all gives empty sessions.
 */
export async function solveWeek(model: WeekModel, solve: LinearSolver, ends: SearchEnds = usualEnds): Promise<SolvedWeek> {
  if (model.items.length === 0) return { sessions: model.sessions.map(() => []), gap: 0 };
  if (holdsEverything(model))
    return { sessions: model.sessions.map((_, s) => model.items.map((item) => allOf(item, s))), gap: 0 };
  const found = await answered(programOf(model), model, solve, ends);
  // That each session holds something is wished for only where one was left empty: it makes the search twice as long.
  const isFilled = found.sessions.every((allotment, s) => usesIn(model, s).length === 0 || allotment.some((a) => a.sets > 0));
  return isFilled ? found : answered(programOf(model, fillSessions), model, solve, ends);
}

export type SolvedWeek = Readonly<{ sessions: readonly Allotment[]; gap: number }>;

/** A program solved, as what each session holds. */
async function answered(program: string, model: WeekModel, solve: LinearSolver, ends: SearchEnds): Promise<SolvedWeek> {
  const { status, values, gap } = await solve(program, ends);
  if (Object.keys(values).length === 0) throw new CoreError('not_solved', { status });
  const at = (name: string) => Math.round(values[name] ?? 0);
  const sessions = model.sessions.map((_, s) =>
    model.items.map((item, i): Allotted => {
      const w = item.ways.findIndex((_, k) => at(id('used', i, k, s)) === 1 && at(id('sets', i, k, s)) > 0);
      const way = item.ways[w];
      if (!way) return { exerciseId: item.exerciseId, sets: 0 };
      return {
        exerciseId: item.exerciseId,
        sets: at(id('sets', i, w, s)),
        ...(way.light && { light: true }),
        ...(way.short && { short: true }),
        ...(way.stretch && { stretch: true }),
        ...(at(id('extra', i, s)) === 1 && { extra: true })
      };
    })
  );
  return { sessions, gap };
}

/** Seconds that every set of everything takes. */
export const wholeSeconds = (items: readonly WeekItem[]): number =>
  items.reduce((sum, { ways, mostSets, extraS }) => sum + ways[0]!.fixedS + ways[0]!.setS * mostSets + (extraS ?? 0), 0);

const asUsual = (): StretchMost => stretchMost;

/** Whether nothing has to be chosen: every set of everything fits, and nothing stands against anything. More is never worth less. */
function holdsEverything({ items, sessions, hardSessions, mostOf = asUsual, rungs = [] }: WeekModel): boolean {
  if (hardSessions != null || rungs.length > 0 || items.some((i) => i.ways.some((w) => w.not))) return false;
  const isFree = ({ ways, often }: WeekItem) =>
    (often === 'as it fits' || often === 'each session') && ways.every((w) => w.hard.length === 0);
  const seconds = wholeSeconds(items);
  const isWithin = stretched({ items }).every((link) => {
    const min = items.reduce((all, { ways, mostSets }) => all + (ways[0]!.stretchMin?.[link] ?? 0) * mostSets, 0);
    const { sessionMin, weekMin } = mostOf(link);
    return min <= sessionMin && min * sessions.length <= weekMin;
  });
  const isApart = followingSessions(sessions.map((s) => s.day)).length === 0;
  return (
    isWithin &&
    sessions.every((s) => seconds <= s.seconds) &&
    (isApart ? items.every((i) => isFree({ ...i, ways: [] })) : items.every(isFree))
  );
}

const allOf = ({ exerciseId, mostSets, extraS, banned }: WeekItem, s: number): Allotted =>
  banned.includes(s) ? { exerciseId, sets: 0 } : { exerciseId, sets: mostSets, ...(extraS !== null && { extra: true }) };

const id = (kind: string, ...at: number[]): string => `${kind}_${at.join('_')}`;

type Term = readonly [factor: number, name: string];
const sum = (terms: readonly Term[]): string =>
  terms.map(([f, name]) => `${f < 0 ? '-' : '+'} ${Math.abs(f).toFixed(6)} ${name}`).join(' ');

/** Rows, bounds and objective as they gather. */
class Program {
  readonly objective: Term[] = [];
  readonly rows: string[] = [];
  readonly bounds: string[] = [];
  readonly integers: string[] = [];
  readonly binaries: string[] = [];

  row(terms: readonly Term[], is: '<=' | '>=' | '=', to: number): void {
    if (terms.length > 0) this.rows.push(` r${this.rows.length}: ${sum(terms)} ${is} ${to}`);
  }

  get text(): string {
    const section = (name: string, lines: readonly string[]) => (lines.length > 0 ? [name, ...lines] : []);
    return [
      'Maximize',
      ` obj: ${sum(this.objective)}`,
      'Subject To',
      ...this.rows,
      ...section('Bounds', this.bounds),
      ...section('General', [` ${this.integers.join(' ')}`]),
      ...section('Binary', [` ${this.binaries.join(' ')}`]),
      'End'
    ].join('\n');
  }
}

/** The program as text. Names: sets_item_way_session, used_…, extra_item_session; the others only bind those. */
function programOf(model: WeekModel, also: (p: Program, model: WeekModel) => void = () => undefined): string {
  const p = new Program();
  placeItems(p, model);
  keepHardApart(p, model);
  keepHardFew(p, model);
  capStretch(p, model);
  takeTurns(p, model);
  countBenefit(p, model);
  wishFor(p, model);
  also(p, model);
  return p.text;
}

/** Every way in which an item may be used in a session: its place among the items and ways. */
const usesIn = ({ items }: WeekModel, s: number) =>
  items.flatMap((item, i) => waysIn(item, s).map(({ way, w }) => ({ item, i, way, w })));
const waysIn = ({ ways, banned }: WeekItem, s: number) =>
  banned.includes(s) ? [] : ways.flatMap((way, w) => (way.not?.includes(s) ? [] : [{ way, w }]));
const usedTerms = (item: WeekItem, i: number, s: number): Term[] => waysIn(item, s).map(({ w }) => [1, id('used', i, w, s)]);

function placeItems(p: Program, model: WeekModel): void {
  for (const [s, session] of model.sessions.entries()) {
    const seconds: Term[] = [];
    for (const { item, i, way, w } of usesIn(model, s)) {
      const [sets, used] = [id('sets', i, w, s), id('used', i, w, s)];
      p.integers.push(sets);
      p.binaries.push(used);
      // What is cut short is done once: the time for more sets is better given back to the first.
      const most = way.short ? 1 : item.mostSets;
      p.bounds.push(` 0 <= ${sets} <= ${most}`);
      p.row([[1, sets], [-most, used]], '<=', 0); // prettier-ignore
      p.row([[1, sets], [-1, used]], '>=', 0); // prettier-ignore
      p.objective.push([
        wishWorth.session * (item.favour ?? 1) - beginCost.exercise - beginCost.prop * item.props - laterCost * s,
        used
      ]);
      seconds.push([way.setS, sets], [way.fixedS, used]);
    }
    for (const [i, item] of model.items.entries()) {
      const used = usedTerms(item, i, s);
      p.row(used, '<=', 1);
      if (item.extraS === null || used.length === 0) continue;
      const extra = id('extra', i, s);
      p.binaries.push(extra);
      p.row([[1, extra], ...used.map(([f, name]): Term => [-f, name])], '<=', 0);
      p.objective.push([wishWorth.extra, extra]);
      seconds.push([item.extraS, extra]);
    }
    p.row(seconds, '<=', session.seconds);
  }
}

/** Pairs of sessions on following days, by their place; the last may be the day before the first of the next week. */
export function followingSessions(days: readonly number[]): (readonly [number, number])[] {
  return days.flatMap((day, s) =>
    days.flatMap((next, t) => (t !== s && (next === day + 1 || next + 7 === day + 1) ? [[s, t] as const] : []))
  );
}

function keepHardApart(p: Program, model: WeekModel): void {
  const following = followingSessions(model.sessions.map((s) => s.day));
  const links = new Set(model.items.flatMap((item) => item.ways.flatMap((w) => w.hard)));
  for (const [l, link] of [...links].entries()) {
    const hard = (s: number) => id('hard', l, s);
    for (const s of new Set(following.flat()))
      for (const { i, way, w } of usesIn(model, s))
        if (way.hard.includes(link)) p.row([[1, hard(s)], [-1, id('used', i, w, s)]], '>=', 0); // prettier-ignore
    for (const [s, t] of following) p.row([[1, hard(s)], [1, hard(t)]], '<=', 1); // prettier-ignore
  }
  for (const [i, item] of model.items.entries())
    if (item.often === 'every other day')
      for (const [s, t] of following) p.row([...usedTerms(item, i, s), ...usedTerms(item, i, t)], '<=', 1);
}

/** A week has no more sessions with hard work than are wished. */
function keepHardFew(p: Program, model: WeekModel): void {
  const most = model.hardSessions;
  if (most == null) return;
  const isHard = (s: number) => id('strained', s);
  for (const s of model.sessions.keys()) {
    p.binaries.push(isHard(s));
    for (const { i, way, w } of usesIn(model, s))
      if (way.hard.length > 0) p.row([[1, isHard(s)], [-1, id('used', i, w, s)]], '>=', 0); // prettier-ignore
  }
  p.row([...model.sessions.keys()].map((s): Term => [1, isHard(s)]), '<=', most); // prettier-ignore
}

/** No two rungs of a ladder in one session; what somebody put into it is theirs to decide. */
function takeTurns(p: Program, { items, sessions, rungs = [] }: WeekModel): void {
  for (const ladder of rungs)
    for (const s of sessions.keys()) {
      const onLadder = items.flatMap((item, i) => (ladder.includes(item.exerciseId) ? [{ item, i }] : []));
      const free = onLadder.filter(({ item }) => item.often !== 'each session' && !item.pinned.includes(s));
      const left = onLadder.length > free.length ? 0 : 1;
      p.row(free.flatMap(({ item, i }) => usedTerms(item, i, s)), '<=', left); // prettier-ignore
    }
}

/** No motion is stretched for longer than is let, in a session and in the week. */
function capStretch(p: Program, model: WeekModel): void {
  for (const link of stretched(model)) {
    const { sessionMin, weekMin } = (model.mostOf ?? asUsual)(link);
    const sessions = [...model.sessions.keys()].map((s) =>
      usesIn(model, s).flatMap(({ i, way, w }): Term[] => {
        const min = way.stretchMin?.[link];
        return min ? [[min, id('sets', i, w, s)]] : [];
      })
    );
    // One set of what somebody made longer than that is theirs to decide.
    const longest = Math.max(...sessions.flat().map(([min]) => min));
    for (const terms of sessions) p.row(terms, '<=', Math.max(sessionMin, longest));
    p.row(sessions.flat(), '<=', weekMin);
  }
}

/** Every motion that something of the week stretches. */
const stretched = ({ items }: Pick<WeekModel, 'items'>): LinkId[] => [
  ...new Set(items.flatMap((item) => item.ways.flatMap((way) => Object.keys(way.stretchMin ?? {}) as LinkId[])))
];

function countBenefit(p: Program, model: WeekModel): void {
  for (const [l, [link, priority]] of Object.entries(model.priority).entries()) {
    const ofWeek: Term[] = [];
    for (const s of model.sessions.keys()) {
      const dose = usesIn(model, s).flatMap(({ i, way, w }): Term[] => {
        const min = way.doseMin[link as LinkId];
        return min ? [[min, id('sets', i, w, s)]] : [];
      });
      if (dose.length === 0) continue;
      const steps = doseSteps.session.map(({ share }, k): Term => [share, id('minutes', l, s, k)]);
      p.row([...dose, ...steps.map(([, name]): Term => [-1, name])], '=', 0);
      boundSteps(p, doseSteps.session, (k) => id('minutes', l, s, k));
      ofWeek.push(...steps);
    }
    if (ofWeek.length === 0) continue;
    p.row([...ofWeek, ...doseSteps.week.map((_, k): Term => [-1, id('weekly', l, k)])], '=', 0);
    boundSteps(p, doseSteps.week, (k) => id('weekly', l, k));
    p.objective.push(...doseSteps.week.map(({ share }, k): Term => [priority * share, id('weekly', l, k)]));
  }
}

/** A concave sum fills its steps by itself, the dearest first: each needs no more than its width. */
function boundSteps(p: Program, steps: readonly Readonly<{ toMin: number }>[], name: (k: number) => string): void {
  for (const [k, { toMin }] of steps.entries())
    if (toMin < Infinity) p.bounds.push(` 0 <= ${name(k)} <= ${toMin - (steps[k - 1]?.toMin ?? 0)}`);
}

/** A wish that may be missed: `missing` is 1 where it is. */
function wishIn(p: Program, terms: readonly Term[], missing: string, worth: number): void {
  if (terms.length === 0) return;
  p.row([...terms, [1, missing]], '>=', 1);
  p.objective.push([-worth, missing]);
}

function fillSessions(p: Program, model: WeekModel): void {
  for (const s of model.sessions.keys()) {
    const used = usesIn(model, s).map(({ i, w }): Term => [1, id('used', i, w, s)]);
    wishIn(p, used, id('empty', s), wishWorth.anything);
  }
}

function wishFor(p: Program, model: WeekModel): void {
  const anywhere = (of: (item: WeekItem) => boolean): Term[] =>
    model.items.flatMap((item, i) => (of(item) ? model.sessions.flatMap((_, s) => usedTerms(item, i, s)) : []));
  const wish = (terms: readonly Term[], missing: string, worth: number) => wishIn(p, terms, missing, worth);
  for (const [i, item] of model.items.entries()) {
    const once = anywhere((other) => other === item);
    wish(once, id('without', i), wishWorth.item * (item.favour ?? 1));
    if (item.often === 'once a week') p.row(once, '<=', 1);
    const pinned = item.often === 'each session' ? [...model.sessions.keys()] : item.pinned;
    for (const s of pinned) wish(usedTerms(item, i, s), id('unpinned', i, s), wishWorth.pin);
  }
  for (const [l, link] of model.demands.entries())
    wish(
      anywhere(({ opens, owns }) => opens.includes(link) || owns.includes(link)),
      id('unworked', l),
      wishWorth.demand
    );
  for (const [l, link] of [...new Set(model.items.flatMap((item) => item.opens))].entries()) {
    const owned = anywhere((item) => item.owns.includes(link));
    // What nobody could own cannot be paired.
    if (owned.length === 0) continue;
    const unpaired = id('unpaired', l);
    for (const [, opened] of anywhere((item) => item.opens.includes(link) && !item.owns.includes(link)))
      p.row([...owned, [1, unpaired], [-1, opened]], '>=', 0);
    p.objective.push([-wishWorth.pairing, unpaired]);
  }
}
