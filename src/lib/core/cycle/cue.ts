import type { Side } from '../body/side';
import type { Deepening, Resistance } from './compileCycle';

/** The movements of a warm-up and the ways a session settles. */
export type FlowCue =
  | 'march'
  | 'hip circles'
  | 'slow hip circles'
  | 'cat and cow'
  | 'slow cat and cow'
  | 'arm circles'
  | 'arm circles both ways'
  | 'leg swings'
  | 'leg swings across'
  | 'lunge and sink'
  | 'half-split pulses'
  | 'butterfly rock'
  | 'trailing knee lifts'
  | 'knee circles'
  | 'ankle circles'
  | 'heel raises'
  | 'feet in turn'
  | 'turn and bend'
  | 'shake out hands'
  | 'shake out all'
  | 'lie on the side'
  | 'rise by the hands'
  | 'lie on the back'
  | 'rise by the side'
  | 'stand at ease';

/** Holds that are no stretch, or more than one. */
export type HoldCue = 'hold' | 'measure' | 'move easily' | 'lie still';

export type CueCode =
  | FlowCue
  | HoldCue
  | 'get ready'
  | 'let it come'
  | 'lightly at work'
  | 'breathe'
  | 'breathe at work'
  | 'build the press'
  | 'press'
  | 'build the draw'
  | 'draw'
  | 'release'
  | 'let go'
  | 'out and in again'
  | 'settle'
  | 'settle deeper'
  | 'settle here'
  | 'stay'
  | 'small, then wide'
  | 'one way round'
  | 'the other way round'
  | 'lift'
  | 'without a stop'
  | 'hold there'
  | 'place by hand'
  | 'let it stay'
  | 'press against the pull'
  | 'lower'
  | 'rest';

/** The instruction of a phase, as a code with its numbers; the sentences are in `words/cueWords`. Units: degrees. */
export type Cue = Readonly<{ code: CueCode; side?: Side; deepening?: Deepening; atDeg?: number }>;

/** A reminder beside the instruction; `allows` is in the instructor's own words. */
export type CueNote =
  | Readonly<{ code: 'against'; resistance: Resistance }>
  | Readonly<{ code: 'brace' }>
  | Readonly<{ code: 'open'; allows: string }>;
