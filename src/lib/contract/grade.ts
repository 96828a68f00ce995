import type { Dial, DialEnd, DialWait, Gated, GateReason, Side, StackGrade, StartOrigin, Step } from '$lib/core';
import type { BodyState } from './fields';

/** Where a dial that stands on a stack is, and what the shelf makes of it. */
export type GradedStack = StackGrade &
  Readonly<{
    /** The measured reach that gives the start; null where none was taken. */
    measured: Readonly<{ value: number; takenOn: string; bodyState: BodyState }> | null;
    /** The measure to take first, where one is meant and none was taken. */
    missing: string | null;
    words: string | null;
    /** Not every stack was tried: up to how many props in a stack all were. */
    triedItems: number | null;
  }>;

export type GradedDial = Readonly<{
  dial: Dial;
  /** Null where nobody has set it yet, and no figure is usual. */
  at: number | null;
  /** From where a step counts; null where there is nothing to count from. */
  from: number | null;
  harder: number | null;
  easier: number | null;
  /** The hardest it may stand at for this client, and the day on which it may be made harder again; null where nothing says so. */
  end: DialEnd | null;
  wait: DialWait | null;
  stack: GradedStack | null;
  /** Whose figure it begins with; null once somebody moved it, and where none is usual. */
  origin: StartOrigin | null;
}>;

export type DialChange = Readonly<{
  on: string;
  dial: string;
  from: number | null;
  to: number;
  by: 'grade' | 'verdict';
  /** Why a wait was passed over. */
  reason: string;
}>;

/** A step, and why every neighbour it would lead to is barred, where that is so. */
export type OpenStep = Step & Readonly<{ barred: GateReason | null }>;

export type ExerciseGrade = Readonly<{
  side: Side;
  /** Why it is not done at all, what keeps it within, and what is to be kept in mind. */
  gated: Pick<Gated, 'verdict' | 'bars' | 'within' | 'remember' | 'noHarder' | 'caps' | 'longestHoldS'>;
  dials: readonly GradedDial[];
  /** The latest first. */
  history: readonly DialChange[];
  /** What would come next, either way: a dial, or the neighbours where every dial is at its end. */
  next: Readonly<{ harder: OpenStep; easier: OpenStep }>;
}>;
