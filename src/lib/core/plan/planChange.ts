import { motionOf } from '../body/motions';
import { exerciseOf } from '../exercise/exercises';
import { partOf, type Exercise, type LinkId } from '../exercise/exercise';
import type { SchoolId } from '../school/school';
import { schoolOf } from '../school/schools';
import type { Allotment } from './allotment';
import type { Effect } from './sessionBlocks';
import type { Often } from './weekProgram';
import type { WeekWishes } from './planWeek';

/** What one version of a plan does otherwise than the one before: first what was wished, then what that moved. */
export type PlanChange =
  | Readonly<{ code: 'minutes' | 'sessions'; from: number; to: number }>
  | Readonly<{ code: 'school'; from: SchoolId; to: SchoolId }>
  | Readonly<{ code: 'weekdays'; to: readonly number[] }>
  | Readonly<{ code: 'easy'; week: number; isEasy: boolean }>
  | Readonly<{ code: 'busy'; days: number }>
  | Readonly<{ code: 'pinned' | 'banned' | 'freed'; exerciseId: string; session: number | null }>
  | Readonly<{ code: 'often'; exerciseId: string; often: Often }>
  | Readonly<{ code: 'slid'; weeks: number }>
  | Readonly<{ code: 'dropped'; sessions: number }>
  | Readonly<{ code: 'restored'; version: number }>
  | Readonly<{ code: 'copied' }>
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
  wishes: WeekWishes;
}>;

/** What was wished otherwise. */
export function wishedChanges(before: PlanShape, after: PlanShape): PlanChange[] {
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
const count = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one}s`}`;

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
    case 'slid':
      return `The sessions to come are ${count(change.weeks, 'week')} later.`;
    case 'dropped':
      return `${count(change.sessions, 'missed session')} dropped.`;
    case 'restored':
      return `As version ${change.version} was.`;
    case 'copied':
      return 'Made after the plan of another person.';
    case 'not carried':
      return `${find(change.exerciseId).name} is not carried over: it is not open to this person.`;
    case 'sets':
      return `${find(change.exerciseId).name}: ${count(change.to, 'set')} a week in place of ${change.from}.`;
  }
}

/** What a week goes without, and what it leans on. */
export type WeekNote =
  | Readonly<{ code: 'not in the week'; exerciseId: string }>
  | Readonly<{ code: 'worse' | 'without effect'; exerciseId: string }>
  | Readonly<{ code: 'nothing for it' | 'no room for it' | 'nothing active for it' | 'no room for active work'; link: LinkId }>;

/**
 * What a solved week goes without: exercises that had no time, motions the goal needs that nothing works, and motions that are opened and not
 * worked actively; each with whether the week has nothing for it or the minutes do.
 */
export function weekNotes(
  week: readonly Exercise[],
  sessions: readonly Allotment[],
  demands: readonly LinkId[],
  effectOf: (exerciseId: string) => Effect | undefined = () => undefined
): WeekNote[] {
  const isNamed = ({ id }: Exercise) => sessions.some((s) => s.some((a) => a.exerciseId === id));
  // What is not named came since, or waits for a figure: it is done as usual.
  const isWorse = ({ id }: Exercise) => effectOf(id) === 'worse';
  const isIn = (e: Exercise) =>
    !isWorse(e) && (!isNamed(e) || sessions.some((s) => s.some((a) => a.exerciseId === e.id && a.sets > 0)));
  const done = week.filter(isIn);
  const works = (some: readonly Exercise[], link: LinkId, active?: boolean) =>
    some.some((e) => e.links.includes(link) && (active === undefined || (partOf(e) === 'own') === active));
  const opened = new Set(done.filter((e) => partOf(e) !== 'own').flatMap((e) => e.links));
  return [
    ...week.filter(isWorse).map((e): WeekNote => ({ code: 'worse', exerciseId: e.id })),
    ...week
      .filter((e) => effectOf(e.id) === 'nothing' && isIn(e))
      .map((e): WeekNote => ({ code: 'without effect', exerciseId: e.id })),
    ...week.filter((e) => !isIn(e) && !isWorse(e)).map((e): WeekNote => ({ code: 'not in the week', exerciseId: e.id })),
    ...demands
      .filter((link) => !works(done, link))
      .map((link): WeekNote => ({ code: works(week, link) ? 'no room for it' : 'nothing for it', link })),
    ...demands
      .filter((link) => opened.has(link) && !works(done, link, true))
      .map((link): WeekNote => ({ code: works(week, link, true) ? 'no room for active work' : 'nothing active for it', link }))
  ];
}

/** A note as a whole sentence, with what would mend it. */
export function weekNoteText(note: WeekNote, find: FindName = exerciseOf): string {
  if ('exerciseId' in note) {
    const { name } = find(note.exerciseId);
    switch (note.code) {
      case 'not in the week':
        return `${name} found no room: other work gives more for the minutes. Keep it in, or give the sessions more minutes.`;
      case 'worse':
        return `${name} is out: it was noted as making it worse.`;
      case 'without effect':
        return `${name} was noted as without effect. Another exercise for the same motion may do more.`;
    }
  }
  const motion = motionOf(note.link).name;
  switch (note.code) {
    case 'nothing for it':
      return `The goal needs ${motion}, and no exercise of the week works it. Put one in, in Grade.`;
    case 'no room for it':
      return `The goal needs ${motion}, and the minutes leave no room for it. Give the sessions more minutes.`;
    case 'nothing active for it':
      return `${capital(motion)} is stretched, and no exercise of the week works it actively. What is opened is kept by own strength.`;
    case 'no room for active work':
      return `${capital(motion)} is stretched without active work, for want of minutes.`;
  }
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** One week of a plan, as far as it is told from the next. */
export type WeekOutline = Readonly<{
  phase: string;
  easy: boolean;
  sessions: readonly Readonly<{ allotment: Allotment; durationS: number }>[];
}>;

/** What a week does otherwise than the one before it, in words; nothing where they are alike. */
export function weekStepTexts(before: WeekOutline | undefined, after: WeekOutline, find: FindName = exerciseOf): string[] {
  if (!before) return [];
  const texts: string[] = [];
  if (before.phase !== after.phase) texts.push(phaseTexts[after.phase] ?? '');
  if (after.easy && !before.easy) return [...texts, 'An easy week: the same exercises with about 60 % of the sets.'];
  if (before.easy && !after.easy) texts.push('After the easy week the full sets again.');
  if (before.sessions.length !== after.sessions.length)
    texts.push(`${count(after.sessions.length, 'session')} in place of ${before.sessions.length}.`);
  if (before.easy || after.easy) return texts;
  const moved = movedSets(
    before.sessions.map((s) => s.allotment),
    after.sessions.map((s) => s.allotment)
  );
  return [...texts, ...moved.map((m) => planChangeText(m, find))].filter((t) => t !== '');
}

const phaseTexts: Readonly<Record<string, string>> = {
  'settle in': 'Settling in: one set of each, to learn the work.',
  open: 'Now range is opened: one round more, and more sets.',
  own: 'Now range is owned: more active work, and no round more.',
  arrive: 'Arriving: more of the position itself.'
};
