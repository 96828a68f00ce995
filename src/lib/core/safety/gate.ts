import type { DialId } from '../exercise/dial';
import { setByInstructor } from '../screen/screen';
import type { GateAsk } from './ask';
import { barsOf } from './bars';
import { capsOf, type Caps } from './caps';
import { endsOf, firstAttempt, longestHoldOf, noHarderOf, type DialEnds } from './ends';
import type { GateReason } from './reason';
import { capReasons, endStopReasons, rememberOf } from './told';
import { waitsOf, type DialWaits } from './waits';

export type Gated = Readonly<{
  verdict: 'allowed' | 'allowed within' | 'barred';
  bars: readonly GateReason[];
  ends: DialEnds;
  waits: DialWaits;
  /** Why nothing of it is made harder than it stands; null where it may be. */
  noHarder: GateReason | null;
  /** Why no verdict makes it harder, though it may be set by hand inside its ends; null where one may. */
  keeps: GateReason | null;
  caps: Caps;
  /** The longest it is held at one go, whatever way it is done in; null where nothing says so. */
  longestHoldS: number | null;
  /** What keeps it within, each once. */
  within: readonly GateReason[];
  /** What bears on it and is for the people in the room to keep. */
  remember: readonly GateReason[];
}>;

/**
 * What a person may do of an exercise on a side, and how far: the one question every list, grade, plan and page asks.
 *
 * Model:  barred by a closed person, a stop, a resting line, a limit or a stage; else held within the ends of its dials, caps and
 *         waits. One more limit, stop or lock never allows more.
 * Source: docs/safety.md, docs/sources.md#safety
 */
export function gate(ask: GateAsk): Gated {
  const bars = barsOf(ask);
  const noHarder = noHarderOf(ask);
  const ends = endsOf(ask, noHarder);
  const waits = waitsOf(ask);
  const caps = capsOf(ask.person.limits);
  const within = distinct([
    // The usual cap is no limit of the answers: it is told once, at the head of a session.
    ...Object.values(ends).flatMap((end) => (end && !isUsual(end.why) ? [end.why] : [])),
    ...capReasons(ask),
    ...endStopReasons(ask),
    ...(noHarder ? [noHarder] : []),
    ...Object.values(waits).flatMap((w) => (w ? [w.why] : []))
  ]);
  return {
    verdict: bars.length > 0 ? 'barred' : within.length > 0 ? 'allowed within' : 'allowed',
    bars,
    ends,
    waits,
    noHarder,
    keeps: noHarder ?? firstAttempt(ask),
    caps,
    longestHoldS: longestHoldOf(ask),
    within,
    remember: rememberOf(ask)
  };
}

/** The ends alone, as dials ask for them. */
export const endValues = ({ ends }: Pick<Gated, 'ends'>): Readonly<Partial<Record<DialId, number>>> =>
  Object.fromEntries(Object.entries(ends).map(([id, end]) => [id, end!.at]));

const isUsual = (why: GateReason): boolean => why.code === 'limit' && why.limit.from === setByInstructor;

const distinct = (reasons: readonly GateReason[]): GateReason[] => [
  ...new Map(reasons.map((r) => [JSON.stringify(r), r])).values()
];
