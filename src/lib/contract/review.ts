import type { Decision, DialState, Setting, Side } from '$lib/core';
import type { SetFigures, SetLogInput } from './setForms';

/** When something is decided: in Review, before a session after a pause, or on pain that was told later. */
export type Moment = 'review' | 'resume' | 'afterwards';

/** What is proposed to do next with one exercise on one side; side null for both together. */
export type Proposal = Decision &
  Readonly<{
    exerciseId: string;
    exerciseName: string;
    side: Side | null;
    dials: readonly DialState[];
    sessionId: number;
    moment: Moment;
    /** The next exercise, where this one is at its end on every side. */
    next: Readonly<{ id: string; name: string }> | null;
  }>;

/** How an exercise went the last time, by its last set. */
export type LastTime = Readonly<{ on: string; figures: SetFigures }> &
  Pick<SetLogInput, 'clean' | 'sensation' | 'slipped' | 'actualS'> &
  Readonly<{ /** What it was set to; absent where an older device kept it. */ setting?: Setting }>;
