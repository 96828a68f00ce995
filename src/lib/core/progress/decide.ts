import { daysBetween } from '../days';
import type { DialState } from '../exercise/dials';
import type { DialId } from '../exercise/dial';
import { loadedJoints, type Exercise, type JointSide, type Line } from '../exercise/exercise';
import { isLocked, painKindOf, painPlaceOf, type PainEvent, type PainKindId } from '../screen/pain';
import { hasLimit, waitOf, type Limit } from '../screen/limit';
import { otherSide, type Side } from '../side';

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

export type DecideAsk = Readonly<{
  prescription: Readonly<{ exercise: Exercise; dials: readonly DialState[]; sensationCap: number; sessionsPerWeek: number }>;
  side: Side;
  history: readonly SessionRecord[];
  measures: Readonly<{ lastOn: string | null; retestEveryDays: number; deepeningsSince: number }>;
  limits: readonly Limit[];
  locks: readonly JointSide[];
  /** Lines with an open ache at their bone attachment. */
  restedLines?: readonly Readonly<{ line: Line; side: Side }>[];
  /** Other side of the same exercise: whether it is the weaker one, and how many more steps this side has taken in this plan. */
  otherSide?: Readonly<{ isWeaker: boolean; stepsAhead: number }>;
  /** A deepening of the same link and side was already decided today. */
  linkDeepenedToday?: boolean;
  today: string;
}>;

/** Names of the rules, in their order. */
export type RuleName =
  | 'stop sign'
  | 'bone attachment'
  | 'sore joint'
  | 'sensation'
  | 'alignment'
  | 'something missing'
  | 'pause or retest'
  | 'target met'
  | 'not yet';

export type Decision = Readonly<{
  rule: RuleName;
  verdict: Verdict;
  dial: DialId | null;
  from: number | null;
  to: number | null;
  because: readonly string[];
  /** What else the rule asks for. */
  asks?: readonly ('retest' | 'refer' | 'clearance')[];
}>;

/** Common practice, docs/sources.md#progression. Days, sessions and shares. */
export const progressRules = {
  setsDoneShare: 0.8,
  cleanSessions: 2,
  cleanSessionsAfterEase: 3,
  depthEveryDays: 7,
  missedDays: 7,
  longPauseDays: 14,
  deepeningsPerMeasure: 4,
  returnsFromRung: 2,
  longestWait: 24
} as const;

/**
 * What to do next with one exercise on one side: the first rule that fires.
 *
 * Model:  stop signs and locks; pain; sensation; alignment; missing data; missed retests and pauses; the target met often
 *         enough; else stay. Only the seventh rule ever makes anything harder.
 * Source: docs/sources.md#progression
 */
export function decide(ask: DecideAsk): Decision {
  for (const [rule, decideBy] of rules) {
    const decision = decideBy(ask);
    if (decision) return { rule, ...decision };
  }
  return { rule: 'not yet', ...stay('The target is not met twice running yet.') };
}

type Outcome = Omit<Decision, 'rule'>;
type Rule = (ask: DecideAsk) => Outcome | null;

const lastOf = (ask: DecideAsk): SessionRecord | undefined => ask.history.at(-1);

const stopSign: Rule = (ask) => {
  const joints = loadedJoints(ask.prescription.exercise, ask.side);
  if (isLocked(joints, ask.locks)) return stop('A joint it loads is locked until a named person clears it.', ['clearance']);
  const sign = lastOf(ask)?.pains.find((p) => painKindOf(p.kind).locks);
  return sign ? stop(`A stop sign: ${lower(painKindOf(sign.kind).label)}.`, ['clearance']) : null;
};

const boneAttachment: Rule = (ask) => {
  const { exercise } = ask.prescription;
  const onLine = exercise.lines.find(({ line, on }) => {
    const side = on === 'same' ? ask.side : otherSide(ask.side);
    return (
      ask.restedLines?.some((r) => r.line === line && r.side === side) ||
      lastOf(ask)?.pains.some((p) => p.kind === 'bone_attachment' && painPlaceOf(p.place).line === line && p.side === side)
    );
  });
  return onLine
    ? stop(`An ache at the bone: the ${onLine.line} line is not stretched passively until it is quiet.`, ['refer'])
    : null;
};

const sorePains: ReadonlySet<PainKindId> = new Set(['joint', 'pinch', 'afterwards']);

const sorePain = (record: SessionRecord | undefined): PainEvent | undefined => record?.pains.find((p) => sorePains.has(p.kind));

const jointPain: Rule = (ask) => {
  const sore = sorePain(lastOf(ask));
  if (!sore) return null;
  if (sorePain(ask.history.at(-2))) return stop('Joint or closing-side pain, or pain afterwards, twice running.', ['refer']);
  return ease(ask, `${painKindOf(sore.kind).label}.`);
};

const sensationAboveCap: Rule = (ask) => {
  const cap = ask.prescription.sensationCap;
  const last = lastOf(ask);
  const highest = Math.max(-1, ...(last?.sets.map((s) => (s.clean ? -1 : (s.sensation ?? -1))) ?? []));
  if (highest > cap) return ease(ask, `Sensation ${highest} of 10, above the cap of ${cap}.`);
  return last?.pains.some((p) => p.kind === 'too_strong') ? ease(ask, 'The stretch was told as too strong.') : null;
};

const alignmentLost = (record: SessionRecord | undefined): boolean => {
  const sets = record?.sets ?? [];
  return sets.length > 0 && sets.filter((s) => !s.clean && s.alignmentKept === false).length >= sets.length / 2;
};

const alignment: Rule = (ask) => {
  if (!alignmentLost(lastOf(ask))) return null;
  return alignmentLost(ask.history.at(-2))
    ? ease(ask, 'Shape was lost in half the sets or more, the second time running.')
    : stay('Shape was lost in half the sets or more.');
};

const somethingMissing: Rule = (ask) => {
  const last = lastOf(ask);
  if (!last) return stay('Nothing is logged yet.');
  const unsaid = last.sets.some((s) => !s.clean && (s.sensation === null || s.alignmentKept === null || s.feltRight === null));
  if (unsaid) return stay('Something about a set was not said.');
  if (last.sets.length < progressRules.setsDoneShare * last.plannedSets)
    return stay(`${last.sets.length} of ${last.plannedSets} planned sets were done.`);
  return null;
};

const pausesAndRetests: Rule = (ask) => {
  const last = lastOf(ask);
  const usualDays = 7 / ask.prescription.sessionsPerWeek;
  const missed = last ? Math.floor(daysBetween(last.on, ask.today) - usualDays) : 0;
  if (missed > progressRules.longPauseDays)
    return { ...ease(ask, `${missed} days missed: resume a step back, and measure before going on.`), asks: ['retest'] };
  if (missed >= progressRules.missedDays) return ease(ask, `${missed} days missed: resume a step back.`);
  const { lastOn, retestEveryDays, deepeningsSince } = ask.measures;
  if (lastOn === null || daysBetween(lastOn, ask.today) > retestEveryDays)
    return { ...stay('A retest is overdue: measure before deepening.'), asks: ['retest'] };
  if (deepeningsSince >= progressRules.deepeningsPerMeasure)
    return { ...stay(`${deepeningsSince} deepenings since the last measure: measure again first.`), asks: ['retest'] };
  return null;
};

const metTarget = (record: SessionRecord, cap: number): boolean =>
  record.sets.length > 0 &&
  record.sets.length >= progressRules.setsDoneShare * record.plannedSets &&
  record.pains.every((p) => painKindOf(p.kind).action === 'carry on') &&
  record.sets.every(
    (s) =>
      s.clean || (s.targetMet && s.alignmentKept === true && s.feltRight === true && s.sensation !== null && s.sensation <= cap)
  );

const targetMet: Rule = (ask) => {
  const { dials, sensationCap } = ask.prescription;
  const lastEase = ask.history.findLastIndex((r) => r.decision?.verdict === 'ease');
  const lastMove = ask.history.findLastIndex((r) => r.decision?.verdict === 'deepen');
  // What was met before the last move was met at another setting.
  const atThisSetting = ask.history.slice(Math.max(lastEase, lastMove) + 1);
  const metRunning = atThisSetting.length - 1 - atThisSetting.findLastIndex((r) => !metTarget(r, sensationCap));
  const needed = lastEase > lastMove ? progressRules.cleanSessionsAfterEase : progressRules.cleanSessions;
  if (metRunning < needed) return null;

  const met = `Target met, under the cap and in shape, ${metRunning} sessions running.`;
  if (ask.locks.length > 0) return stay('While a stop is open, nothing is deepened.', met);
  if (hasLimit(ask.limits, 'no deepening')) return stay('A limit says: nothing is deepened.', met);
  if (hasLimit(ask.limits, 'half way only')) return stay('A first attempt stays half way; screen again to go on.', met);
  if (ask.linkDeepenedToday) return stay('This link was already deepened today.', met);
  if (ask.otherSide && !ask.otherSide.isWeaker && ask.otherSide.stepsAhead >= 1)
    return stay('The weaker side leads; this side is already one step ahead.', met);

  const held: string[] = [];
  for (const dial of dials) {
    if (dial.harder === null) continue;
    if (returnsFrom(dial, ask) >= progressRules.returnsFromRung) {
      held.push(`Twice back from ${dial.harder} ${dial.unit}: another dial instead.`);
      continue;
    }
    const wait = cleanSessionsNeeded(dial.id, ask);
    if (metRunning < wait) return stay(`It was taken back before: ${wait} clean sessions first, ${metRunning} so far.`, met);
    const waitDays = daysToWait(dial.id, ask);
    if (waitDays > 0) return stay(`A depth is not moved again so soon: ${waitDays} more days.`, met);
    return { verdict: 'deepen', dial: dial.id, from: dial.at, to: dial.harder, because: [met, ...held] };
  }
  return stay('Every dial is at its end: the next harder exercise, or the goal is reached.', met, ...held);
};

/**
 * Clean sessions before a dial is tried again. A step that had to be taken back doubles the wait it had had; a step that was
 * kept shortens it by one. Without it a client whose tissue is slower than the rule is sent up and down for ever.
 */
function cleanSessionsNeeded(dial: DialId, { history, prescription }: DecideAsk): number {
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
      if (tried > 0 && !metTarget(record, prescription.sensationCap))
        needed = Math.min(progressRules.longestWait, 2 * Math.max(needed, tried));
      tried = 0;
      sinceMove = 0;
    }
  }
  return needed;
}

/** How often the next setting of a dial was taken back, since another dial was last moved instead. */
function returnsFrom(dial: DialState, { history }: DecideAsk): number {
  const elsewhere = history.findLastIndex((r) => r.decision?.verdict === 'deepen' && r.decision.dial !== dial.id);
  return history
    .slice(elsewhere + 1)
    .filter(({ decision: d }) => d?.verdict === 'ease' && d.dial === dial.id && d.from === dial.harder).length;
}

function daysToWait(dial: DialId, ask: DecideAsk): number {
  if (dial !== 'depthCm') return 0;
  const last = ask.history.findLast((r) => r.decision?.verdict === 'deepen' && r.decision.dial === dial);
  const every = waitOf(ask.limits, 'deepening at most every', ask.side, progressRules.depthEveryDays);
  return last ? Math.max(0, every - daysBetween(last.on, ask.today)) : 0;
}

const rules: readonly (readonly [RuleName, Rule])[] = [
  ['stop sign', stopSign],
  ['bone attachment', boneAttachment],
  ['sore joint', jointPain],
  ['sensation', sensationAboveCap],
  ['alignment', alignment],
  ['something missing', somethingMissing],
  ['pause or retest', pausesAndRetests],
  ['target met', targetMet]
];

const stay = (...because: string[]): Outcome => ({ verdict: 'stay', dial: null, from: null, to: null, because });
const stop = (why: string, asks: Decision['asks']): Outcome => ({
  verdict: 'stop',
  dial: null,
  from: null,
  to: null,
  because: [why],
  asks
});

/** Reverts the dial moved last; where none was moved, or it was moved away since, the first that can be eased. */
function ease(ask: DecideAsk, why: string): Outcome {
  const { dials } = ask.prescription;
  const moved = ask.history.findLast((r) => r.decision?.verdict === 'deepen')?.decision;
  const last = dials.find((d) => d.id === moved?.dial && d.easier !== null);
  const dial = last ?? dials.find((d) => d.easier !== null);
  if (!dial)
    return {
      verdict: 'ease',
      dial: null,
      from: null,
      to: null,
      because: [why, 'Every dial is at its easiest: take the easier exercise.']
    };
  return { verdict: 'ease', dial: dial.id, from: dial.at, to: dial.easier, because: [why] };
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
