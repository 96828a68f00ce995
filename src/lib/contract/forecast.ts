import type { ChangeWord, HeadlineAsk, MannKendall, MeasureMode, Plateau, Scored, Side, TheilSen, WayId } from '$lib/core';
import type { BodyState } from './fields';

/** What a goal's headline is foretold from, on one side. Null `ask`: it cannot be, and why. */
export type Outlook = Readonly<{
  side: Side | null;
  ask: HeadlineAsk | null;
  why: 'closed' | 'not foretold' | 'no measure' | null;
  /** Day of the first value: weeks count from it. */
  firstOn: string | null;
  /** What all its values share. */
  takenAs: Readonly<{ bodyState: BodyState; way: WayId; support: string }> | null;
  /** Rate a week, in the unit of the measure as written, and whether there is a trend at all. Null with fewer than three. */
  trend: Readonly<{ rate: TheilSen; kendall: MannKendall; measures: number }> | null;
  /** Where the next measure likely lies, eight in ten, so many weeks on, of what cannot be foretold; null with fewer than three. */
  next: Readonly<{ weeks: number; low: number; high: number }> | null;
  plateau: Plateau;
  /** From the first measure to the last, reached and held apart. */
  gains: readonly Readonly<{ mode: MeasureMode; from: number; to: number; fromOn: string; toOn: string; word: ChangeWord }>[];
  /** What was foretold held against the last measure: by the oldest forecast, and by the newest that is old enough for it. */
  oldest: Answered | null;
  lately: Answered | null;
}>;

/** A forecast of a day, and how the last measure lies in what it told of its day. */
export type Answered = Readonly<{ madeOn: string; value: number }> & Scored;
