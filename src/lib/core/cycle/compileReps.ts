import { CoreError, requireRange } from '../errors';
import { defaultEffortCapPct, type EffortLimits } from './compileCycle';
import type { CueNote } from './cue';
import { layPhases, type Phase, type Piece } from './phase';

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
  /** As many as stay clean, from so many on; then `reps` is the most. Whoever does it says which was the last. */
  leastReps?: number;
  /** Placed by hand above where it lifts by itself, and let go, in place of being lifted. */
  letGo?: boolean;
  /** Held so many degrees inside the greatest active range; and at which angle and height that is, where it is known. */
  insideDeg?: number;
  atDeg?: number;
  atCm?: number;
  /** An effort against the pull at the deepest point of each. */
  deepest?: Readonly<{ holdS: number; peakPct: number }>;
  /** What the open variant allows, in the instructor's words; without it the strict one is done. */
  allows?: string;
  /** Without the help of hands: one thing more to keep to. */
  noHands?: boolean;
}>;

/**
 * Active end-range repetitions: lift, hold at the edge, lower, rest; no rest after the last.
 *
 * Model:  the shortened side works, so effort is drawn below the line, as in a draw. Where it is placed by hand nothing works until it is let
 *         go. An effort at the deepest point presses the other way, above the line.
 * Units:  seconds, percent.
 * Throws: CoreError 'effort_above_cap', 'out_of_range'.
 */
export function compileReps(spec: RepsSpec, limits: EffortLimits = {}): Phase[] {
  const { reps, liftS, holdS, lowerS, restS, lastHoldS, deepest } = spec;
  const capPct = limits.effortCapPct ?? defaultEffortCapPct;
  requireRange('reps', reps, 1, 100);
  requireRange('reps', spec.leastReps ?? 1, 1, reps);
  for (const s of [liftS, holdS, lowerS, restS, lastHoldS ?? 0, deepest?.holdS ?? 0]) requireRange('duration', s, 0, 600);
  for (const peakPct of [spec.peakPct, deepest?.peakPct ?? 0]) {
    requireRange('peak', peakPct, 0, 100);
    if (peakPct > capPct) throw new CoreError('effort_above_cap', { peakPct, capPct });
  }
  const peak = -spec.peakPct;
  const notes: readonly CueNote[] = spec.allows === undefined ? [] : [{ code: 'open', allows: spec.allows }];
  return layPhases(
    Array.from({ length: reps }, (_, i): Piece[] => {
      const last = i === reps - 1;
      const rep = { at: i + 1, of: reps, ...(spec.leastReps !== undefined && { least: spec.leastReps }) };
      return [
        spec.letGo
          ? { kind: 'move', durationS: liftS, cue: { code: 'place by hand' }, rep, notes }
          : { kind: 'lift', durationS: liftS, fromPct: 0, toPct: peak, cue: { code: 'lift' }, rep, notes },
        {
          kind: spec.assisted ? 'hold' : 'held',
          durationS: last ? (lastHoldS ?? holdS) : holdS,
          fromPct: peak,
          cue: spec.letGo
            ? { code: 'let it stay' }
            : { code: 'hold there', ...(spec.atDeg !== undefined && { atDeg: Math.round(spec.atDeg) }) },
          rep,
          notes
        },
        {
          kind: 'press',
          durationS: deepest?.holdS ?? 0,
          fromPct: deepest?.peakPct ?? 0,
          cue: { code: 'press against the pull' },
          rep,
          notes
        },
        { kind: 'lower', durationS: lowerS, fromPct: peak, toPct: 0, cue: { code: 'lower' }, notes },
        { kind: 'rest', durationS: last ? 0 : restS, cue: { code: 'rest' } }
      ];
    }).flat()
  );
}

/** How many repetitions of a set are over after so many seconds of it. Units: seconds from its first phase. */
export function repsDone({ reps, liftS, holdS, lowerS, restS, lastHoldS, deepest }: RepsSpec, afterS: number): number {
  const oneS = liftS + holdS + (deepest?.holdS ?? 0) + lowerS;
  const endsS = (i: number) => i * (oneS + restS) + oneS + (i === reps - 1 ? (lastHoldS ?? holdS) - holdS : 0);
  return Array.from({ length: reps }, (_, i) => endsS(i)).filter((s) => s <= afterS + 1e-6).length;
}
