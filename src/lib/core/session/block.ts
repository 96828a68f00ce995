import { compileBreaths, type BreathsSpec } from '../cycle/compileBreaths';
import { compileCycle, type CycleSpec, type EffortLimits } from '../cycle/compileCycle';
import { compileFlow, compileHold, type FlowSpec, type HoldSpec } from '../cycle/compileHold';
import { compilePulses, type PulsesSpec } from '../cycle/compilePulses';
import { compileReps, type RepsSpec } from '../cycle/compileReps';
import type { Phase } from '../cycle/phase';
import type { DialId, Setting } from '../exercise/dial';
import { exerciseOf } from '../exercise/exercises';
import type { Exercise, LinkId, SessionPart } from '../exercise/exercise';
import { motionOf } from '../body/motions';
import { schoolOf } from '../school/schools';
import type { Policies, SchoolId } from '../school/school';
import type { Rung } from '../props/ladder';
import type { GateReason } from '../safety/reason';
import type { Side } from '../body/side';

/** A movement of a flow; with its own exercise and side where it has one, so that it is shown, stopped and left out as such. */
export type FlowStep = FlowSpec['steps'][number] & Readonly<{ exerciseId?: string }>;

export type Form =
  | Readonly<{ kind: 'cycle'; spec: CycleSpec }>
  | Readonly<{ kind: 'reps'; spec: RepsSpec }>
  | Readonly<{ kind: 'hold'; spec: HoldSpec }>
  | Readonly<{ kind: 'breaths'; spec: BreathsSpec }>
  | Readonly<{ kind: 'pulses'; spec: PulsesSpec }>
  | Readonly<{ kind: 'flow'; spec: Readonly<{ steps: readonly FlowStep[] }> }>;

export const formKinds = ['cycle', 'reps', 'hold', 'breaths', 'pulses', 'flow'] as const satisfies readonly Form['kind'][];

export type StackOfWork = Readonly<{ dialId: DialId; rung: Rung }>;

/** What is done on one side (null: both together), how many times, and on which stack. */
export type Work = Readonly<{
  side: Side | null;
  sets: number;
  form: Form;
  setting: Setting;
  /** The dials that say how it is done: what a verdict moves. */
  dials?: readonly DialId[];
  /** The stack it stands on: of several the first. */
  rung?: Rung;
  /** On an easier stack than the one in use: what is done well on it is no reason to go deeper. */
  isEased?: true;
  /** Every stack, with the dial that says how high it is. */
  stacks?: readonly StackOfWork[];
  /** So many of what its form counts may be done at most; no more than planned where nothing gets harder. */
  most?: number;
  /** Which variant of the exercise, where it is not the usual one. */
  variant?: string;
  /** Rules of shape, hands and time that somebody chose in place of the school's. */
  rules?: Partial<Policies>;
  /** What keeps it within its limits, and what the people in the room have to keep: told at the exercise. */
  notes?: readonly GateReason[];
  /** One step easier, for the day it is needed in mid-session. */
  easier?: Readonly<{ form: Form; setting: Setting; rung?: Rung; stacks?: readonly StackOfWork[] }>;
}>;

export type Block = Readonly<{
  exerciseId: string;
  part: SessionPart;
  links: readonly LinkId[];
  /** The one school its figures are of; none where no school has a say: the warm-up, the settle. */
  schoolId?: SchoolId;
  /** An own exercise as it was when the session was composed, so that it is played whatever became of it. */
  own?: Exercise;
  /** Done in turn with the one before it, set by set and without rest. */
  joins?: true;
  /** What is counted in breaths has as many more in each set as in the first: 3, 6, 9. */
  grows?: true;
  /** Sets every side gets; a work with more has an extra one. */
  baseSets: number;
  /** Shortest hold it may be cut to. */
  leastHoldS: number;
  /** What is cut last has the highest. */
  priority: number;
  /** Its place by the recipe of the goal, from 0. */
  rank?: number;
  /** Done once more at the end. */
  again?: true;
  /** Active work of somebody for whom that comes before what is opened passively. */
  isFirst?: true;
  props: readonly string[];
  work: readonly Work[];
  /** Why it is there. Sessions kept before there were codes have the sentence. */
  because: readonly (BlockWhy | string)[];
}>;

/** Every work of a block one step easier, where it has one. */
export const easedBlock = (block: Block): Block => ({
  ...block,
  work: block.work.map((work) => (work.easier ? { ...work, ...work.easier, easier: undefined } : work))
});

/** A block that takes turns with none. */
export const byItself = ({ joins: _, ...block }: Block): Block => block;

/** Any form as the same phases. Throws: those of the compilers. */
export function compileForm(form: Form, limits: EffortLimits = {}): Phase[] {
  switch (form.kind) {
    case 'cycle':
      return compileCycle(form.spec, limits);
    case 'reps':
      return compileReps(form.spec, limits);
    case 'hold':
      return compileHold(form.spec);
    case 'breaths':
      return compileBreaths(form.spec, limits);
    case 'pulses':
      return compilePulses(form.spec);
    case 'flow':
      return compileFlow(form.spec);
  }
}

/** What a form counts, in one and in several, and how many it asks for; null where nothing is counted. */
export type Counted = Readonly<{ one: string; many: string; planned: number }>;
export function countedIn(form: Form): Counted | null {
  switch (form.kind) {
    case 'cycle':
      return { one: 'round', many: 'rounds', planned: form.spec.rounds };
    case 'reps':
      return { one: 'repetition', many: 'repetitions', planned: form.spec.leastReps ?? form.spec.reps };
    case 'breaths':
      return { one: 'breath', many: 'breaths', planned: form.spec.breaths };
    case 'pulses':
      return { one: 'round', many: 'rounds', planned: form.spec.sets };
    default:
      return null;
  }
}

/** The same form with so many more of what it counts. */
export function withMore(form: Form, more: number): Form {
  if (more === 0) return form;
  switch (form.kind) {
    case 'cycle':
      return { ...form, spec: { ...form.spec, rounds: form.spec.rounds + more } };
    case 'reps':
      return { ...form, spec: { ...form.spec, reps: form.spec.reps + more } };
    case 'breaths':
      return { ...form, spec: { ...form.spec, breaths: form.spec.breaths + more } };
    case 'pulses':
      return { ...form, spec: { ...form.spec, sets: form.spec.sets + more } };
    default:
      return form;
  }
}

/** The work of one of its sets: of a block that grows as many breaths more with each, up to what the gate lets through. */
export function workOfSet({ grows }: Pick<Block, 'grows'>, work: Work, setNo: number): Work {
  const { form, most } = work;
  if (!grows || form.kind !== 'breaths' || setNo === 1) return work;
  const breaths = Math.min(form.spec.breaths * setNo, most ?? form.spec.breaths);
  return { ...work, form: { ...form, spec: { ...form.spec, breaths } } };
}

/** Finds the exercises of a session: own ones as they were when it was composed, the others in the catalogue. */
export type FindExercise = (id: string) => Exercise;
export function exercisesIn(blocks: readonly Block[]): FindExercise {
  const own = new Map(blocks.flatMap((b) => (b.own ? [[b.exerciseId, b.own] as const] : [])));
  return (id) => own.get(id) ?? exerciseOf(id);
}

/** Whether it is asked how a set was: everything but the movements of a warm-up and the settle. */
export const isAsked = ({ form }: Pick<Work, 'form'>): boolean => form.kind !== 'flow';

/** Whether a block is work: not the warm-up's movements, nor the settle, which keep their places and are never cut. */
export const isWorked = (block: Pick<Block, 'work'>): boolean => block.work.some(isAsked);

/** True for what is only looked at or read off: it is short in any week. */
export const isLookedAt = ({ work }: Pick<Block, 'work'>): boolean =>
  work.every(({ form }) => form.kind === 'hold' && form.spec.cue === 'measure');

/** Whether a block does something for a motion on a side; what both sides do together is for either. */
export const servesSide = ({ links, work }: Pick<Block, 'links' | 'work'>, link: LinkId, side: Side | null): boolean =>
  links.includes(link) && work.some((w) => w.side === null || side === null || w.side === side);

/** Why a block is in a session; a code with its numbers. */
export type BlockWhy =
  | Readonly<{ code: 'rounds'; rounds: number; lighterFirst: boolean }>
  | Readonly<{ code: 'weaker leads' | 'one set more'; side: Side }>
  | Readonly<{ code: 'opens' | 'owned' | 'moves'; links: readonly LinkId[] }>
  | Readonly<{ code: 'school'; schoolId: SchoolId }>
  | Readonly<{ code: 'limit'; link: LinkId }>
  | Readonly<{ code: 'stands in'; exerciseId: string }>
  | Readonly<{ code: keyof typeof plainWhys }>;

const plainWhys = {
  'warm first': 'Warm before anything is held. Never cut.',
  position: 'The position itself, as it stands today.',
  shows: 'Shows where it stands today.',
  'in the week': 'It was put into the week.',
  shaped: 'How it is done was shaped by hand.',
  'has worked': 'It has worked for this person.',
  'first week': 'Less in the first week, while it is being learnt.',
  'easy week': 'Less: this is an easy week.',
  'ends quiet': 'Ends without strain. Never cut.'
} as const;

const named = (links: readonly LinkId[]): string => links.map((l) => motionOf(l).name).join(' and ');

/** A reason as a sentence; sessions kept before there were codes have it already, and a code that is not known any more says nothing. */
export function blockWhyText(why: BlockWhy | string): string {
  if (typeof why === 'string') return why;
  switch (why.code) {
    case 'rounds':
      return why.rounds === 1 ? 'One round.' : `${why.rounds} rounds${why.lighterFirst ? ', the first lighter' : ''}.`;
    case 'weaker leads':
      return `The ${why.side} side is behind by more than the measuring error: it goes first.`;
    case 'one set more':
      return `The ${why.side} side has been behind for two measures: one set more, until it is level.`;
    case 'opens':
      return `Opens ${named(why.links)}.`;
    case 'owned':
      return `Active work for ${named(why.links)}.`;
    case 'moves':
      return `Moves through ${named(why.links)}.`;
    case 'school':
      return `Done as in “${schoolOf(why.schoolId).name}”.`;
    case 'limit':
      return `${motionOf(why.link).name.replace(/^./, (c) => c.toUpperCase())} limits the goal most at present.`;
    case 'stands in':
      return `Stands in at home for “${exerciseOf(why.exerciseId).name}”, which needs what is not there.`;
    default:
      return plainWhys[why.code] ?? '';
  }
}
