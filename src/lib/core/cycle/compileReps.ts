import { CoreError, requireRange } from '../errors';
import { defaultEffortCapPct, type EffortLimits } from './compileCycle';
import { layPhases, type Phase } from './phase';

export type RepsSpec = Readonly<{
  reps: number;
  liftS: number;
  holdS: number;
  lowerS: number;
  restS: number;
  peakPct: number;
  /** The last repetition may be held longer. @default holdS */
  lastHoldS?: number;
  /** A strap or hand helps a little at the edge: then the time held there is stretch as well. */
  assisted?: boolean;
}>;

/**
 * Active end-range repetitions: lift, hold at the edge, lower, rest; no rest after the last.
 *
 * Model:  the shortened side works, so effort is drawn below the line, as in a draw.
 * Units:  seconds, percent.
 * Throws: CoreError 'effort_above_cap', 'reps_out_of_range', 'duration_out_of_range'.
 */
export function compileReps(spec: RepsSpec, limits: EffortLimits = {}): Phase[] {
  const capPct = limits.effortCapPct ?? defaultEffortCapPct;
  requireRange('reps', spec.reps, 1, 100);
  for (const s of [spec.liftS, spec.holdS, spec.lowerS, spec.restS, spec.lastHoldS ?? 0]) requireRange('duration', s, 0, 600);
  requireRange('peak', spec.peakPct, 0, 100);
  if (spec.peakPct > capPct) throw new CoreError('effort_above_cap', { peakPct: spec.peakPct, capPct });
  const peak = -spec.peakPct;
  return layPhases(
    Array.from({ length: spec.reps }, (_, i) => {
      const last = i === spec.reps - 1;
      return [
        { kind: 'lift' as const, durationS: spec.liftS, fromPct: 0, toPct: peak, cue: `Lift, ${i + 1} of ${spec.reps}.` },
        {
          kind: spec.assisted ? ('hold' as const) : ('held' as const),
          durationS: last ? (spec.lastHoldS ?? spec.holdS) : spec.holdS,
          fromPct: peak,
          cue: `Hold it there, ${i + 1} of ${spec.reps}.`
        },
        { kind: 'lower' as const, durationS: spec.lowerS, fromPct: peak, toPct: 0, cue: 'Lower slowly.' },
        { kind: 'rest' as const, durationS: last ? 0 : spec.restS, cue: 'Rest.' }
      ];
    }).flat()
  );
}
