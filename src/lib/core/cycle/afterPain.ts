import type { TimelineSet } from './compileSession';
import { exerciseOf } from '../exercise/exercises';
import { painKindOf, painPlaceOf, type PainEvent } from '../screen/pain';
import { otherSide } from '../side';

/** What a told pain does to the rest of a session. Sets are named by their index. */
export type PainOutcome = Readonly<{
  endsSet: boolean;
  endsSession: boolean;
  /** Sets that are not done any more. */
  dropped: readonly number[];
  /** Sets that take the easier setting. */
  eased: readonly number[];
}>;

/**
 * What is left of a session after pain was told in one of its sets. Needs no server, so that it acts without a connection.
 *
 * Model:  fine → nothing. Ease → the set ends, later sets of the exercise on that side take the easier setting. Joint pain →
 *         the exercise ends, on both sides. At the bone → every later set that stretches that line passively goes. Stop signs →
 *         the session ends.
 * Source: docs/sources.md#screening
 */
export function afterPain(sets: readonly TimelineSet[], at: number, event: PainEvent): PainOutcome {
  const action = painKindOf(event.kind).action;
  const current = sets[at];
  const later = sets.filter((s) => s.index > at && s.side !== null);
  const indices = (some: readonly TimelineSet[]) => some.map((s) => s.index);
  const sameExercise = later.filter((s) => s.exerciseId === current?.exerciseId);
  const nothing: PainOutcome = { endsSet: true, endsSession: false, dropped: [], eased: [] };
  switch (action) {
    case 'carry on':
      return { ...nothing, endsSet: false };
    case 'ease':
      return { ...nothing, eased: indices(sameExercise.filter((s) => s.side === current?.side && s.work.easier)) };
    case 'stop exercise':
      return { ...nothing, dropped: indices(sameExercise) };
    case 'stop line':
      return { ...nothing, dropped: indices(later.filter((s) => s.exerciseId === current?.exerciseId || stretches(s, event))) };
    case 'stop session':
    case 'urgent':
      return { ...nothing, endsSession: true, dropped: indices(later) };
  }
}

function stretches(set: TimelineSet, { place, side }: PainEvent): boolean {
  const painLine = painPlaceOf(place).line;
  return exerciseOf(set.exerciseId).lines.some(
    ({ line, on }) => line === painLine && set.side !== null && (on === 'same' ? set.side : otherSide(set.side)) === side
  );
}
