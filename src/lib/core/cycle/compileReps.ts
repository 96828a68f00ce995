import { CoreError, requireRange } from '../errors';
import { defaultEffortCapPct, type EffortLimits } from './compileCycle';
import type { CueCode, CueNote } from './cue';
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
  /** An effort against the pull at the deepest point of each; so many of them, each let go for so long. */
  deepest?: Readonly<{ holdS: number; peakPct: number; times?: number; letGoS?: number }>;
  /** Circles go both ways, so many each. */
  bothWays?: boolean;
  /** What the open variant allows, in the instructor's words; without it the strict one is done. */
  allows?: string;
  /** Without the help of hands: one thing more to keep to. */
  noHands?: boolean;
}>;

/**
 * Active end-range repetitions: lift, hold at the edge, lower, rest; no rest after the last. Without a hold and a rest they go on without a
 * stop, counted by their beat.
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
  for (const s of [liftS, holdS, lowerS, restS, lastHoldS ?? 0, deepest?.holdS ?? 0, deepest?.letGoS ?? 0])
    requireRange('duration', s, 0, 600);
  requireRange('rounds', deepest?.times ?? 1, 1, 10);
  for (const peakPct of [spec.peakPct, deepest?.peakPct ?? 0]) {
    requireRange('peak', peakPct, 0, 100);
    if (peakPct > capPct) throw new CoreError('effort_above_cap', { peakPct, capPct });
  }
  const peak = -spec.peakPct;
  if (isUnbroken(spec)) return unbroken(spec, peak);
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
        ...(deepest ? effortsOfRep(deepest, rep, notes) : []),
        { kind: 'lower', durationS: lowerS, fromPct: peak, toPct: 0, cue: { code: 'lower' }, notes },
        { kind: 'rest', durationS: last ? 0 : restS, cue: { code: 'rest' } }
      ];
    }).flat()
  );
}

type Deepest = NonNullable<RepsSpec['deepest']>;

function effortsOfRep({ holdS, peakPct, times = 1, letGoS = 0 }: Deepest, rep: Piece['rep'], notes: readonly CueNote[]): Piece[] {
  // Of several it is the exercise that says which way they go.
  const code = letGoS > 0 ? 'press' : 'press against the pull';
  return Array.from({ length: times }, (): Piece[] => [
    { kind: 'press', durationS: holdS, fromPct: peakPct, cue: { code }, rep, notes },
    { kind: 'hold', durationS: letGoS, cue: { code: 'let go' } }
  ]).flat();
}

/** True where nothing stops them: no hold, no rest, and nobody has to say which was the last. */
const isUnbroken = ({ holdS, restS, deepest, letGo, leastReps }: RepsSpec): boolean =>
  holdS === 0 && restS === 0 && !deepest && !letGo && leastReps === undefined;

function unbroken({ reps, liftS, lowerS, lastHoldS, bothWays, allows }: RepsSpec, peak: number): Phase[] {
  const beatS = liftS + lowerS;
  const notes: readonly CueNote[] = allows === undefined ? [] : [{ code: 'open', allows }];
  const round = (code: CueCode): Piece => ({ kind: 'work', durationS: reps * beatS, fromPct: peak, cue: { code }, beatS, notes });
  return layPhases([
    ...(bothWays ? [round('one way round'), round('the other way round')] : [round('without a stop')]),
    { kind: 'held', durationS: lastHoldS ?? 0, fromPct: peak, cue: { code: 'hold there' }, notes }
  ]);
}

/** How many repetitions of a set are over after so many seconds of it. Units: seconds from its first phase. */
export function repsDone(spec: RepsSpec, afterS: number): number {
  const { reps, liftS, holdS, lowerS, restS, lastHoldS, deepest, bothWays } = spec;
  const deepestS = deepest ? (deepest.times ?? 1) * (deepest.holdS + (deepest.letGoS ?? 0)) : 0;
  const oneS = liftS + holdS + deepestS + lowerS;
  // Circles are done when they went both ways.
  if (isUnbroken(spec)) return Math.min(reps, Math.floor(afterS / (bothWays ? 2 * oneS : oneS) + 1e-6));
  const endsS = (i: number) => i * (oneS + restS) + oneS + (i === reps - 1 ? (lastHoldS ?? holdS) - holdS : 0);
  return Array.from({ length: reps }, (_, i) => endsS(i)).filter((s) => s <= afterS + 1e-6).length;
}
