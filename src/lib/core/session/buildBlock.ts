// Long because a side becomes work by one way: gate, ends, stacks, form, what is easier; each step needs the one before.
import { mostCycleRounds, type CycleSpec } from '../cycle/compileCycle';
import { dialAtRung, dialStates, depthOfDial, isWithin } from '../exercise/dials';
import type { Dial, DialId, Setting } from '../exercise/dial';
import { partOf, propWords, type Exercise } from '../exercise/exercise';
import { gate, endValues, type Gated } from '../safety/gate';
import type { GateReason } from '../safety/reason';
import type { SafetyPerson } from '../safety/person';
import { holdWithin } from '../safety/within';
import type { Level } from '../level';
import { leastHoldOf, type Policies, type School } from '../school/school';
import type { EquipmentId } from '../props/equipment';
import { rungAt, isTooFar, type Rung } from '../props/ladder';
import type { Side } from '../body/side';
import { schoolFigure } from '../exercise/schoolFigure';
import { lowOf } from '../span';
import { countedIn, type Block, type BlockWhy, type Form, type Work } from './block';
import { formOf } from './formOf';
import { heelHeight, type ActiveReach, type SideLifts } from './shapedLifts';

/** No hold is cut shorter where no school says how short (assumption). */
const usualLeastS = 20;

/** Where an exercise stands on a side: its dials, the ladder of each that stands on a stack, and what was measured for their start. */
export type SideState = Readonly<{
  setting: Setting;
  rungs: Readonly<Partial<Record<DialId, readonly Rung[]>>>;
  /** The stack a dial begins on that nobody set or measured for. */
  begins: Readonly<Partial<Record<DialId, Rung>>>;
  /** It stands on an easier stack than the one in use, for want of that one where the session takes place. */
  isEased?: true;
  measured: Readonly<Partial<Record<DialId, number>>>;
  /** Degrees its first motion is moved by own strength, where that was measured. */
  activeDeg?: number | null;
}>;

export type BlockAsk = Readonly<{
  exercise: Exercise;
  school: School;
  /** Cycles shaped by hand, side by side; in place of the school's way. */
  cycles?: SideCycles | null;
  /** Lifts shaped by hand, side by side; in place of the school's way. */
  lifts?: SideLifts | null;
  /** Which variant of the exercise, where it is not the usual one. */
  variant?: string | null;
  /** Rules of shape, hands and time that are not those of the school. */
  rules?: Partial<Policies>;
  /** Of what is done with both sides together that of the left counts. */
  states: Readonly<Record<Side, SideState>>;
  /** Sides in the order they are done. */
  sideOrder: readonly Side[];
  sets: number;
  /** The side that gets one set more. */
  extraSide: Side | null;
  moreRounds: boolean;
  level: Level;
  /** Effort at most today, besides the caps of the person. */
  dayCapPct: number;
  breathS: number;
  priority: number;
  because: readonly BlockWhy[];
  person: SafetyPerson;
  today: string;
  backWarm: boolean;
}>;

/** A cycle shaped by hand on each side; of what is done with both together that of the left counts. */
export type SideCycles = Readonly<Record<Side, CycleSpec>>;

/** Why a side of an exercise is not done. */
export type NotBuilt =
  | Readonly<{ code: 'barred'; exerciseId: string; side: Side | null; why: readonly GateReason[] }>
  | Readonly<{ code: 'no stack'; exerciseId: string; side: Side | null }>
  /** It needs things that are not where the session takes place. */
  | Readonly<{ code: 'no prop'; exerciseId: string; props: readonly EquipmentId[] }>;

export type Built = Readonly<{ block: Block | null; notBuilt: readonly NotBuilt[] }>;

/**
 * A block from an exercise, its setting on each side and a school: the one way from the week into a session.
 *
 * Model:  each side is asked of the gate, brought inside its ends, stood on the nearest stack that is no harder, and made a form of
 *         by `formOf`. A side that is barred or has no stack near its height is left out and told.
 * Throws: nothing of its own.
 */
export function buildBlock(ask: BlockAsk): Built {
  const { exercise, sets, extraSide, school, level } = ask;
  const notBuilt: NotBuilt[] = [];
  const work = (exercise.sides === 'each' ? ask.sideOrder : [null]).flatMap((side): Work[] => {
    const made = workOf(ask, side);
    if ('code' in made) {
      notBuilt.push(made);
      return [];
    }
    return [{ ...made, sets: made.sets * sets + (side !== null && side === extraSide ? 1 : 0) }];
  });
  if (work.length === 0) return { block: null, notBuilt };
  const part = partOf(exercise);
  const figure = schoolFigure(school, exercise, 'holdS');
  const least = leastHoldOf(school, level) ?? (figure ? lowOf(figure.span) : usualLeastS);
  return {
    block: {
      exerciseId: exercise.id,
      part,
      links: exercise.links,
      schoolId: school.id,
      baseSets: Math.min(...work.map((w) => w.sets)),
      leastHoldS: part === 'open' ? least : usualLeastS,
      priority: ask.priority,
      props: propWords(exercise),
      work,
      because: ask.because
    },
    notBuilt
  };
}

/** The work of one side as the gate lets it through, or why it is left out. */
function workOf(ask: BlockAsk, side: Side | null): Work | NotBuilt {
  const { exercise, person, today, backWarm } = ask;
  const state = ask.states[side ?? 'left'];
  const wanted = state.setting;
  const gated = gate({ exercise, side, setting: wanted, measured: state.measured, person, today, session: { backWarm } });
  if (gated.verdict === 'barred') return { code: 'barred', exerciseId: exercise.id, side, why: gated.bars };
  const ends = endValues(gated);
  const held = holdWithin(exercise, wanted, ends);
  const stacks = stacksOf(exercise, held, state, ends);
  if (exercise.dials.some((dial) => lacksStack(dial, held, stacks))) return { code: 'no stack', exerciseId: exercise.id, side };
  const moved = stacks.filter((s) => s.isMeant && held[s.dial.id] !== wanted[s.dial.id]);
  const setting = { ...held, ...Object.fromEntries(moved.map((s) => [s.dial.id, dialAtRung(s.dial, s.rung)])) };
  const made = formFor(ask, side, setting, gated);
  const rungs = Object.fromEntries(stacks.map((s) => [s.dial.id, s.rungs]));
  const dials = exercise.dials.filter((d) => !isOfForm(d) || made.uses.includes(d.id)).map((d) => d.id);
  // A wait, a stage that is still to come and a load that is still new are told where settings are moved, not beside the mat.
  const ofGrade = ['wait', 'flat first', 'new to load'];
  const notes = [...gated.within.filter((r) => !ofGrade.includes(r.code)), ...gated.remember];
  return {
    side,
    sets: made.sets,
    form: made.form,
    setting,
    dials,
    ...(state.isEased && { isEased: true }),
    ...(ask.variant && { variant: ask.variant }),
    ...(ask.rules && Object.keys(ask.rules).length > 0 && { rules: ask.rules }),
    ...stood(stacks),
    ...mostOf(ask, made.form, gated),
    ...(notes.length > 0 && { notes }),
    easier: easierWork(ask, side, { setting, gated, dials, rungs, stacks })
  };
}

/** Dials that say how many of what a form counts. */
const countDials: Readonly<Record<Form['kind'], readonly DialId[]>> = {
  cycle: ['rounds'],
  pulses: ['rounds'],
  reps: ['reps'],
  breaths: ['breaths'],
  hold: [],
  flow: []
};

/** How many of what its form counts may be done on the spot: inside the ends of its dial, its holds and its shaped rounds. */
function mostOf({ exercise }: BlockAsk, form: Form, gated: Gated): Pick<Work, 'most'> {
  const planned = countedIn(form)?.planned;
  if (planned === undefined) return {};
  // Of a range the most is in it already.
  if (gated.noHarder || (form.kind === 'reps' && form.spec.leastReps !== undefined)) return { most: planned };
  const ends = endValues(gated);
  const dials = exercise.dials
    .filter((d) => countDials[form.kind].includes(d.id))
    .map((d) => Math.min(d.max, ends[d.id] ?? d.max));
  const atWork = form.kind === 'breaths' && form.spec.effortPct > 0;
  const longestS = Math.min(gated.longestHoldS ?? Infinity, atWork ? (gated.caps.contractionS ?? Infinity) : Infinity);
  const breaths = form.kind === 'breaths' ? [Math.floor(longestS / (form.spec.breathS * (form.spec.places?.length ?? 1)))] : [];
  const shaped = form.kind === 'cycle' ? [form.spec.mostRounds ?? mostCycleRounds] : [];
  const usual = { cycle: mostCycleRounds, reps: 100, breaths: 60, pulses: 20, hold: 0, flow: 0 }[form.kind];
  return { most: Math.max(planned, Math.min(usual, ...dials, ...breaths, ...shaped)) };
}

/** Whether a body would stand on a dial for whose height there is no stack, or none but a far harder one. */
function lacksStack(dial: Dial, held: Setting, stacks: readonly StackOfDial[]): boolean {
  const at = held[dial.id];
  if (dial.stack?.bears !== 'weight' || at === undefined) return false;
  const stood = stacks.find((s) => s.dial.id === dial.id);
  return !stood || isTooFar(stood.rung.depthCm, depthOfDial(dial, at));
}

/** The first stack wherever it begins, the others where somebody set or measured them. */
function stood(stacks: readonly Pick<StackOfDial, 'dial' | 'rung' | 'isMeant'>[]): Pick<Work, 'rung' | 'stacks'> {
  const shown = stacks.filter((s, i) => i === 0 || s.isMeant);
  return { rung: shown[0]?.rung, ...(shown.length > 0 && { stacks: shown.map((s) => ({ dialId: s.dial.id, rung: s.rung })) }) };
}

/** Dials that say how long, how often and how hard: they count only where the form is made from them. */
const formUnits: ReadonlySet<Dial['unit']> = new Set(['s', 'reps', 'breaths', 'rounds', '%']);
const isOfForm = (dial: Dial): boolean => formUnits.has(dial.unit);

const formFor = (ask: BlockAsk, side: Side | null, setting: Setting, gated: Gated) => {
  const made = usualForm(ask, side, setting, gated);
  return { ...made, form: timedForm(made.form, ask.rules?.time, ask.breathS) };
};

/** The same form with its passive hold told by counts, by whole breaths, or until it eases; never longer than it was. */
function timedForm(form: Form, time: Policies['time'] | undefined, breathS: number): Form {
  if (time === undefined || time === 'seconds' || (form.kind !== 'hold' && form.kind !== 'cycle')) return form;
  const beatS = time === 'counts' ? 1 : time === 'breaths' ? breathS : undefined;
  const timed = { goesBy: time, ...(beatS !== undefined && { beatS }) };
  const { holdS } = form.spec;
  const ofBeats = beatS !== undefined && holdS >= beatS ? Math.floor(holdS / beatS) * beatS : holdS;
  if (form.kind === 'cycle') return { ...form, spec: { ...form.spec, holdS: ofBeats, hold: timed } };
  return form.spec.moving ? form : { ...form, spec: { ...form.spec, holdS: ofBeats, ...timed } };
}

const usualForm = (
  { exercise, school, cycles, lifts, states, person, level, moreRounds, dayCapPct, breathS }: BlockAsk,
  side: Side | null,
  setting: Setting,
  gated: Gated
) =>
  formOf({
    exercise,
    setting,
    school,
    level,
    moreRounds,
    gated,
    capPct: Math.min(gated.caps.effortPct, dayCapPct),
    breathS,
    cycle: cycles?.[side ?? 'left'],
    lifts: lifts?.[side ?? 'left'],
    active: activeOf(exercise, states[side ?? 'left'].activeDeg, person.legCm[side ?? 'left'])
  });

const activeOf = (exercise: Exercise, deg: number | null | undefined, legCm: number): ActiveReach | null =>
  deg === null || deg === undefined ? null : { deg, heightCm: heelHeight(exercise, legCm) };

type StackOfDial = Readonly<{ dial: Dial; rung: Rung; rungs: readonly Rung[]; isMeant: boolean }>;

/** The stacks it stands on, in the order of the dials: as set or measured, else where it begins. */
function stacksOf(exercise: Exercise, held: Setting, state: SideState, ends: ReturnType<typeof endValues>): StackOfDial[] {
  return exercise.dials.flatMap((dial): StackOfDial[] => {
    if (!dial.stack) return [];
    const open = (state.rungs[dial.id] ?? []).filter((r) => isWithin(dial, dialAtRung(dial, r), ends));
    const at = held[dial.id];
    const begins = state.begins[dial.id];
    const rung = at !== undefined ? rungAt(open, depthOfDial(dial, at)) : begins && rungAt(open, begins.depthCm);
    return rung ? [{ dial, rung, rungs: open, isMeant: at !== undefined }] : [];
  });
}

/** The same exercise with its first dial that can be eased one step back: inside the same ends. */
function easierWork(
  ask: BlockAsk,
  side: Side | null,
  at: Readonly<{
    setting: Setting;
    gated: Gated;
    dials: readonly DialId[];
    rungs: Readonly<Record<DialId, readonly Rung[]>>;
    stacks: readonly StackOfDial[];
  }>
): Work['easier'] {
  const { exercise } = ask;
  const states = dialStates(exercise, at.setting, { rungs: at.rungs, ends: endValues(at.gated) });
  const dial = states.find((d) => at.dials.includes(d.id) && d.easier !== null);
  if (!dial || dial.easier === null) return undefined;
  const setting = { ...at.setting, [dial.id]: dial.easier };
  const made = formFor(ask, side, setting, at.gated);
  const eased = at.stacks.map((s) => {
    const to = setting[s.dial.id];
    return { ...s, rung: (to !== undefined && rungAt(s.rungs, depthOfDial(s.dial, to))) || s.rung };
  });
  return { setting, form: made.form, ...stood(eased) };
}
