import { motionOf } from '../body/motions';
import { otherSide, sides, type Side } from '../body/side';
import { exerciseOf } from '../exercise/exercises';
import { isTest, partOf, type Exercise, type LinkId } from '../exercise/exercise';
import { isWorked, type Block } from '../session/block';
import type { Allotment } from './allotment';
import { doseByLink } from './doseByLink';
import type { MinutesNote } from './minutesNotes';
import type { FindName } from './planChange';
import type { WeekPlace } from './planWeek';
import type { Effect } from './sessionBlocks';

/** What a week goes without, and what it leans on. */
export type WeekNote =
  | Readonly<{ code: 'not in the week'; exerciseId: string }>
  | Readonly<{ code: 'worse' | 'without effect'; exerciseId: string }>
  | Readonly<{ code: 'no room where kept'; exerciseId: string; session: number | null }>
  | Readonly<{ code: 'leans on'; exerciseId: string; pct: number }>
  | Readonly<{ code: 'all passive' }>
  | Readonly<{ code: 'empty session'; session: number }>
  | MinutesNote
  | Readonly<{ code: 'one sided'; link: LinkId; side: Side }>
  | Readonly<{ code: 'nothing for it' | 'no room for it' | 'nothing active for it' | 'no room for active work'; link: LinkId }>;

/**
 * What a solved week goes without: exercises that had no time, motions the goal needs that nothing works, and motions that are opened and not
 * worked actively; each with whether the week has nothing for it or the minutes do.
 */
export function weekNotes(
  week: readonly Exercise[],
  sessions: readonly Allotment[],
  demands: readonly LinkId[],
  effectOf: (exerciseId: string) => Effect | undefined = () => undefined,
  pins: readonly WeekPlace[] = []
): WeekNote[] {
  const isNamed = ({ id }: Exercise) => sessions.some((s) => s.some((a) => a.exerciseId === id));
  // What is not named came since, or waits for a figure: it is done as usual.
  const isWorse = ({ id }: Exercise) => effectOf(id) === 'worse';
  const isIn = (e: Exercise) =>
    !isWorse(e) && (!isNamed(e) || sessions.some((s) => s.some((a) => a.exerciseId === e.id && a.sets > 0)));
  const isMissed = ({ exerciseId, session }: WeekPlace) =>
    sessions.some((s, i) => (session ?? i + 1) === i + 1 && s.some((a) => a.exerciseId === exerciseId && a.sets === 0));
  const done = week.filter(isIn);
  const works = (some: readonly Exercise[], link: LinkId, active?: boolean) =>
    some.some((e) => !isTest(e) && e.links.includes(link) && (active === undefined || (partOf(e) === 'own') === active));
  const opened = new Set(done.filter((e) => partOf(e) !== 'own' && !isTest(e)).flatMap((e) => e.links));
  return [
    ...week.filter(isWorse).map((e): WeekNote => ({ code: 'worse', exerciseId: e.id })),
    ...week
      .filter((e) => effectOf(e.id) === 'nothing' && isIn(e))
      .map((e): WeekNote => ({ code: 'without effect', exerciseId: e.id })),
    ...week
      .filter((e) => !isIn(e) && !isWorse(e) && pins.every((p) => p.exerciseId !== e.id))
      .map((e): WeekNote => ({ code: 'not in the week', exerciseId: e.id })),
    ...pins.filter(isMissed).map((p): WeekNote => ({ code: 'no room where kept', ...p })),
    ...demands
      .filter((link) => !works(done, link))
      .map((link): WeekNote => ({ code: works(week, link) ? 'no room for it' : 'nothing for it', link })),
    ...demands
      .filter((link) => opened.has(link) && !works(done, link, true))
      .map((link): WeekNote => ({ code: works(week, link, true) ? 'no room for active work' : 'nothing active for it', link }))
  ];
}

/** From so much of the week's work on one exercise is leant on, %, and from so many exercises on that means something (assumptions). */
const leaning = { pct: 60, exercises: 3 } as const;
/** A side with less than this share of the other's seconds is hardly worked (assumption). */
const hardlyShare = 1 / 3;

/**
 * What a week as a whole leans on: stretch alone, one side, or one exercise.
 *
 * Model: seconds under stretch, of contraction and of active work, by motion and side (`doseByLink`).
 */
export function weekFlags(sessions: readonly Readonly<{ blocks: readonly Block[] }>[]): WeekNote[] {
  const blocks = sessions.flatMap((s) => s.blocks).filter(isWorked);
  const workS = (some: readonly Block[]) => doseByLink(some).reduce((sum, d) => sum + d.stretchS + d.contractionS + d.activeS, 0);
  const doses = doseByLink(blocks);
  const total = workS(blocks);
  if (total === 0) return [];
  const isActive = doses.some((d) => d.contractionS + d.activeS > 0);
  const links = [...new Set(doses.map((d) => d.link))];
  const onSide = (link: LinkId, side: Side) =>
    doses.filter((d) => d.link === link && d.side === side).reduce((sum, d) => sum + d.stretchS + d.contractionS + d.activeS, 0);
  const ids = [...new Set(blocks.map((b) => b.exerciseId))];
  const shares = ids.map((exerciseId) => ({
    exerciseId,
    pct: Math.round((100 * workS(blocks.filter((b) => b.exerciseId === exerciseId))) / total)
  }));
  return [
    ...(isActive ? [] : [{ code: 'all passive' as const }]),
    ...links.flatMap((link) =>
      sides
        .filter((side) => onSide(link, otherSide(side)) < hardlyShare * onSide(link, side))
        .map((side): WeekNote => ({ code: 'one sided', link, side }))
    ),
    ...(ids.length < leaning.exercises ? [] : shares.filter((s) => s.pct >= leaning.pct)).map((s): WeekNote => ({
      code: 'leans on',
      ...s
    }))
  ];
}

/** What would mend a note: keep an exercise in, let go of a place it is kept in, give the sessions more minutes, or put another exercise in. */
export type Mend =
  | Readonly<{ code: 'keep'; exerciseId: string }>
  | Readonly<{ code: 'free'; exerciseId: string; session: number | null }>
  | Readonly<{ code: 'minutes'; more?: number }>
  /** Another exercise takes its place. */
  | Readonly<{ code: 'swap'; exerciseId: string }>
  | Readonly<{ code: 'grade' }>;

export function mendOf(note: WeekNote): Mend | null {
  switch (note.code) {
    case 'not in the week':
      return { code: 'keep', exerciseId: note.exerciseId };
    case 'no room where kept':
      return { code: 'free', exerciseId: note.exerciseId, session: note.session };
    case 'no room for it':
    case 'no room for active work':
      return { code: 'minutes' };
    case 'long warm-up':
      return { code: 'minutes', more: note.more };
    case 'nothing for it':
    case 'nothing active for it':
    case 'all passive':
    case 'leans on':
    case 'asks for no more':
      return { code: 'grade' };
    case 'worse':
    case 'without effect':
    case 'one sided':
    case 'empty session':
    case 'motion has its fill':
      return null;
  }
}

/** A note as a whole sentence, with what would mend it. */
export function weekNoteText(note: WeekNote, find: FindName = exerciseOf): string {
  if (note.code === 'all passive')
    return 'Everything in this week is stretched, nothing is worked actively. What is opened is kept by own strength.';
  if (note.code === 'empty session')
    return `Session ${note.session} holds nothing: what is wished of it leaves nothing that may be done. Let it be in the studio, or less narrow.`;
  if (note.code === 'asks for no more')
    return `The sessions use ${note.used} of ${note.minutes} minutes: the exercises of the week ask for no more. Add one, or ask for fewer minutes.`;
  if (note.code === 'long warm-up')
    return `The warm-up takes ${note.warmUp} of ${note.minutes} minutes, as the Check asks. ${note.more} more minutes would leave room for the work.`;
  if ('exerciseId' in note) {
    const { name } = find(note.exerciseId);
    switch (note.code) {
      case 'not in the week':
        return `${name} found no room: other work gives more for the minutes. Keep it in, or give the sessions more minutes.`;
      case 'no room where kept':
        return `${name} is kept in ${note.session === null ? 'every session' : `session ${note.session}`} and found no room there.`;
      case 'leans on':
        return `${name} takes ${note.pct} % of the week’s work. What rests on one exercise rests on its faults too.`;
      case 'worse':
        return `${name} is out: it was noted as making it worse.`;
      case 'without effect':
        return `${name} was noted as without effect. Another exercise for the same motion may do more.`;
    }
  }
  const motion = motionOf(note.link).name;
  switch (note.code) {
    case 'motion has its fill':
      return `The sessions use ${note.used} of ${note.minutes} minutes: ${motion} gets as much stretch as does any good. Further minutes are better spent on another goal.`;
    case 'one sided':
      return `${capital(motion)} is worked on the ${note.side} and hardly on the ${otherSide(note.side)}.`;
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
