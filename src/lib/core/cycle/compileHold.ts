import { requireRange } from '../errors';
import type { Side } from '../body/side';
import type { FlowCue, HoldCue } from './cue';
import { layPhases, type HoldTime, type Phase } from './phase';

export type HoldSpec = Readonly<{
  holdS: number;
  /** @default 'hold' */
  cue?: HoldCue;
  /** Movement for a time, which is no stretch. */
  moving?: boolean;
}> &
  TimedHold;

/** A hold that goes by something else than seconds; `beatS` is the length of one count or breath. */
export type TimedHold = Readonly<{ goesBy?: HoldTime; beatS?: number }>;

/** A plain passive hold, or a movement for its time. Units: seconds. Throws: CoreError 'out_of_range'. */
export function compileHold({ holdS, cue = 'hold', moving = false, goesBy, beatS }: HoldSpec): Phase[] {
  requireRange('duration', holdS, 1, 3600);
  return layPhases([{ kind: moving ? 'move' : 'hold', durationS: holdS, cue: { code: cue }, ...(goesBy && { goesBy, beatS }) }]);
}

export type FlowSpec = Readonly<{ steps: readonly Readonly<{ durationS: number; cue: FlowCue; side?: Side | null }>[] }>;

/** Movements one after the other, each for its time (a warm-up, a settle). Units: seconds. */
export function compileFlow({ steps }: FlowSpec): Phase[] {
  for (const step of steps) requireRange('duration', step.durationS, 1, 3600);
  return layPhases(
    steps.map(({ durationS, cue, side }) => ({ kind: 'move', durationS, cue: { code: cue, ...(side && { side }) } }))
  );
}
