import type { Decision, DialState, Side } from '$lib/core';

/** When something is decided: in Review, before a session after a pause, or on pain that was told later. */
export type Moment = 'review' | 'resume' | 'afterwards';

/** What is proposed to do next with one exercise on one side. */
export type Proposal = Decision &
  Readonly<{ exerciseId: string; side: Side; dials: readonly DialState[]; sessionId: number; moment: Moment }>;
