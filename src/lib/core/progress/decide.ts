import { daysBetween } from '../days';
import { isHarder, type DialState } from '../exercise/dials';
import type { DialId, Setting } from '../exercise/dial';
import { cleanSessionsNeeded, metTarget, progressRules, rungOpensOn, type SessionRecord, type Verdict } from './history';
import { stretchesLine, type Exercise } from '../exercise/exercise';
import { deepens } from '../safety/ends';
import type { Gated } from '../safety/gate';
import { painKindOf, painPlaceOf, type PainEvent, type PainKindId } from '../screen/pain';
import type { Side } from '../body/side';
import type { VerdictWhy } from './why';

export type DecideAsk = Readonly<{
  prescription: Readonly<{ exercise: Exercise; dials: readonly DialState[]; sensationCap: number; sessionsPerWeek: number }>;
  /** Null for both sides together. */
  side: Side | null;
  history: readonly SessionRecord[];
  measures: Readonly<{
    lastOn: string | null;
    retestEveryDays: number;
    deepeningsSince: number;
    /** How far the tape lets a dial go that stands as high as something was measured. */
    tape?: Readonly<Partial<Record<DialId, TapeEnd>>>;
    /** The week stretches a motion of it for as long as is let. */
    isFull?: boolean;
  }>;
  /** What the gate says of it today, where it stands. */
  gated: Gated;
  /** After a session, before one, or on a pain told later. A pause counts before a session alone, so that it eases once. */
  moment: 'review' | 'resume' | 'afterwards';
  /** Pains of the last session told in other exercises, where this one loads the same joint or stretches the same line. */
  shared?: readonly Readonly<{ pain: PainEvent; exerciseName: string }>[];
  /** The same exercise on the other side: whether this one is the weaker, how many more steps it has taken in this plan, and where the other stands. */
  otherSide?: Readonly<{ isWeaker: boolean; stepsAhead: number; at?: Setting }>;
  /** A deepening of the same link and side was already decided today. */
  linkDeepenedToday?: boolean;
  today: string;
}>;

/** A measured height as a dial counts it, and the hardest the dial may stand by it: as far as the error of the measure goes. */
export type TapeEnd = Readonly<{ value: number; end: number; on: string }>;

/** Names of the rules, in their order. */
export type RuleName =
  | 'stop sign'
  | 'closed by the gate'
  | 'bone attachment'
  | 'sore joint'
  | 'sensation'
  | 'alignment'
  | 'pause'
  | 'something missing'
  | 'retest'
  | 'target met'
  | 'not yet';

export type Decision = Readonly<{
  rule: RuleName;
  verdict: Verdict;
  dial: DialId | null;
  from: number | null;
  to: number | null;
  because: readonly VerdictWhy[];
  /** What else the rule asks for. */
  asks?: readonly ('retest' | 'refer' | 'clearance')[];
}>;

/**
 * What to do next with one exercise on one side: the first rule that fires.
 *
 * Model:  stop signs and locks; aches at the bone; what the gate bars; pain, told here or where it bears on this too; sensation;
 *         alignment; a pause, before a session; missing data; a missed retest; the target met often enough; else stay. Only the
 *         last but one ever makes anything harder, and no further than the gate lets it.
 * Source: docs/sources.md#progression
 */
export function decide(ask: DecideAsk): Decision {
  for (const [rule, decideBy] of rules) {
    const decision = decideBy(ask);
    if (decision) return { rule, ...decision };
  }
  return { rule: 'not yet', ...stay({ code: 'not met yet' }) };
}

type Outcome = Omit<Decision, 'rule'>;
type Rule = (ask: DecideAsk) => Outcome | null;

const lastOf = (ask: DecideAsk): SessionRecord | undefined => ask.history.at(-1);

const stopSign: Rule = (ask) => {
  const bar = ask.gated.bars.find((b) => b.code === 'stop' && !('line' in b.stop));
  if (bar) return stop({ code: 'gate', reason: bar }, ['clearance']);
  const sign = lastOf(ask)?.pains.find((p) => painKindOf(p.kind).locks);
  return sign ? stop({ code: 'stop sign', kind: sign.kind }, ['clearance']) : null;
};

const boneAttachment: Rule = (ask) => {
  const rest = ask.gated.bars.find(
    (b) => (b.code === 'stop' && 'line' in b.stop) || (b.code === 'limit' && b.limit.line !== undefined)
  );
  if (rest) return stop({ code: 'gate', reason: rest }, ['refer']);
  const ache = lastOf(ask)?.pains.find((p) => p.kind === 'bone_attachment');
  if (!ache) return null;
  const { lines } = painPlaceOf(ache.place);
  const stretched = lines.some((line) => stretchesLine(ask.prescription.exercise, ask.side, { line, side: ache.side }));
  const why = { code: 'ache at the bone', place: ache.place, rests: stretched } as const;
  return stretched ? stop(why, ['refer']) : { ...ease(ask, why), asks: ['refer'] };
};

/** What a limit, an age or a stage bars is not decided on: it is not done. */
const closedByGate: Rule = ({ gated }) => {
  // A pain that was told is what is decided on here.
  const bars = gated.bars.filter((b) => b.code !== 'told pain');
  return bars.length > 0 ? stay(...bars.map((reason) => ({ code: 'gate', reason }) as const)) : null;
};

/** Kinds of pain that ask for a step back. */
export const sorePainKinds: readonly PainKindId[] = ['joint', 'pinch', 'afterwards'];

export const isSore = (pain: PainEvent): boolean => sorePainKinds.includes(pain.kind);
const sorePain = (record: SessionRecord | undefined): PainEvent | undefined => record?.pains.find(isSore);
const told = ({ kind, place, side }: PainEvent) => ({ kind, place, side });

const jointPain: Rule = (ask) => {
  const sore = sorePain(lastOf(ask));
  if (sore) {
    if (sorePain(ask.history.at(-2))) return stop({ code: 'sore twice', pain: told(sore) }, ['refer']);
    return ease(ask, { code: 'sore', pain: told(sore) });
  }
  const shared = ask.shared?.find(({ pain }) => isSore(pain));
  return shared ? ease(ask, { code: 'sore elsewhere', exerciseName: shared.exerciseName, pain: told(shared.pain) }) : null;
};

const sensationAboveCap: Rule = (ask) => {
  const cap = ask.prescription.sensationCap;
  const last = lastOf(ask);
  const highest = Math.max(-1, ...(last?.sets.map((s) => (s.clean ? -1 : (s.sensation ?? -1))) ?? []));
  if (highest > cap) return ease(ask, { code: 'sensation', value: highest, cap });
  return last?.pains.some((p) => p.kind === 'too_strong') ? ease(ask, { code: 'too strong' }) : null;
};

const alignmentLost = (record: SessionRecord | undefined): boolean => {
  const sets = record?.sets ?? [];
  return sets.length > 0 && sets.filter((s) => !s.clean && s.alignmentKept === false).length >= sets.length / 2;
};

const alignment: Rule = (ask) => {
  if (!alignmentLost(lastOf(ask))) return null;
  return alignmentLost(ask.history.at(-2))
    ? ease(ask, { code: 'shape lost', again: true })
    : stay({ code: 'shape lost', again: false });
};

const somethingMissing: Rule = (ask) => {
  const last = lastOf(ask);
  if (!last) return stay({ code: 'nothing logged' });
  const unsaid = last.sets.some((s) => !s.clean && (s.sensation === null || s.alignmentKept === null || s.feltRight === null));
  if (unsaid) return stay({ code: 'something unsaid' });
  if (last.sets.length < progressRules.setsDoneShare * last.plannedSets)
    return stay({ code: 'sets missing', done: last.sets.length, planned: last.plannedSets });
  return null;
};

const pauses: Rule = (ask) => {
  if (ask.moment !== 'resume') return null;
  const last = lastOf(ask);
  const usualDays = 7 / ask.prescription.sessionsPerWeek;
  const missed = last ? Math.floor(daysBetween(last.on, ask.today) - usualDays) : 0;
  if (missed > progressRules.longPauseDays)
    return { ...ease(ask, { code: 'days missed', days: missed, measureFirst: true }), asks: ['retest'] };
  return missed >= progressRules.missedDays ? ease(ask, { code: 'days missed', days: missed, measureFirst: false }) : null;
};

const retests: Rule = (ask) => {
  const { lastOn, retestEveryDays, deepeningsSince } = ask.measures;
  if (lastOn === null || daysBetween(lastOn, ask.today) > retestEveryDays)
    return { ...stay({ code: 'retest overdue' }), asks: ['retest'] };
  if (deepeningsSince >= progressRules.deepeningsPerMeasure)
    return { ...stay({ code: 'many deepenings', count: deepeningsSince }), asks: ['retest'] };
  return null;
};

const targetMet: Rule = (ask) => {
  const { dials, sensationCap } = ask.prescription;
  const lastEase = ask.history.findLastIndex((r) => r.decision?.verdict === 'ease');
  const lastMove = ask.history.findLastIndex((r) => r.decision?.verdict === 'deepen');
  // What was met before the last move was met at another setting.
  const atThisSetting = ask.history.slice(Math.max(lastEase, lastMove) + 1);
  const metRunning = atThisSetting.length - 1 - atThisSetting.findLastIndex((r) => !metTarget(r, sensationCap));
  const needed = lastEase > lastMove ? progressRules.cleanSessionsAfterEase : progressRules.cleanSessions;
  if (metRunning < needed) return null;

  const met: VerdictWhy = { code: 'target met', sessions: metRunning };
  const { gated } = ask;
  if (gated.keeps) return stay({ code: 'gate', reason: gated.keeps }, met);
  // What has no step left takes nobody's turn, and waits for none.
  const hasStep = dials.some((d) => d.harder !== null);
  if (hasStep && ask.linkDeepenedToday) return stay({ code: 'link deepened' }, met);
  if (hasStep && ask.otherSide && !ask.otherSide.isWeaker && ask.otherSide.stepsAhead >= 1)
    return stay({ code: 'weaker side leads' }, met);

  const held: VerdictWhy[] = [];
  for (const dial of dials) {
    if (dial.harder === null) {
      const end = gated.ends[dial.id];
      if (end) held.push({ code: 'gate', reason: end.why });
      continue;
    }
    if (ask.measures.isFull && lengthening.has(dial.id)) {
      held.push({ code: 'week full' });
      continue;
    }
    if (isFarAhead(ask, dial.id, dial.harder)) {
      held.push({ code: 'side ahead' });
      continue;
    }
    const tape = ask.measures.tape?.[dial.id];
    if (tape && isHarder(dialOf(ask, dial.id), dial.harder, tape.end)) {
      held.push({ code: 'past the tape', to: dial.harder, unit: dial.unit, measured: tape.value, on: tape.on });
      continue;
    }
    const opensOn = rungOpensOn(dial, ask.history, ask.today);
    if (opensOn) {
      held.push({ code: 'came back twice', from: dial.harder, unit: dial.unit, opensOn });
      continue;
    }
    const wait = cleanSessionsNeeded(dial.id, ask.history, sensationCap);
    if (metRunning < wait) return stay({ code: 'taken back before', needed: wait, sessions: metRunning }, met);
    const soon = gated.waits[dial.id];
    if (soon) return stay({ code: 'gate', reason: soon.why }, met);
    return { verdict: 'deepen', dial: dial.id, from: dial.at, to: dial.harder, because: [met, ...held] };
  }
  if (held.some((why) => why.code === 'week full')) return stay(...held, met);
  if (held.some((why) => why.code === 'side ahead')) return stay(...held, met);
  if (held.some((why) => why.code === 'past the tape')) return { ...stay(...held, met), asks: ['retest'] };
  // A step that is closed for a while is no end.
  const closed = held.filter((why) => why.code === 'came back twice');
  return closed.length > 0 ? stay(...closed, met) : stay({ code: 'all at their end' }, met, ...held);
};

/** Dials by which an exercise takes longer. */
const lengthening: ReadonlySet<DialId> = new Set<DialId>(['holdS', 'contractionS', 'rounds', 'breaths', 'reps']);

/** How far a side may be ahead of the other in what it is given: one round, twenty seconds, or one step (common practice). */
const mostAhead: Readonly<Partial<Record<DialId, number>>> = { rounds: 1, holdS: 20 };

/** True where a side would be given more than a little more than the other: sides differ in depth, not in dose. */
function isFarAhead({ otherSide, prescription: { exercise } }: DecideAsk, id: DialId, to: number): boolean {
  const dial = exercise.dials.find((d) => d.id === id)!;
  const other = otherSide?.at?.[id];
  if (other === undefined || deepens(dial)) return false;
  return Math.abs(to - other) > Math.max(dial.step, mostAhead[id] ?? 0) && isHarder(dial, to, other);
}

const dialOf = ({ prescription }: DecideAsk, id: DialId) => prescription.exercise.dials.find((d) => d.id === id)!;

const rules: readonly (readonly [RuleName, Rule])[] = [
  ['stop sign', stopSign],
  ['bone attachment', boneAttachment],
  ['closed by the gate', closedByGate],
  ['sore joint', jointPain],
  ['sensation', sensationAboveCap],
  ['alignment', alignment],
  ['pause', pauses],
  ['something missing', somethingMissing],
  ['retest', retests],
  ['target met', targetMet]
];

const stay = (...because: VerdictWhy[]): Outcome => ({ verdict: 'stay', dial: null, from: null, to: null, because });
const stop = (why: VerdictWhy, asks: Decision['asks']): Outcome => ({
  verdict: 'stop',
  dial: null,
  from: null,
  to: null,
  because: [why],
  asks
});

/** Reverts the dial moved last; where none was moved, or it was moved away since, the first that can be eased. */
function ease(ask: DecideAsk, why: VerdictWhy): Outcome {
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
      because: [why, { code: 'all at their easiest' }]
    };
  return { verdict: 'ease', dial: dial.id, from: dial.at, to: dial.easier, because: [why] };
}
