import { sides, type Side } from '../body/side';
import { exerciseOf } from '../exercise/exercises';
import { isTest, partOf, propWords, type Exercise, type LinkId, type SessionPart } from '../exercise/exercise';
import { capsOf } from '../safety/caps';
import { gate } from '../safety/gate';
import type { SafetyPerson } from '../safety/person';
import type { EquipmentId } from '../props/equipment';
import type { Level } from '../level';
import type { RecipePlace } from '../recipe/recipe';
import type { Policies, School } from '../school/school';
import type { Block, BlockWhy, FlowStep, Form } from '../session/block';
import { buildBlock, type Built, type NotBuilt, type SideCycles, type SideState } from '../session/buildBlock';
import { shortest, type Cut } from '../session/fitToMinutes';
import type { SideLifts } from '../session/shapedLifts';
import type { Allotment, Allotted } from './allotment';
import { hardEffortPct, isHard } from './hardWork';
import type { LeftOut } from './leftOut';
import type { PlanPhase, WeekAmount } from './phases';
import { settleFlow, warmUpFlow } from './warmUp';

/** What an exercise did for a person, as the instructor noted it. */
export const effects = ['works', 'nothing', 'worse'] as const;
export type Effect = (typeof effects)[number];

/** An exercise of the week, the school it is done by, and where it stands on each side. */
export type WeekWork = Readonly<{
  exercise: Exercise;
  school: School;
  states: Readonly<Record<Side, SideState>>;
  /** Shaped by hand, in place of the school's way; null: none. */
  cycles?: SideCycles | null;
  lifts?: SideLifts | null;
  /** Which variant of the exercise, where it is not the usual one. */
  variant?: string | null;
  /** Rules of shape, hands and time that are not those of the school. */
  rules?: Partial<Policies>;
  /** Not one that ships: the block keeps it as it is. */
  isOwn: boolean;
  /** Its place in the recipe of the goal; none where no recipe names it. */
  place?: RecipePlace;
  /** What it was noted to do for this person. */
  effect?: Effect;
  /** Things it needs that are not where the session takes place. */
  lacks?: readonly EquipmentId[];
  /** The exercise of the week it is done in place of, where that cannot be done. */
  standsFor?: string;
}>;

export type BlocksAsk = Readonly<{
  phase: PlanPhase;
  /** How much of the usual work it holds. */
  amount: WeekAmount;
  /** What the session holds of the week; all of it where nobody allotted. */
  allotment?: Allotment | null;
  /** Exercises that an instructor puts into it though none of them was allotted. */
  putIn?: ReadonlySet<string>;
  /** On the day after hard work of everything: no lift-offs, effort under 60 %. Of sessions that have no allotment. */
  light: boolean;
  /** Motions that were worked hard the day before: they are not worked hard today, whatever was planned. */
  rested?: ReadonlySet<LinkId>;
  week: readonly WeekWork[];
  level: Level;
  leadSide: Side;
  /** The side that trails by more than the error; it goes first. */
  weakerSide: Side | null;
  /** The side that has trailed for longer than one measure; it gets a set more of the position. */
  tighterSide: Side | null;
  /** Links of the goal, the one that limits it most first. */
  limiting: readonly LinkId[];
  /** Length of one breath of this person. */
  breathS: number;
  person: SafetyPerson;
  today: string;
  /** How long the session may be. */
  minutes: number;
}>;

type PhaseDose = Readonly<{ moreRounds: boolean; openSets: number; ownSets: number; positionSets: number }>;
/**
 * What a phase asks for: sets of what opens, of the active work and of the position, and whether range is opened with one round more. Lifts
 * stay the smaller part: they grow in number and in how long they are held.
 */
const doses: Readonly<Record<PlanPhase, PhaseDose>> = {
  'settle in': { moreRounds: false, openSets: 1, ownSets: 1, positionSets: 1 },
  open: { moreRounds: true, openSets: 3, ownSets: 1, positionSets: 2 },
  own: { moreRounds: true, openSets: 2, ownSets: 2, positionSets: 2 },
  arrive: { moreRounds: true, openSets: 2, ownSets: 1, positionSets: 3 }
};

/** Sets of an exercise in a session of a phase that is not easy: at most, and where nobody allotted. What gets harder for nobody is not done more often. */
export function mostSets(
  work: Pick<WeekWork, 'exercise' | 'states' | 'place'>,
  ask: Pick<BlocksAsk, 'phase' | 'person' | 'today'>
): number {
  const { openSets, ownSets, positionSets } = doses[dosePhase(work, ask)];
  const part = partOf(work.exercise);
  if (isTest(work.exercise)) return 1;
  if (part === 'mobilise') return isMainMovement(work) ? Math.min(2, openSets) : 1;
  return part === 'own' ? ownSets : part === 'position' ? positionSets : part === 'open' ? openSets : 1;
}

/** Movement that is the work itself, as rocks are for a knee, and no loosening before it. */
export const isMainMovement = ({ exercise, place }: Pick<WeekWork, 'exercise' | 'place'>): boolean =>
  partOf(exercise) === 'mobilise' && place !== undefined && place.section !== 'loosen';

/**
 * The phase by whose figures an exercise is done: that of the week, or the first one where the gate says that nothing of it is made harder.
 * More sets, rounds and minutes are harder as well.
 */
export function dosePhase(
  { exercise, states }: Pick<WeekWork, 'exercise' | 'states'>,
  { phase, person, today }: Pick<BlocksAsk, 'phase' | 'person' | 'today'>
): PlanPhase {
  const places = exercise.sides === 'each' ? sides : ([null] as const);
  const isKept = places.some((side) => gate({ exercise, side, setting: states[side ?? 'left'].setting, person, today }).noHarder);
  return isKept ? 'settle in' : phase;
}

/** What is missed most is cut last: what opens the limit, the position, what opens the others, then active work (assumption). */
const limitPriority = 110;
const partPriority: Readonly<Record<SessionPart, number>> = {
  'warm-up': 10,
  settle: 10,
  mobilise: 20,
  own: 40,
  open: 60,
  position: 100
};

/**
 * The blocks of one session of a plan, before they are fitted to the minutes.
 *
 * Model:  warm-up for what the week moves; each exercise of the week, by its school, where it stands; settle. The phase sets rounds and
 *         sets. What the gate bars is left out, parts of the warm-up and the settle too.
 * Returns the blocks, and what was left out with why.
 */
export function sessionBlocks(ask: BlocksAsk): { blocks: Block[]; leftOut: LeftOut[]; cuts: Cut[] } {
  const isIn = ({ exercise: { id } }: WeekWork) =>
    ask.allotment?.find((a) => a.exerciseId === id)?.sets !== 0 || (ask.putIn?.has(id) ?? false);
  const frame = frameOf({ ...ask, week: ask.week.filter(isIn) });
  const leftOut: LeftOut[] = [...frame.leftOut];
  const cuts: Cut[] = [];
  let isWithoutLifts = false;
  const worked = ask.week.flatMap((work): Block[] => {
    const planned = ask.allotment?.find((a) => a.exerciseId === work.exercise.id);
    const isPutIn = planned?.sets === 0 && ask.putIn?.has(work.exercise.id);
    const allotted = isPutIn ? undefined : planned;
    const ownName = work.isOwn ? { ownName: work.exercise.name } : {};
    if (allotted?.sets === 0) {
      // What cannot be done where the session takes place is told; what has its turn elsewhere is not.
      const missing = work.lacks ? blockOf(work, { ...ask, backWarm: frame.backWarm }, { sets: 1 }).notBuilt : [];
      const untold = missing.filter((n) => n.code === 'no prop' || n.code === 'no stack');
      leftOut.push(...untold.map((n) => ({ ...n, ...ownName })));
      return [];
    }
    // What makes it worse is out from the day it was noted, whatever was solved before.
    if (work.effect === 'worse') {
      leftOut.push({ code: 'made worse', exerciseId: work.exercise.id, ...ownName });
      return [];
    }
    const usual = { sets: mostSets(work, ask), light: ask.light && (!ask.allotment || isPutIn), extra: true };
    // What was allotted before a limit came is held to it.
    const most = mostSets(work, ask);
    const given: Omit<Allotted, 'exerciseId' | 'light' | 'extra'> & Readonly<{ light?: boolean; extra?: boolean }> = allotted
      ? { ...allotted, sets: Math.min(allotted.sets, most) }
      : usual;
    const whole = blockOf(work, { ...ask, backWarm: frame.backWarm }, given);
    const isRested = whole.block !== null && isHard(whole.block) && whole.block.links.some((l) => ask.rested?.has(l));
    // Lift-offs are hard work; on the day after hard work they are left.
    if ((isRested || given.light) && partOf(work.exercise) === 'own') {
      isWithoutLifts = true;
      return [];
    }
    const built = isRested ? blockOf(work, { ...ask, backWarm: frame.backWarm }, { ...given, light: true }) : whole;
    leftOut.push(...built.notBuilt.map((n) => ({ ...n, ...ownName })));
    if (!built.block) return [];
    const block = given.stretch ? heldBlock(built.block) : built.block;
    const kept = given.short ? shortest(block) : { block, cuts: [] };
    cuts.push(...kept.cuts);
    return [kept.block];
  });
  if (isWithoutLifts) leftOut.push({ code: 'light day' });
  const [warmUp, ...settle] = frame.blocks;
  return { blocks: [warmUp, ...worked, ...settle], leftOut, cuts };
}

/** What stands around the work: the warm-up for what the week moves, and the settle. */
export function frameOf({ week, ...ask }: Pick<BlocksAsk, 'person' | 'today' | 'week' | 'minutes'>) {
  const warmUp = warmUpFlow({ ...ask, week: week.map((w) => w.exercise) });
  const settle = settleFlow(ask);
  const blocks: readonly [warmUp: Block, ...settle: Block[]] = [
    flowBlock('split_warm_up', warmUp.steps, [{ code: 'warm first' }]),
    ...(settle.exerciseId === null ? [] : [flowBlock(settle.exerciseId, settle.steps, [{ code: 'ends quiet' }])])
  ];
  return { blocks, backWarm: warmUp.backWarm, leftOut: [...warmUp.leftOut, ...settle.leftOut] };
}

/** One exercise of the week as a block, as the gate lets it through: `sets` times what its school does at once. */
export function blockOf(
  work: WeekWork,
  ask: Omit<BlocksAsk, 'amount' | 'light' | 'allotment'> & Readonly<{ backWarm: boolean }>,
  { sets, light, extra }: Readonly<{ sets: number; light?: boolean; extra?: boolean }>
): Built {
  const { exercise, school, states, cycles, lifts, variant, rules, isOwn, effect } = work;
  if (work.lacks?.length) return { block: null, notBuilt: [lackOf(work)] };
  const part = partOf(exercise);
  const phase = dosePhase(work, ask);
  const built = buildBlock({
    exercise,
    school,
    states,
    cycles,
    lifts,
    variant,
    rules,
    sideOrder: sideOrder(ask),
    sets,
    extraSide: part === 'position' && !isTest(exercise) && extra && phase === ask.phase ? ask.tighterSide : null,
    moreRounds: doses[phase].moreRounds,
    level: ask.level,
    dayCapPct: light ? hardEffortPct - 5 : 100,
    breathS: ask.breathS,
    priority: priorityOf(exercise, part, ask.limiting),
    because: [],
    person: ask.person,
    today: ask.today,
    backWarm: ask.backWarm
  });
  if (!built.block) return built;
  const because = [
    ...whyOf(exercise, built.block, ask, cycles != null || lifts != null),
    ...(effect === 'works' ? [{ code: 'has worked' } as const] : []),
    ...(work.standsFor ? [{ code: 'stands in', exerciseId: work.standsFor } as const] : [])
  ];
  const isFirst = part === 'own' && capsOf(ask.person.limits).activeFirst;
  return {
    ...built,
    block: {
      ...built.block,
      because,
      ...(isFirst && { isFirst }),
      ...(work.place && { rank: work.place.rank, ...(work.place.again && { again: true }) }),
      ...(isOwn && { own: exercise })
    }
  };
}

const lackOf = ({ exercise, lacks = [] }: WeekWork): NotBuilt => ({ code: 'no prop', exerciseId: exercise.id, props: lacks });

/** Dials that a hold does not have. */
const pressDials: readonly string[] = ['effortPct', 'rounds'];

/** A block held and not pressed: of a cycle its longest hold stays. */
export function heldBlock(block: Block): Block {
  const held = (form: Form): Form =>
    form.kind === 'cycle'
      ? { kind: 'hold', spec: { holdS: Math.max(form.spec.holdS, form.spec.finalSettleS), ...form.spec.hold } }
      : form;
  return {
    ...block,
    work: block.work.map(({ easier, dials, ...work }) => ({
      ...work,
      form: held(work.form),
      ...(dials && { dials: dials.filter((d) => !pressDials.includes(d)) }),
      ...(easier && { easier: { ...easier, form: held(easier.form) } })
    }))
  };
}

function priorityOf(exercise: Exercise, part: SessionPart, limiting: readonly LinkId[]): number {
  const rank = rankOf(exercise, limiting);
  return part === 'open' && rank === 0 && limiting.length > 0 ? limitPriority : partPriority[part] - rank;
}

function whyOf(
  exercise: Exercise,
  block: Block,
  { weakerSide, limiting }: Pick<BlocksAsk, 'weakerSide' | 'limiting'>,
  isShaped: boolean
): BlockWhy[] {
  const { links } = exercise;
  const [limit] = limiting;
  const cycle = block.work.flatMap((w) => (w.form.kind === 'cycle' ? [w.form.spec] : []))[0];
  if (isTest(exercise)) return [{ code: 'shows' }];
  const isPosition = block.part === 'position';
  const more = block.work.toSorted((a, b) => b.sets - a.sets)[0];
  return [
    isPosition ? { code: 'position' } : links.length === 0 ? { code: 'in the week' } : { code: codeOf(block.part), links },
    ...(limit && !isPosition && links.includes(limit) ? [{ code: 'limit', link: limit } as const] : []),
    ...(cycle ? [{ code: 'rounds', rounds: cycle.rounds, lighterFirst: (cycle.perRound?.length ?? 0) > 0 } as const] : []),
    ...(isPosition && weakerSide && exercise.sides === 'each' ? [{ code: 'weaker leads', side: weakerSide } as const] : []),
    ...(more?.side && more.sets > block.baseSets ? [{ code: 'one set more', side: more.side } as const] : []),
    ...(isShaped ? [{ code: 'shaped' } as const] : []),
    ...(block.schoolId ? [{ code: 'school', schoolId: block.schoolId } as const] : [])
  ];
}

const codeOf = (part: SessionPart): 'opens' | 'owned' | 'moves' =>
  part === 'open' || part === 'settle' ? 'opens' : part === 'own' ? 'owned' : 'moves';

/** How far down the list of limits an exercise stands: that of its foremost link. */
function rankOf({ links }: Exercise, limiting: readonly LinkId[]): number {
  const ranks = links.map((l) => limiting.indexOf(l)).filter((r) => r >= 0);
  return ranks.length > 0 ? Math.min(...ranks) : limiting.length;
}

const sideOrder = ({ weakerSide, leadSide }: Pick<BlocksAsk, 'weakerSide' | 'leadSide'>): Side[] => {
  const first = weakerSide ?? leadSide;
  return [first, ...sides.filter((s) => s !== first)];
};

function flowBlock(exerciseId: string, steps: readonly FlowStep[], because: BlockWhy[]): Block {
  const exercise = exerciseOf(exerciseId);
  const form: Form = { kind: 'flow', spec: { steps } };
  return {
    exerciseId,
    part: partOf(exercise),
    links: exercise.links,
    baseSets: 1,
    leastHoldS: 0,
    priority: 1000,
    props: propWords(exercise),
    work: [{ side: null, sets: 1, form, setting: {} }],
    because
  };
}
