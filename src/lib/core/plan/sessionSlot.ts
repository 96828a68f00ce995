import type { LinkId } from '../exercise/exercise';
import { partOf, type Exercise } from '../exercise/exercise';
import type { Training } from '../session/arrange';

/** Where a session takes place: each has a shelf of its own. */
export const places = ['studio', 'home'] as const;
export type Place = (typeof places)[number];

/** What a session is given to alone. */
export const sessionWorks = ['stretch', 'own strength'] as const;
export type SessionWork = (typeof sessionWorks)[number];

/** What is wished of one session of every week. */
export type SessionWish = Readonly<{
  atHome?: true;
  /** By the clock on the wall, in place of when sessions begin otherwise: '18:00'. */
  beginsAt?: string;
  /** Other training beside it: right before it nothing hard is done, right after it no active work (common practice). */
  training?: Exclude<Training, 'alone'>;
  only?: SessionWork;
}>;

/** A session of a week before it is solved. */
export type SessionSlot = Readonly<{
  /** Its place among the sessions that were wished of the week, from 1. */
  number: number;
  /** Counted from the first day of the week. */
  day: number;
  place: Place;
  /** Before other training nothing hard belongs into it, after it no active work. */
  training: Training;
  only: SessionWork | null;
  /** The one motion it is about; null where every motion may be in it. */
  theme: LinkId | null;
}>;

/** A session in the studio about everything. */
export const plainSlot = (day: number, number: number): SessionSlot => ({
  number,
  day,
  place: 'studio',
  training: 'alone',
  only: null,
  theme: null
});

/** Motions a session may be about, the one that limits most first: what the week opens and works actively. */
export function themesOf(week: readonly Exercise[], limiting: readonly LinkId[]): LinkId[] {
  const worked = week.filter(hasTheme).flatMap((e) => e.links.slice(0, 1));
  const rank = (link: LinkId) => (limiting.includes(link) ? limiting.indexOf(link) : limiting.length);
  return [...new Set(worked)].toSorted((a, b) => rank(a) - rank(b));
}

/** The position and loosening belong to every theme. */
const hasTheme = (exercise: Exercise): boolean => ['open', 'own'].includes(partOf(exercise));
export const isOfTheme = (exercise: Exercise, theme: LinkId | null): boolean =>
  theme === null || !hasTheme(exercise) || exercise.links.includes(theme);
