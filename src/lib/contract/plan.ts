import type { LeftOut, PlanWeek } from '$lib/core';

export const sessionStatuses = ['planned', 'running', 'done', 'stopped', 'superseded'] as const;
export type SessionStatus = (typeof sessionStatuses)[number];

/** A session of the plan as it would run with today's settings, or as it was prescribed. */
export type SessionView = Omit<PlanWeek['sessions'][number], 'leftOut'> &
  Readonly<{ id: number; status: SessionStatus; doneOn: string | null; leftOut: readonly (LeftOut | string)[] }>;
export type WeekView = Omit<PlanWeek, 'sessions'> &
  Readonly<{
    sessions: readonly SessionView[];
    /** What it does otherwise than the week before, and what it goes without. */
    steps: readonly string[];
    notes: readonly string[];
  }>;

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
