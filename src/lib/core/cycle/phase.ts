import type { Cue, CueNote } from './cue';

/**
 * A stretch of time with a cue and an effort that runs straight from `fromPct` to `toPct`.
 * Press is positive, draw negative: the curve shows the one above the line and the other below it.
 */
export type Phase = Readonly<{
  kind: PhaseKind;
  startS: number;
  endS: number;
  fromPct: number;
  toPct: number;
  cue: Cue;
  /** Length of one breath, pulse or circle, where they are counted inside the phase. */
  beatS?: number;
  /** How a hold is counted, where not in seconds. */
  goesBy?: HoldTime;
  /** Which repetition it is, of how many; `least` where as many are done as stay clean, from so many on. */
  rep?: Readonly<{ at: number; of: number; least?: number }>;
  /** Words of the exercise or the instructor in place of the cue; and the reminders beside it. */
  how?: string;
  notes?: readonly CueNote[];
}>;

/** Ways to count a hold besides seconds: slow counts of a second, breaths, or the stretch itself, which eases before its time is over. */
export type HoldTime = 'counts' | 'breaths' | 'until eased';

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
  | 'work'
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

export type Piece = Omit<Phase, 'startS' | 'endS' | 'fromPct' | 'toPct'> &
  Readonly<{ durationS: number; fromPct?: number; toPct?: number }>;

/** Lays pieces end to end from 0; pieces of no length fall away, so phases are contiguous and none is empty. */
export function layPhases(pieces: readonly Piece[], startS = 0): Phase[] {
  let atS = startS;
  return pieces
    .filter((piece) => piece.durationS > 0)
    .map(({ kind, durationS, fromPct = 0, toPct = fromPct, cue, beatS, goesBy, rep, how, notes }) => {
      const told = {
        ...(beatS !== undefined && { beatS }),
        ...(goesBy && { goesBy }),
        ...(rep && { rep }),
        ...(how && { how }),
        ...(notes && notes.length > 0 && { notes })
      };
      const phase = { kind, startS: atS, endS: atS + durationS, fromPct, toPct, cue, ...told };
      atS += durationS;
      return phase;
    });
}

/** Which breath, pulse or circle of a phase runs at a moment, from 1, and of how many; null where nothing is counted. */
export function countAt({ startS, endS, beatS }: Phase, tS: number): { at: number; of: number } | null {
  if (beatS === undefined) return null;
  const of = Math.max(1, Math.round((endS - startS) / beatS));
  return { at: Math.min(of, Math.max(1, Math.floor((tS - startS) / beatS + 1e-9) + 1)), of };
}
