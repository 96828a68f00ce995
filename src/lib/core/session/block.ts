import { compileCycle, type CycleSpec, type EffortLimits } from '../cycle/compileCycle';
import { compileFlow, compileHold, type FlowSpec, type HoldSpec } from '../cycle/compileHold';
import { compileReps, type RepsSpec } from '../cycle/compileReps';
import type { Phase } from '../cycle/phase';
import type { Setting } from '../exercise/dial';
import type { LinkId, SessionPart } from '../exercise/exercise';
import type { Rung } from '../props/ladder';
import type { GateReason } from '../safety/reason';
import type { Side } from '../body/side';

/** A movement of a flow; with its own exercise and side where it has one, so that it is shown, stopped and left out as such. */
export type FlowStep = FlowSpec['steps'][number] & Readonly<{ exerciseId?: string; side?: Side | null }>;

export type Form =
  | Readonly<{ kind: 'cycle'; spec: CycleSpec }>
  | Readonly<{ kind: 'reps'; spec: RepsSpec }>
  | Readonly<{ kind: 'hold'; spec: HoldSpec }>
  | Readonly<{ kind: 'flow'; spec: Readonly<{ steps: readonly FlowStep[] }> }>;

/** What is done on one side (null: both together), how many times, and on which stack. */
export type Work = Readonly<{
  side: Side | null;
  sets: number;
  form: Form;
  setting: Setting;
  rung?: Rung;
  /** What keeps it within its limits, and what the people in the room have to keep: told at the exercise. */
  notes?: readonly GateReason[];
  /** One step easier, for the day it is needed in mid-session. */
  easier?: Readonly<{ form: Form; setting: Setting; rung?: Rung }>;
}>;

export type Block = Readonly<{
  exerciseId: string;
  part: SessionPart;
  links: readonly LinkId[];
  /** Sets every side gets; a work with more has an extra one. */
  baseSets: number;
  /** Shortest hold it may be cut to. */
  leastHoldS: number;
  /** What is cut last has the highest. */
  priority: number;
  props: readonly string[];
  work: readonly Work[];
  /** Why it is there, in plain sentences. */
  /** Why it is there. Sessions kept before there were codes have the sentence. */
  because: readonly (BlockWhy | string)[];
}>;

/** Any form as the same phases. Throws: those of the compilers. */
export function compileForm(form: Form, limits: EffortLimits = {}): Phase[] {
  switch (form.kind) {
    case 'cycle':
      return compileCycle(form.spec, limits);
    case 'reps':
      return compileReps(form.spec, limits);
    case 'hold':
      return compileHold(form.spec);
    case 'flow':
      return compileFlow(form.spec);
  }
}

/** Why a block is in a session; a code with its numbers. */
export type BlockWhy =
  | Readonly<{ code: 'rounds'; rounds: number }>
  | Readonly<{ code: 'weaker leads'; side: Side }>
  | Readonly<{ code: keyof typeof plainWhys }>;

const plainWhys = {
  'warm first': 'Warm before anything is held. Never cut.',
  'front end': 'The front end of the split.',
  'rear end': 'The rear end of the split.',
  'front owned': 'Active work at the range the front leg has reached.',
  'rear owned': 'Active work at the range the rear hip has reached.',
  position: 'The position itself, on the stack of today.',
  'ends quiet': 'Ends without strain. Never cut.'
} as const;

export function blockWhyText(why: BlockWhy | string): string {
  if (typeof why === 'string') return why;
  switch (why.code) {
    case 'rounds':
      return why.rounds === 1 ? 'One round of press and draw.' : `${why.rounds} rounds of press and draw, the first lighter.`;
    case 'weaker leads':
      return `${why.side === 'left' ? 'Left' : 'Right'} leading trails by more than the error: it goes first, with one set more.`;
    default:
      return plainWhys[why.code];
  }
}
