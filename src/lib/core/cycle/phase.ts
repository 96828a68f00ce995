/**
 * A stretch of time with a cue and an effort that runs straight from `fromPct` to `toPct`.
 * Press is positive, draw negative: the curve shows the one above the line and the other below it.
 */
export type Phase = Readonly<{ kind: PhaseKind; startS: number; endS: number; fromPct: number; toPct: number; cue: string }>;

export type PhaseKind =
  | 'hold'
  | 'press up'
  | 'press'
  | 'press down'
  | 'turn'
  | 'draw up'
  | 'draw'
  | 'draw down'
  | 'settle'
  | 'lift'
  | 'held'
  | 'lower'
  | 'move'
  | 'ready'
  | 'rest';

/** Phases in which the target is under stretch; getting ready, resting, moving about and active lifts, which shorten it, are not. */
export const stretchKinds: ReadonlySet<PhaseKind> = new Set([
  'hold',
  'press up',
  'press',
  'press down',
  'turn',
  'draw up',
  'draw',
  'draw down',
  'settle'
]);

type Piece = Readonly<{ kind: PhaseKind; durationS: number; fromPct?: number; toPct?: number; cue: string }>;

/** Lays pieces end to end from 0; pieces of no length fall away, so phases are contiguous and none is empty. */
export function layPhases(pieces: readonly Piece[], startS = 0): Phase[] {
  let atS = startS;
  return pieces
    .filter((piece) => piece.durationS > 0)
    .map(({ kind, durationS, fromPct = 0, toPct = fromPct, cue }) => {
      const phase = { kind, startS: atS, endS: atS + durationS, fromPct, toPct, cue };
      atS += durationS;
      return phase;
    });
}
