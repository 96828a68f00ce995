import { addDays } from '../days';
import type { DialId } from '../exercise/dial';
import type { DialState } from '../exercise/dials';
import { painKindOf, type PainEvent } from '../screen/pain';

export type Verdict = 'deepen' | 'stay' | 'ease' | 'stop';

/** What was said of one set. A clean set says: target met, felt in the right place, under the cap, shape kept. */
export type SetRecord = Readonly<
  | { clean: true }
  | { clean: false; sensation: number | null; targetMet: boolean; alignmentKept: boolean | null; feltRight: boolean | null }
>;

/** One session day of an exercise on one side, oldest first in a history. */
export type SessionRecord = Readonly<{
  on: string;
  plannedSets: number;
  sets: readonly SetRecord[];
  /** Told during this exercise, on whichever side. */
  pains: readonly PainEvent[];
  /** What was decided after it, once it was. */
  decision?: Readonly<{ verdict: Verdict; dial: DialId | null; from: number | null; to: number | null }>;
}>;

/** Common practice, docs/sources.md#progression. Days, sessions and shares. */
export const progressRules = {
  setsDoneShare: 0.8,
  /** Least share of its planned time for a set to count as done as planned. */
  setTimeShare: 0.8,
  cleanSessions: 2,
  cleanSessionsAfterEase: 3,
  missedDays: 7,
  longPauseDays: 14,
  deepeningsPerMeasure: 4,
  returnsFromRung: 2,
  rungClosedDays: 28,
  longestWait: 24
} as const;

/** Whether a session met what was asked: enough sets, each whole, in the right place, under the cap, the shape kept, nothing hurt. */
export const metTarget = (record: SessionRecord, cap: number): boolean =>
  record.sets.length > 0 &&
  record.sets.length >= progressRules.setsDoneShare * record.plannedSets &&
  record.pains.every((p) => painKindOf(p.kind).action === 'carry on') &&
  record.sets.every(
    (s) =>
      s.clean || (s.targetMet && s.alignmentKept === true && s.feltRight === true && s.sensation !== null && s.sensation <= cap)
  );

/**
 * Clean sessions before a dial is tried again. A step that had to be taken back doubles the wait it had had; a step that was
 * kept shortens it by one. Without it a client whose tissue is slower than the rule is sent up and down for ever.
 */
export function cleanSessionsNeeded(dial: DialId, history: readonly SessionRecord[], sensationCap: number): number {
  let needed: number = progressRules.cleanSessions;
  let sinceMove = 0;
  let tried = 0; // sessions the last step had been waited for; 0 when none is open
  for (const record of history) {
    sinceMove++;
    const move = record.decision;
    if (move?.dial !== dial) continue;
    if (move.verdict === 'deepen') {
      if (tried > 0) needed = Math.max(progressRules.cleanSessions, needed - 1);
      tried = sinceMove;
      sinceMove = 0;
    } else if (move.verdict === 'ease') {
      // An ease after a pause says nothing about the step itself.
      if (tried > 0 && !metTarget(record, sensationCap))
        needed = Math.min(progressRules.longestWait, 2 * Math.max(needed, tried));
      tried = 0;
      sinceMove = 0;
    }
  }
  return needed;
}

/**
 * The day on which a step that was taken back twice opens again; null where it is open. Another dial that is moved meanwhile opens it at once.
 *
 * Model:  four weeks from the last return. Clean sessions are asked for besides (`cleanSessionsNeeded`).
 */
export function rungOpensOn(dial: DialState, history: readonly SessionRecord[], today: string): string | null {
  const elsewhere = history.findLastIndex((r) => r.decision?.verdict === 'deepen' && r.decision.dial !== dial.id);
  const returns = history
    .slice(elsewhere + 1)
    .filter(({ decision: d }) => d?.verdict === 'ease' && d.dial === dial.id && d.from === dial.harder);
  if (returns.length < progressRules.returnsFromRung) return null;
  const opensOn = addDays(returns.at(-1)!.on, progressRules.rungClosedDays);
  return opensOn > today ? opensOn : null;
}
