import { CoreError } from '../errors';
import { capsOf } from '../safety/caps';
import { arrangedSession, usualArrangement, type Arrangement } from '../session/arrange';
import { isLookedAt, isWorked, type Block } from '../session/block';
import { compileSession, orderBlocks } from '../session/compileSession';
import type { Cut } from '../session/fitToMinutes';
import { isSuperset } from '../session/precedence';
import { reducedBlock } from '../session/reducedBlock';
import type { Allotment } from './allotment';
import type { LeftOut } from './leftOut';
import { shareOf } from './phases';
import type { WeekAsk } from './planWeek';
import { sessionBlocks, type BlocksAsk } from './sessionBlocks';
import type { Place } from './sessionSlot';

/**
 * What a session could hold: every block uncut, in the usual order; in a week that holds less, each block smaller than it is in a usual one.
 *
 * Throws: CoreError 'nothing_in_week', 'everything_locked', and there those of `fittedSession`.
 */
export function uncutSession(ask: BlocksAsk) {
  const whole = wholeSession(ask);
  if (ask.amount === 'whole') return whole;
  const { blocks } = arrangedSession(
    whole.blocks,
    usualArrangement(whole.blocks, ask.minutes),
    capsOf(ask.person.limits).effortPct
  );
  const usual = whole.blocks.map((block) => blocks.find((b) => b.exerciseId === block.exerciseId) ?? block);
  return { ...whole, blocks: usual.map((block) => lessOf(block, ask)) };
}

function wholeSession(ask: BlocksAsk) {
  if (ask.week.length === 0) throw new CoreError('nothing_in_week');
  const { blocks, leftOut, cuts } = sessionBlocks(ask);
  if (!blocks.some(isWorked)) throw new CoreError('everything_locked');
  const ordered = orderBlocks(blocks);
  const inTurn = ordered.map((b, i) =>
    isSuperset(ordered[i - 1]?.exerciseId, b.exerciseId) ? { ...b, joins: true as const } : b
  );
  return { blocks: inTurn, leftOut, cuts };
}

type FittedSession = ReturnType<typeof arrangedSession> & Readonly<{ leftOut: readonly LeftOut[] }>;

/**
 * One session of a phase as it was arranged, or as usual, cut to the minutes.
 *
 * Throws: CoreError 'nothing_in_week', 'minutes_too_few', 'everything_locked', and those of `arrange`.
 */
export function fittedSession(ask: BlocksAsk, arrangement?: Arrangement): FittedSession {
  if (!arrangement && ask.amount !== 'whole') return smallerSession(ask);
  const putIn = new Set(arrangement?.parts.map((p) => p.exerciseId));
  const { blocks, leftOut, cuts } = uncutSession({ ...ask, putIn });
  const given = arrangedSession(
    blocks,
    arrangement ?? usualArrangement(blocks, ask.minutes),
    capsOf(ask.person.limits).effortPct
  );
  return { ...given, cuts: [...cuts, ...given.cuts], leftOut };
}

/** A block as a week holds it that holds less. What somebody shaped is done as it was shaped from the first day on. */
function lessOf(block: Block, { amount, level }: BlocksAsk): Block {
  const isShaped = block.because.some((why) => typeof why === 'object' && why.code === 'shaped');
  if (!isWorked(block) || isLookedAt(block) || amount === 'whole' || (amount === 'first week' && isShaped)) return block;
  return { ...reducedBlock(block, shareOf(amount, level)), because: [...block.because, { code: amount }] };
}

/** The session of a usual week, with less of each block: what found no room there finds none here either. */
function smallerSession(ask: BlocksAsk): FittedSession {
  const usual = fittedSession({ ...ask, amount: 'whole' });
  const blocks = usual.blocks.map((block) => lessOf(block, ask));
  const isGone = (cut: Cut) => !blocks.some((b) => b.exerciseId === cut.exerciseId);
  const { durationS } = compileSession(blocks, { effortCapPct: capsOf(ask.person.limits).effortPct, ...usual.options });
  return { ...usual, blocks, durationS, cuts: usual.cuts.filter(isGone) };
}

/** Sessions of one kind are the same session: composed once. */
export function sessionComposer(ask: Omit<BlocksAsk, 'phase' | 'amount' | 'light' | 'allotment'> & Pick<WeekAsk, 'homeWeek'>) {
  const known = new Map<string, ReturnType<typeof fittedSession>>();
  return (
    { place, ...of }: Pick<BlocksAsk, 'phase' | 'amount'> & Readonly<{ light?: boolean; place: Place }>,
    allotment: Allotment | null
  ) => {
    const key = JSON.stringify([of, place, allotment]);
    const week = place === 'home' ? (ask.homeWeek ?? ask.week) : ask.week;
    const fitted = known.get(key) ?? fittedSession({ ...ask, week, light: false, ...of, allotment });
    known.set(key, fitted);
    return fitted;
  };
}
