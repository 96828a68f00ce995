import { CoreError } from '../errors';
import { capsOf } from '../safety/caps';
import { arrangedSession, usualArrangement, type Arrangement } from '../session/arrange';
import { isWorked } from '../session/block';
import { orderBlocks } from '../session/compileSession';
import { isSuperset } from '../session/precedence';
import type { Allotment } from './allotment';
import type { WeekAsk } from './planWeek';
import { sessionBlocks, type BlocksAsk } from './sessionBlocks';
import type { Place } from './sessionSlot';

/** What a session could hold: every block uncut, in the usual order. Throws: CoreError 'nothing_in_week', 'everything_locked'. */
export function uncutSession(ask: BlocksAsk) {
  if (ask.week.length === 0) throw new CoreError('nothing_in_week');
  const { blocks, leftOut, cuts } = sessionBlocks(ask);
  if (!blocks.some(isWorked)) throw new CoreError('everything_locked');
  const ordered = orderBlocks(blocks);
  const inTurn = ordered.map((b, i) =>
    isSuperset(ordered[i - 1]?.exerciseId, b.exerciseId) ? { ...b, joins: true as const } : b
  );
  return { blocks: inTurn, leftOut, cuts };
}

/**
 * One session of a phase as it was arranged, or as usual, cut to the minutes.
 *
 * Throws: CoreError 'nothing_in_week', 'minutes_too_few', 'everything_locked', and those of `arrange`.
 */
export function fittedSession(ask: BlocksAsk, arrangement?: Arrangement) {
  const putIn = new Set(arrangement?.parts.map((p) => p.exerciseId));
  const { blocks, leftOut, cuts } = uncutSession({ ...ask, putIn });
  const given = arrangedSession(
    blocks,
    arrangement ?? usualArrangement(blocks, ask.minutes),
    capsOf(ask.person.limits).effortPct
  );
  return { ...given, cuts: [...cuts, ...given.cuts], leftOut };
}

/** Sessions of one kind are the same session: composed once. */
export function sessionComposer(ask: Omit<BlocksAsk, 'phase' | 'easy' | 'light' | 'allotment'> & Pick<WeekAsk, 'homeWeek'>) {
  const known = new Map<string, ReturnType<typeof fittedSession>>();
  return (
    { place, ...of }: Pick<BlocksAsk, 'phase' | 'easy'> & Readonly<{ light?: boolean; place: Place }>,
    allotment: Allotment | null
  ) => {
    const key = JSON.stringify([of, place, allotment]);
    const week = place === 'home' ? (ask.homeWeek ?? ask.week) : ask.week;
    const fitted = known.get(key) ?? fittedSession({ ...ask, week, light: false, ...of, allotment });
    known.set(key, fitted);
    return fitted;
  };
}
