import { dayText } from '../days';
import type { DialState } from '../exercise/dials';
import type { GateReason } from '../safety/reason';
import { reasonText } from '../safety/text';
import { painKindOf, painPlaceOf, type PainEvent, type PainKindId, type PainPlaceId } from '../screen/pain';

/** Why a verdict is what it is: a code with its numbers, kept as such; the sentence is made last. */
export type VerdictWhy =
  | Readonly<{ code: 'gate'; reason: GateReason }>
  | Readonly<{ code: 'stop sign'; kind: PainKindId }>
  /** `rests`: what stretches it passively rests until it is quiet; else it only came in this exercise. */
  | Readonly<{ code: 'ache at the bone'; place: PainPlaceId; rests: boolean }>
  | Readonly<{ code: 'sore' | 'sore twice'; pain: Told }>
  | Readonly<{ code: 'sore elsewhere'; exerciseName: string; pain: Told }>
  | Readonly<{ code: 'sensation'; value: number; cap: number }>
  | Readonly<{ code: 'shape lost'; again: boolean }>
  | Readonly<{ code: 'sets missing'; done: number; planned: number }>
  | Readonly<{ code: 'days missed'; days: number; measureFirst: boolean }>
  | Readonly<{ code: 'many deepenings'; count: number }>
  | Readonly<{ code: 'target met'; sessions: number }>
  | Readonly<{
      code: 'came back twice';
      from: number;
      unit: DialState['unit'];
      /** Missing in decisions kept before a closed step had a day to open. */
      opensOn?: string;
    }>
  | Readonly<{ code: 'past the tape'; to: number; unit: DialState['unit']; measured: number; on: string }>
  | Readonly<{ code: 'taken back before'; needed: number; sessions: number }>
  | Readonly<{ code: PlainWhy }>
  /** A sentence kept before there were codes. */
  | Readonly<{ code: 'kept'; text: string }>;

type Told = Pick<PainEvent, 'kind' | 'place' | 'side'>;
export type PlainWhy = keyof typeof plainTexts;

const plainTexts = {
  'too strong': 'The stretch was told as too strong.',
  'nothing logged': 'Nothing is logged yet.',
  'something unsaid': 'A set has unanswered questions.',
  'retest overdue': 'A new measure is overdue. Measure before anything is made harder.',
  'week full': 'This motion already gets as much stretch a week as does any good: nothing gets longer.',
  'link deepened': 'This motion was already made harder today.',
  'weaker side leads': 'The weaker side leads; this side is already one step ahead.',
  'side ahead': 'Both sides get the same, the tighter one a little more at most: the other side follows first.',
  'all at their end': 'This is the hardest setting: take the next harder exercise, or the goal is reached.',
  'all at their easiest': 'This is the easiest setting: take the easier exercise.',
  'not met yet': 'The target is not met twice running yet.'
} as const;

const round = (n: number): number => Math.round(n * 10) / 10;
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const toldText = ({ kind, place, side }: Told): string =>
  `${lower(painKindOf(kind).label)}, ${side ? `${side} ` : ''}${lower(painPlaceOf(place).label)}`;

/** A whole sentence for why a verdict is what it is. A forgotten code does not compile. */
export function whyText(why: VerdictWhy): string {
  switch (why.code) {
    case 'gate':
      return reasonText(why.reason);
    case 'stop sign':
      return `A stop sign: ${lower(painKindOf(why.kind).label)}.`;
    case 'ache at the bone': {
      const place = lower(painPlaceOf(why.place).label);
      return why.rests
        ? `An ache at the bone (${place}): what stretches it passively rests until it is quiet.`
        : `An ache at the bone (${place}) came in this exercise.`;
    }
    case 'sore':
      return `${capital(toldText(why.pain))}.`;
    case 'sore twice':
      return `Joint or closing-side pain, or pain afterwards, twice running (${toldText(why.pain)}).`;
    case 'sore elsewhere':
      return `In ${lower(why.exerciseName)}: ${toldText(why.pain)}. This bears on it too.`;
    case 'sensation':
      return `Sensation ${why.value} of 10, above the cap of ${why.cap}.`;
    case 'shape lost':
      return `Shape was lost in half the sets or more${why.again ? ', the second time running' : ''}.`;
    case 'sets missing':
      return `${why.done} of ${why.planned} planned sets were done.`;
    case 'days missed':
      return `${why.days} days missed: resume a step back${why.measureFirst ? ', and measure before going on' : ''}.`;
    case 'many deepenings':
      return `${why.count} steps harder since the last measure: measure again first.`;
    case 'target met':
      return `Target met, under the cap and in shape, ${why.sessions} sessions running.`;
    case 'came back twice':
      return `Twice back from ${why.from} ${why.unit}: change another setting, or wait${why.opensOn ? ` until ${dayText(why.opensOn)}` : ''}.`;
    case 'past the tape':
      return `The tape showed ${round(why.measured)} ${why.unit} on ${dayText(why.on)}: ${round(why.to)} ${why.unit} is further than its error allows. Measure first.`;
    case 'taken back before':
      return `It was taken back before: ${why.needed} sessions as planned first, ${why.sessions} so far.`;
    case 'kept':
      return why.text;
    default:
      return plainTexts[why.code];
  }
}
