import { exerciseOf } from '../exercise/exercises';
import type { Exercise } from '../exercise/exercise';
import type { SchoolId } from '../school/school';
import { schoolOf } from '../school/schools';
import type { Allotment } from './allotment';
import type { Often } from './weekProgram';
import type { AlsoServed, PlanWishes } from './planProgression';
import type { WeekWishes } from './planWeek';
import type { SessionWish } from './sessionSlot';

/** What one version of a plan does otherwise than the one before: first what was wished, then what that moved. */
export type PlanChange =
  | Readonly<{ code: 'minutes' | 'sessions'; from: number; to: number }>
  | Readonly<{ code: 'school'; from: SchoolId; to: SchoolId }>
  | Readonly<{ code: 'weekdays'; to: readonly number[] }>
  | Readonly<{ code: 'easy'; week: number; isEasy: boolean }>
  | Readonly<{ code: 'busy'; days: number }>
  | Readonly<{ code: 'pinned' | 'banned' | 'freed'; exerciseId: string; session: number | null }>
  | Readonly<{ code: 'often'; exerciseId: string; often: Often }>
  | Readonly<{ code: 'session'; session: number; wish: SessionWish }>
  | Readonly<{ code: 'hard sessions'; to: number | null }>
  | Readonly<{ code: 'most stretch'; toMin: number | null }>
  | Readonly<{ code: 'themes'; isOn: boolean }>
  | Readonly<{ code: 'serves'; goal: string; weight: AlsoServed['weight'] | null }>
  | Readonly<{ code: 'swapped'; exerciseId: string; by: string }>
  | Readonly<{ code: 'joined'; week: number }>
  | Readonly<{ code: 'slid'; weeks: number }>
  | Readonly<{ code: 'dropped'; sessions: number }>
  /** What only the missed sessions held: taken into the next one, or without room in it. */
  | Readonly<{ code: 'merged'; sessions: number; into: readonly string[]; without: readonly string[] }>
  | Readonly<{ code: 'restored'; version: number }>
  | Readonly<{ code: 'copied' }>
  /** The search was ended: the plan may be so many percent from the best there is. */
  | Readonly<{ code: 'near best'; withinPct: number }>
  | Readonly<{ code: 'not carried'; exerciseId: string }>
  | Readonly<{ code: 'sets'; exerciseId: string; from: number; to: number }>;

/** The shape of a plan that can be wished otherwise. */
export type PlanShape = Readonly<{
  minutes: number;
  sessionsPerWeek: number;
  schoolId: SchoolId;
  weekdays: readonly number[];
  easyWeeks: readonly number[];
  busyOn: readonly string[];
  wishes: WeekWishes & Pick<PlanWishes, 'sessions' | 'themes' | 'also'>;
}>;

/** What was wished otherwise; `goalName` names the goals a plan serves beside its own. */
export function wishedChanges(before: PlanShape, after: PlanShape, goalName: (goalId: number) => string): PlanChange[] {
  const changes: PlanChange[] = [];
  if (before.minutes !== after.minutes) changes.push({ code: 'minutes', from: before.minutes, to: after.minutes });
  if (before.sessionsPerWeek !== after.sessionsPerWeek)
    changes.push({ code: 'sessions', from: before.sessionsPerWeek, to: after.sessionsPerWeek });
  if (before.schoolId !== after.schoolId) changes.push({ code: 'school', from: before.schoolId, to: after.schoolId });
  if (before.weekdays.join() !== after.weekdays.join()) changes.push({ code: 'weekdays', to: after.weekdays });
  for (const week of [...new Set([...before.easyWeeks, ...after.easyWeeks])].toSorted((a, b) => a - b))
    if (before.easyWeeks.includes(week) !== after.easyWeeks.includes(week))
      changes.push({ code: 'easy', week, isEasy: after.easyWeeks.includes(week) });
  if (before.busyOn.join() !== after.busyOn.join()) changes.push({ code: 'busy', days: after.busyOn.length });
  changes.push(...wishedOfSessions(before.wishes, after.wishes), ...servedChanges(before.wishes, after.wishes, goalName));
  const kinds = [
    ['pins', 'pinned'],
    ['bans', 'banned']
  ] as const;
  for (const [kind, code] of kinds) {
    const isIn = (list: WeekWishes['pins'], p: WeekWishes['pins'][number]) =>
      list.some((q) => q.exerciseId === p.exerciseId && q.session === p.session);
    changes.push(...after.wishes[kind].filter((p) => !isIn(before.wishes[kind], p)).map((p) => ({ code, ...p })));
    const isFree = (p: WeekWishes['pins'][number]) => !isIn(after.wishes.pins, p) && !isIn(after.wishes.bans, p);
    const freed = before.wishes[kind].filter((p) => !isIn(after.wishes[kind], p) && isFree(p));
    changes.push(...freed.map((p) => ({ code: 'freed' as const, ...p })));
  }
  for (const exerciseId of new Set([...Object.keys(before.wishes.often), ...Object.keys(after.wishes.often)])) {
    const often = after.wishes.often[exerciseId] ?? 'as it fits';
    if (often !== (before.wishes.often[exerciseId] ?? 'as it fits')) changes.push({ code: 'often', exerciseId, often });
  }
  return changes;
}

function wishedOfSessions(before: PlanShape['wishes'], after: PlanShape['wishes']): PlanChange[] {
  const changes: PlanChange[] = [];
  const numbers = new Set([...Object.keys(before.sessions), ...Object.keys(after.sessions)]);
  for (const number of [...numbers].toSorted()) {
    const [was, wish] = [before.sessions[number] ?? {}, after.sessions[number] ?? {}];
    if (sessionWishText(was) !== sessionWishText(wish)) changes.push({ code: 'session', session: Number(number), wish });
  }
  if (before.hardSessions !== after.hardSessions) changes.push({ code: 'hard sessions', to: after.hardSessions });
  if (before.stretchMin !== after.stretchMin) changes.push({ code: 'most stretch', toMin: after.stretchMin });
  if (before.themes !== after.themes) changes.push({ code: 'themes', isOn: after.themes });
  return changes;
}

function servedChanges(
  before: PlanShape['wishes'],
  after: PlanShape['wishes'],
  goalName: (goalId: number) => string
): PlanChange[] {
  const weightIn = ({ also }: PlanShape['wishes'], goalId: number) => also.find((a) => a.goalId === goalId)?.weight ?? null;
  const ids = new Set([...before.also, ...after.also].map((a) => a.goalId));
  return [...ids].flatMap((goalId): PlanChange[] => {
    const weight = weightIn(after, goalId);
    return weight === weightIn(before, goalId) ? [] : [{ code: 'serves', goal: goalName(goalId), weight }];
  });
}

/** What is wished of one session, as the end of a sentence that begins with it. */
export function sessionWishText({ atHome, beginsAt, training, only }: SessionWish): string {
  const parts = [
    atHome && 'is at home',
    beginsAt && `begins at ${beginsAt}`,
    training && `has ${trainingTexts[training]}`,
    only && `is given to ${only} alone`
  ].filter(Boolean);
  return parts.length === 0 ? 'is as the others' : parts.join(', ');
}

const trainingTexts: Readonly<Record<NonNullable<SessionWish['training']>, string>> = {
  'before training': 'nothing hard in it, since other training follows',
  'after training': 'no active work in it, since it comes after other training'
};

/** Sets a week of each exercise that there are more or fewer of. */
export function movedSets(before: readonly Allotment[], after: readonly Allotment[]): PlanChange[] {
  const setsOf = (week: readonly Allotment[], exerciseId: string) =>
    week.flat().reduce((sum, a) => sum + (a.exerciseId === exerciseId ? a.sets : 0), 0);
  const ids = new Set([...before, ...after].flat().map((a) => a.exerciseId));
  return [...ids].flatMap((exerciseId): PlanChange[] => {
    const [from, to] = [setsOf(before, exerciseId), setsOf(after, exerciseId)];
    return from === to ? [] : [{ code: 'sets', exerciseId, from, to }];
  });
}

/** The name of an exercise, also of one of the studio's own. */
export type FindName = (exerciseId: string) => Pick<Exercise, 'name'>;

/** From Monday on. */
export const dayNames = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
/** So many of something, in one or several: 1 set, 2 sets. */
export const count = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one}s`}`;

/** A change as a whole sentence. */
export function planChangeText(change: PlanChange, find: FindName = exerciseOf): string {
  const where = (session: number | null) => (session === null ? 'every session' : `session ${session} of each week`);
  switch (change.code) {
    case 'minutes':
      return `${change.to} minutes a session in place of ${change.from}.`;
    case 'sessions':
      return `${count(change.to, 'session')} a week in place of ${change.from}.`;
    case 'school':
      return `By “${schoolOf(change.to).name}” in place of “${schoolOf(change.from).name}”.`;
    case 'weekdays':
      return change.to.length === 0
        ? 'Sessions are spread evenly over the week.'
        : `Sessions are on ${change.to.map((d) => dayNames[d - 1]).join(', ')}.`;
    case 'easy':
      return `Week ${change.week} is ${change.isEasy ? 'easy' : 'no easy week any more'}.`;
    case 'busy':
      return change.days === 0
        ? 'No day counts as busy any more.'
        : `${count(change.days, 'busy day')} ${change.days === 1 ? 'is' : 'are'} kept free.`;
    case 'pinned':
      return `${find(change.exerciseId).name} is kept in ${where(change.session)}.`;
    case 'banned':
      return `${find(change.exerciseId).name} is kept out of ${where(change.session)}.`;
    case 'freed':
      return `${find(change.exerciseId).name} is free again in ${where(change.session)}.`;
    case 'often':
      return `${find(change.exerciseId).name} is wished ${change.often}.`;
    case 'session':
      return `Session ${change.session} of each week ${sessionWishText(change.wish)}.`;
    case 'hard sessions':
      return change.to === null
        ? 'As many sessions with hard work as recovery allows.'
        : `At most ${count(change.to, 'session')} a week with hard work.`;
    case 'most stretch':
      return change.toMin === null
        ? 'Stretch of one motion is limited as usual.'
        : `At most ${count(change.toMin, 'minute')} a week of stretch for one motion.`;
    case 'themes':
      return change.isOn ? 'Each session is about one motion; they take turns.' : 'Each session is about every motion again.';
    case 'serves':
      return change.weight === null
        ? `The plan no longer serves “${change.goal}”.`
        : `The plan serves “${change.goal}” too; its minutes count ${change.weight}.`;
    case 'swapped':
      return `${find(change.by).name} in place of ${find(change.exerciseId).name}.`;
    case 'joined':
      return `Joined the plan of another person in week ${change.week}, settling in first.`;
    case 'slid':
      return `The sessions to come are ${count(change.weeks, 'week')} later.`;
    case 'dropped':
      return `${count(change.sessions, 'missed session')} dropped.`;
    case 'merged':
      return mergedText(change, find);
    case 'restored':
      return `As version ${change.version} was.`;
    case 'near best':
      return `Worked out to within ${change.withinPct} % of the best week there is; a longer search was not made.`;
    case 'copied':
      return 'Made after the plan of another person.';
    case 'not carried':
      return `${find(change.exerciseId).name} is not carried over: it is not open to this person.`;
    case 'sets':
      return `${find(change.exerciseId).name}: ${count(change.to, 'set')} a week in place of ${change.from}.`;
  }
}

function mergedText({ sessions, into, without }: Extract<PlanChange, { code: 'merged' }>, find: FindName): string {
  const names = (ids: readonly string[]) => ids.map((id) => find(id).name).join(', ');
  const one = count(sessions, 'missed session');
  if (into.length + without.length === 0)
    return `${one} merged into what comes: nothing was held by ${sessions === 1 ? 'it' : 'them'} alone.`;
  return [
    into.length > 0 ? `${one} merged into the next, which takes in: ${names(into)}.` : `${one} merged into the next.`,
    ...(without.length > 0 ? [`Without room in it: ${names(without)}.`] : [])
  ].join(' ');
}
