import { addDays, daysBetween, weekdayOf } from '../days';
import { CoreError, requireRange } from '../errors';
import type { SessionOptions } from '../session/compileSession';
import type { Cut } from '../session/fitToMinutes';
import type { Block } from '../session/block';
import { partOf, type LinkId } from '../exercise/exercise';
import type { LinearSolver } from '../linearProgram';
import { rehearsalAllotment, type Allotment } from './allotment';
import { sessionComposer } from './fittedSession';
import { isHard } from './hardWork';
import type { LeftOut } from './leftOut';
import { isEasyWeek, isRetestWeek, phasesJoined, weekAmount, type PlanPhase } from './phases';
import { noWishes, planWeek, type WeekAsk, type WeekWishes } from './planWeek';
import type { SolvedWeek } from './weekProgram';
import { plainSlot, themesOf, type Place, type SessionSlot, type SessionWish } from './sessionSlot';

export type PlanSession = Readonly<{
  week: number;
  /** Its number among those wished of the week: one that falls out leaves its number free. */
  ordinal: number;
  /** Proposed day; what happens follows the person, not the date. */
  on: string;
  place: Place;
  /** By the clock on the wall, where this session has a time of its own. */
  beginsAt: string | null;
  /** The one motion it is about; null: about all. */
  theme: LinkId | null;
  /** No hard work in it, though there is some in its week. */
  light: boolean;
  /** How much of each exercise it holds. */
  allotment: Allotment;
  blocks: readonly Block[];
  durationS: number;
  cuts: readonly Cut[];
  /** How its sets follow each other, where that was arranged. */
  options?: SessionOptions;
  leftOut: readonly LeftOut[];
}>;

export type PlanWeek = Readonly<{
  week: number;
  phase: PlanPhase;
  easy: boolean;
  retest: boolean;
  sessions: readonly PlanSession[];
}>;
/** `gap`: how far the week of a phase may be from the best there is, at most, as a share. */
export type Progression = Readonly<{ weeks: readonly PlanWeek[]; gap: number }>;

/** What is wished of every week of a plan, besides how long and how often. */
export type PlanWishes = WeekWishes &
  Readonly<{
    /** Days of the week on which there are sessions, Monday 1 to Sunday 7; spread evenly where none are named. */
    weekdays: readonly number[];
    /** Weeks that are easy in place of every fourth. */
    easyWeeks: readonly number[] | null;
    /** Days on which there is no time: a session on one goes to the nearest free day of its week. */
    busyOn: readonly string[];
    /** When sessions begin, by the clock on the wall: '18:00'. */
    beginsAt: string | null;
    /** What is wished of single sessions of every week, by their number. */
    sessions: Readonly<Record<string, SessionWish>>;
    /** Each session is about one motion; they take turns, from week to week too. */
    themes: boolean;
    /** Goals of the same person that the plan serves besides its own. */
    also: readonly AlsoServed[];
    /** The week of a running plan in which this person joined it. */
    joinedInWeek: number | null;
  }>;

/** How much the minutes for another goal count beside those for the goal in work. */
export const goalWeights = ['as much', 'half as much'] as const;
export type AlsoServed = Readonly<{ goalId: number; weight: (typeof goalWeights)[number] }>;

export const noPlanWishes: PlanWishes = {
  ...noWishes,
  weekdays: [],
  easyWeeks: null,
  busyOn: [],
  beginsAt: null,
  sessions: {},
  themes: false,
  also: [],
  joinedInWeek: null
};

export type PlanAsk = Omit<WeekAsk, 'phase' | 'slots' | 'wishes'> &
  Readonly<{
    weeks: number;
    sessionsPerWeek: number;
    start: string;
    /** Date of the goal, where it has one. */
    target: string | null;
    /** A baseline of the headline on both sides is required. */
    hasBaseline: boolean;
    wishes: PlanWishes;
    /** Only weeks from here on are made; those before stay as they were. @default 1 */
    fromWeek?: number;
    /** Kept in one session of the first week that is made: the one after so many, counted from 0. */
    catchUp?: Readonly<{ after: number; exerciseIds: readonly string[] }>;
  }>;

/** How far a plan is: weeks of different kind that are solved, of how many. It is waited for, also between weeks, so that it can give others their turn. */
export type PlanProgress = (done: number, of: number) => void | Promise<void>;

/**
 * A plan: every session of every week, inside the minutes.
 *
 * Model:  phases by share of the weeks, easy weeks, a retest every second; where the goal has a date the week before it is easy and without hard work,
 *         and nothing falls on the day or after it. The week of each phase is solved once (`planWeek`), so that inside a phase dials move and exercises
 *         stay, and once more where busy days move its sessions; an easy week holds the same with less of each (`weekAmount`), and so does the first.
 *         Every session is compiled to the second.
 * Throws: CoreError 'baseline_missing', 'weeks_past_target' with the weeks that are left, 'weekdays_do_not_match', 'not_solved' where what is wished leaves nothing for any session, those of `planWeek`,
 *         and the range errors of weeks (1–52), sessions a week (1–7) and minutes (5–240).
 * Source: docs/sources.md#planning
 */
export async function planProgression(ask: PlanAsk, solve: LinearSolver, onProgress?: PlanProgress): Promise<Progression> {
  requirePlan(ask);
  const easyWeeks = easyWeeksOf(ask.weeks, ask.wishes);
  const phases = phasesJoined(ask.weeks, ask.wishes.joinedInWeek, easyWeeks);
  const lastLight = rehearsalWeek(ask);
  const fromWeek = ask.fromWeek ?? 1;
  const made = phases
    .map((phase, i) => ({ phase, week: i + 1, slots: weekSlots(ask, i + 1) }))
    .filter(({ week }) => week >= fromWeek)
    .map((of) => ({ ...of, caughtUp: of.week === fromWeek ? caughtUpIn(ask, of.slots) : nothingCaughtUp }));
  const keyOf = ({ phase, slots, caughtUp }: (typeof made)[number]) => JSON.stringify([phase, slots, caughtUp]);
  const kinds = [...new Map(made.map((w) => [keyOf(w), w])).entries()];
  const solved = new Map<string, SolvedWeek>();
  for (const [i, [key, { phase, slots, caughtUp }]] of kinds.entries()) {
    await onProgress?.(i, kinds.length);
    const { pins, bans } = ask.wishes;
    const wishes = { ...ask.wishes, pins: [...pins, ...caughtUp.pins], bans: [...bans, ...caughtUp.bans] };
    solved.set(key, await planWeek({ ...ask, phase, slots, wishes }, solve));
  }
  // Wishes may leave nothing for any session: then there is no plan to keep.
  const allotments = [...solved.values()].flatMap((w) => w.sessions);
  if (allotments.length > 0 && allotments.every(isEmpty)) throw new CoreError('not_solved', { status: 'empty' });
  const known = [...ask.week, ...(ask.homeWeek ?? [])];
  const partIn = (exerciseId: string) => known.flatMap((w) => (w.exercise.id === exerciseId ? [partOf(w.exercise)] : []))[0];
  const compose = sessionComposer(ask);
  const weekOf = (of: (typeof made)[number]): PlanWeek => {
    const { phase, week, slots } = of;
    const isLast = week === lastLight;
    const easy = isLast || easyWeeks.includes(week);
    const amount = weekAmount({ week, phase, easy }, ask.wishes.joinedInWeek);
    const placed = slots
      .map(({ day, number, place, theme }, s) => {
        const allotted = solved.get(keyOf(of))!.sessions[s]!;
        const allotment = isLast ? rehearsalAllotment(allotted, partIn) : allotted;
        const beginsAt = ask.wishes.sessions[number]?.beginsAt ?? null;
        return { ordinal: number, on: addDays(ask.start, (week - 1) * 7 + day), place, beginsAt, theme, allotment };
      })
      // The day of the goal itself is for the goal; where nothing may be done it is a day of rest.
      .filter(({ on, allotment }) => (ask.target === null || on < ask.target) && !isEmpty(allotment))
      .map((session) => ({
        week,
        ...session,
        ...compose({ phase, amount, place: session.place }, session.allotment)
      }));
    const sessions = placed.map((s): PlanSession => ({
      ...s,
      light: isLast || (placed.some(isHardSession) && !isHardSession(s))
    }));
    return { week, phase, easy, retest: isRetestWeek(week), sessions };
  };
  const weeks: PlanWeek[] = [];
  for (const one of made) {
    await onProgress?.(kinds.length, kinds.length);
    weeks.push(weekOf(one));
  }
  return { weeks, gap: Math.max(0, ...[...solved.values()].map((w) => w.gap)) };
}

type CaughtUp = Pick<WeekWishes, 'pins' | 'bans'>;
const nothingCaughtUp: CaughtUp = { pins: [], bans: [] };

/** Where what is caught up is kept in, and where it is kept out: sessions that are over take no turn away from it. */
function caughtUpIn({ catchUp }: PlanAsk, slots: readonly SessionSlot[]): CaughtUp {
  const next = catchUp && slots[catchUp.after];
  if (!next) return nothingCaughtUp;
  const placesIn = (session: SessionSlot) => catchUp.exerciseIds.map((exerciseId) => ({ exerciseId, session: session.number }));
  return { pins: placesIn(next), bans: slots.slice(0, catchUp.after).flatMap(placesIn) };
}

function requirePlan(ask: PlanAsk): void {
  requireRange('weeks', ask.weeks, 1, 52);
  requireRange('sessions_per_week', ask.sessionsPerWeek, 1, 7);
  requireRange('minutes', ask.minutes, 5, 240);
  if (!ask.hasBaseline) throw new CoreError('baseline_missing');
  const { weekdays } = ask.wishes;
  if (weekdays.length > 0 && weekdays.length !== ask.sessionsPerWeek)
    throw new CoreError('weekdays_do_not_match', { weekdays: weekdays.length, sessionsPerWeek: ask.sessionsPerWeek });
  const left = weeksLeft(ask.start, ask.target);
  if (ask.weeks > left) throw new CoreError('weeks_past_target', { weeks: ask.weeks, weeksLeft: Math.max(0, left) });
}

/** Weeks begun from a day until the date of the goal; without end where it has none. */
export const weeksLeft = (from: string, target: string | null): number =>
  target === null ? Infinity : Math.ceil(daysBetween(from, target) / 7);

const isEmpty = (allotment: Allotment): boolean => allotment.length > 0 && allotment.every((a) => a.sets === 0);

/** Weeks that are easy: as wished, else every fourth. */
export const easyWeeksOf = (weeks: number, { easyWeeks }: Pick<PlanWishes, 'easyWeeks'>): readonly number[] =>
  easyWeeks ?? Array.from({ length: weeks }, (_, i) => i + 1).filter(isEasyWeek);

/** The week that runs into the day of the goal; none where the plan ends before it, or has no week to open range in. */
export function rehearsalWeek({ weeks, start, target }: Pick<PlanAsk, 'weeks' | 'start' | 'target'>): number | null {
  if (target === null || weeks < 2) return null;
  return daysBetween(start, target) <= weeks * 7 ? weeks : null;
}

const isHardSession = ({ blocks }: Pick<PlanSession, 'blocks'>): boolean => blocks.some(isHard);

/** Days of the sessions, counted from the first day of the plan's weeks: those named, or spread evenly. */
export function sessionDays({
  sessionsPerWeek,
  start,
  weekdays
}: Pick<PlanAsk, 'sessionsPerWeek' | 'start'> & Pick<PlanWishes, 'weekdays'>): number[] {
  if (weekdays.length === 0) return Array.from({ length: sessionsPerWeek }, (_, i) => Math.floor((i * 7) / sessionsPerWeek));
  const first = weekdayOf(start);
  return [...new Set(weekdays)].map((day) => (day - first + 7) % 7).toSorted((a, b) => a - b);
}

/**
 * The sessions of one week. One on a busy day goes to the nearest free day, the earlier on a tie; where none is free it falls out. Where each is
 * about one motion they take turns over all sessions of the plan, so that none is left out for falling at the end of a week.
 */
function weekSlots(ask: PlanAsk, week: number): SessionSlot[] {
  const isBusy = (day: number) => ask.wishes.busyOn.includes(addDays(ask.start, (week - 1) * 7 + day));
  const themes = ask.wishes.themes ? themesOf(ask.week.map((w) => w.exercise), ask.limiting) : []; // prettier-ignore
  const wished = sessionDays({ ...ask, weekdays: ask.wishes.weekdays }).map((day, i): SessionSlot => {
    const { atHome, training = 'alone', only = null } = ask.wishes.sessions[i + 1] ?? {};
    const theme = themes[((week - 1) * ask.sessionsPerWeek + i) % themes.length] ?? null;
    return { ...plainSlot(day, i + 1), ...(atHome && { place: 'home' }), training, only, theme };
  });
  const slots = wished.filter(({ day }) => !isBusy(day));
  for (const busy of wished.filter(({ day }) => isBusy(day))) {
    const free = [0, 1, 2, 3, 4, 5, 6].filter((day) => !isBusy(day) && slots.every((s) => s.day !== day));
    const [nearest] = free.toSorted((a, b) => Math.abs(a - busy.day) - Math.abs(b - busy.day) || a - b);
    if (nearest !== undefined) slots.push({ ...busy, day: nearest });
  }
  return slots.toSorted((a, b) => a.day - b.day);
}
