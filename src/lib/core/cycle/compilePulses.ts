import { requireRange } from '../errors';
import type { CueCode } from './cue';
import { layPhases, type Phase } from './phase';

export type PulsesSpec = Readonly<{
  sets: number;
  /** Pulses, swings, circles or steps of one set, one way. */
  pulses: number;
  pulseS: number;
  /** The hold a set of pulses ends in; 0 where it is movement alone. */
  holdS: number;
  settleS: number;
  /** Let go for so long between the holds. */
  restS?: number;
  /** Circles go both ways, so many each. */
  bothWays?: boolean;
}>;

/**
 * Pulses, swings or circles at a tempo, set by set, each ending in its hold, or holds alone with a moment to let go between; a pulse is
 * movement and no stretch, the hold is one.
 *
 * Units:  seconds.
 * Throws: CoreError 'out_of_range'.
 */
export function compilePulses({ sets, pulses, pulseS, holdS, settleS, restS = 0, bothWays = false }: PulsesSpec): Phase[] {
  requireRange('rounds', sets, 1, 20);
  requireRange('reps', pulses, 0, 200);
  for (const s of [pulseS, holdS, settleS, restS]) requireRange('duration', s, 0, 600);
  const move = (code: CueCode) => ({ kind: 'move' as const, durationS: pulses * pulseS, cue: { code }, beatS: pulseS });
  return layPhases([
    ...Array.from({ length: sets }, (_, i) => [
      ...(bothWays ? [move('one way round'), move('the other way round')] : [move('small, then wide')]),
      { kind: 'hold' as const, durationS: holdS, cue: { code: 'hold' as const } },
      { kind: 'rest' as const, durationS: i < sets - 1 ? restS : 0, cue: { code: 'rest' as const } }
    ]).flat(),
    { kind: 'settle' as const, durationS: settleS, cue: { code: 'settle' as const } }
  ]);
}
