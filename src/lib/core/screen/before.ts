import { requireRange } from '../errors';
import type { Limit } from './limit';
import { painKindOf, type PainEvent, type PainKindId } from './pain';

export const todayThings = ['poor sleep', 'painkillers', 'period', 'hard training', 'ill or tired'] as const;
export type TodayThing = (typeof todayThings)[number];

/** The three taps before a session. */
export type BeforeAnswers = Readonly<{
  /** A new pain, illness or symptom: the session waits for what it is. */
  newSymptom: boolean;
  /** What it is, once it is said. */
  symptom: PainEvent | null;
  /** How sore the region is, 0 not at all to 10. */
  soreness: number;
  today: readonly TodayThing[];
}>;

/** From here on the session goes one step easier; from the second it does not start (assumptions: docs/sources.md#screening). */
export const sorenessRules = { easier: 4, tooSore: 7 } as const;

export type Readiness = Readonly<{
  starts: boolean;
  /** One step easier on every exercise today. */
  easier: boolean;
  /** Limits of today alone. */
  limits: readonly Limit[];
  because: readonly ReadinessWhy[];
}>;

/** Why a session waits, goes easier or is held; a code with its numbers. */
export type ReadinessWhy =
  /** Null: a symptom that was not said what it is. */
  | Readonly<{ code: 'symptom'; kind: PainKindId | null }>
  | Readonly<{ code: 'soreness'; soreness: number; tooSore: boolean }>
  | Readonly<{ code: 'tiring'; things: readonly TodayThing[] }>
  | Readonly<{ code: 'painkillers' }>;

export function readinessText(why: ReadinessWhy): string {
  switch (why.code) {
    case 'symptom':
      return why.kind ? painKindOf(why.kind).advice : 'A new pain, illness or symptom: say what it is first.';
    case 'soreness':
      return `Soreness ${why.soreness} of 10: ${why.tooSore ? 'not today' : 'one step easier today'}.`;
    case 'tiring':
      return `${capital(why.things.join(', '))}: one step easier today.`;
    case 'painkillers':
      return 'Painkillers today: nothing is made harder after this session.';
  }
}

/**
 * What the three taps make of a session.
 *
 * Model:  a new symptom keeps it from starting until it is said what it is, and then as the pain picker says; so does strong
 *         soreness; soreness, poor sleep, illness or hard training make it one
 *         step easier; painkillers hide what should be felt, so nothing is deepened today.
 * Throws: CoreError 'out_of_range'.
 */
export function before({ newSymptom, symptom, soreness, today }: BeforeAnswers): Readiness {
  requireRange('soreness', soreness, 0, 10);
  const because: ReadinessWhy[] = [];
  const kind = newSymptom && symptom ? painKindOf(symptom.kind) : null;
  const bars = newSymptom && (kind === null || (kind.action !== 'carry on' && kind.action !== 'ease'));
  if (newSymptom) because.push({ code: 'symptom', kind: symptom?.kind ?? null });
  if (soreness >= sorenessRules.easier) because.push({ code: 'soreness', soreness, tooSore: soreness >= sorenessRules.tooSore });
  const tiring = today.filter((t) => t === 'poor sleep' || t === 'hard training' || t === 'ill or tired');
  if (tiring.length > 0) because.push({ code: 'tiring', things: tiring });
  const numbed = today.includes('painkillers');
  if (numbed) because.push({ code: 'painkillers' });
  return {
    starts: !bars && soreness < sorenessRules.tooSore,
    easier: kind?.action === 'ease' || soreness >= sorenessRules.easier || tiring.length > 0,
    limits: numbed ? [{ kind: 'no deepening', from: 'painkillers' }] : [],
    because
  };
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
