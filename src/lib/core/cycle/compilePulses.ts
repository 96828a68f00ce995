import { requireRange } from '../errors';
import { layPhases, type Phase } from './phase';

export type PulsesSpec = Readonly<{ sets: number; pulses: number; pulseS: number; holdS: number; settleS: number }>;

/**
 * Pulses that end in a hold, set by set; a pulse is movement and no stretch, the hold is one.
 *
 * Units:  seconds.
 * Throws: CoreError 'reps_out_of_range', 'rounds_out_of_range', 'duration_out_of_range'.
 */
export function compilePulses({ sets, pulses, pulseS, holdS, settleS }: PulsesSpec): Phase[] {
  requireRange('rounds', sets, 1, 20);
  requireRange('reps', pulses, 0, 200);
  for (const s of [pulseS, holdS, settleS]) requireRange('duration', s, 0, 600);
  return layPhases([
    ...Array.from({ length: sets }, () => [
      { kind: 'move' as const, durationS: pulses * pulseS, cue: `${pulses} pulses, small first.` },
      { kind: 'hold' as const, durationS: holdS, cue: 'Hold. Breathe slowly.' }
    ]).flat(),
    { kind: 'settle' as const, durationS: settleS, cue: 'Settle.' }
  ]);
}
