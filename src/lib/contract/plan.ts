import type { DrawnPhase, LeftOut, LinkDose, Mend, PlanWeek } from '$lib/core';

export const sessionStatuses = ['planned', 'running', 'done', 'stopped', 'superseded'] as const;
export type SessionStatus = (typeof sessionStatuses)[number];

/** A session of the plan as it would run with today's settings, or as it was prescribed. */
export type SessionView = Omit<PlanWeek['sessions'][number], 'leftOut'> &
  Readonly<{
    id: number;
    status: SessionStatus;
    doneOn: string | null;
    leftOut: readonly (LeftOut | string)[];
    /** Its course, as small as a plan shows it. */
    curve: readonly DrawnPhase[];
  }>;
/** What the columns of the weeks show of a session. */
export type SessionBrief = Pick<SessionView, 'id' | 'ordinal' | 'on' | 'status' | 'light' | 'place' | 'durationS' | 'curve'>;
/** What a week goes without or leans on, in words, and what would mend it. */
export type WeekNoteTold = Readonly<{ text: string; mend: Mend | null }>;
export type WeekView = Omit<PlanWeek, 'sessions'> &
  Readonly<{
    sessions: readonly SessionView[];
    /** What it does otherwise than the week before, and what it goes without. */
    steps: readonly string[];
    notes: readonly WeekNoteTold[];
  }>;

/** The session that is looked at, its week, and what the week gives each motion. */
export type ChosenSession = Readonly<{ session: SessionView; week: Omit<WeekView, 'sessions'>; doses: readonly LinkDose[] }>;

/** A version of the plan, with what it changed in words. */
export type PlanVersion = Readonly<{
  version: number;
  name: string;
  madeOn: string;
  weeks: number;
  sessionsPerWeek: number;
  minutes: number;
  schoolName: string;
  /** Whether it goes on from the one before it. */
  goesOn: boolean;
  changed: readonly string[];
}>;
