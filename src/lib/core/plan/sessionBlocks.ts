import { sides, type Side } from '../body/side';
import { exerciseOf } from '../exercise/exercises';
import { partOf, propWords, type Exercise, type LinkId, type SessionPart } from '../exercise/exercise';
import type { SafetyPerson } from '../safety/person';
import type { School } from '../school/school';
import type { Block, BlockWhy, FlowStep, Form } from '../session/block';
import { buildBlock, type DialAsked, type SideCycles, type SideState } from '../session/buildBlock';
import type { SideLifts } from '../session/shapedLifts';
import { easyShare } from '../session/figures';
import type { LeftOut } from './leftOut';
import type { PlanPhase } from './phases';
import { settleFlow, warmUpFlow } from './warmUp';

/** An exercise of the week, the school it is done by, and where it stands on each side. */
export type WeekWork = Readonly<{
  exercise: Exercise;
  school: School;
  states: Readonly<Record<Side, SideState>>;
  /** Shaped by hand, in place of the school's way; null: none. */
  cycles?: SideCycles | null;
  lifts?: SideLifts | null;
  /** Not one that ships: the block keeps it as it is. */
  isOwn: boolean;
}>;

export type BlocksAsk = Readonly<{
  phase: PlanPhase;
  easy: boolean;
  /** On the day after hard work: no lift-offs, effort under 60 %. */
  light: boolean;
  week: readonly WeekWork[];
  level: 'beginner' | 'other';
  leadSide: Side;
  /** The side that trails by more than the error; it goes first and gets an extra set. */
  weakerSide: Side | null;
  /** Links of the goal, the one that limits it most first. */
  limiting: readonly LinkId[];
  /** Length of one breath of this person. */
  breathS: number;
  person: SafetyPerson;
  today: string;
}>;

/** What a phase asks for: sets of the active work and of the position, and whether range is opened with one round more. */
const doses: Readonly<Record<PlanPhase, Readonly<{ moreRounds: boolean; ownSets: number; positionSets: number }>>> = {
  'settle in': { moreRounds: false, ownSets: 1, positionSets: 1 },
  open: { moreRounds: true, ownSets: 2, positionSets: 2 },
  own: { moreRounds: false, ownSets: 3, positionSets: 2 },
  arrive: { moreRounds: false, ownSets: 2, positionSets: 3 }
};
/** From here on an effort is hard work. */
export const hardEffortPct = 60;

/** What is missed most is cut last: the position, what opens the limit, then its active work (assumption). */
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
 *         sets, an easy week about 60 % of them. What the gate bars is left out, parts of the warm-up and the settle too.
 * Returns the blocks, what was left out with why, and the dials for which there is no figure yet.
 */
export function sessionBlocks(ask: BlocksAsk): { blocks: Block[]; leftOut: LeftOut[]; asks: DialAsked[] } {
  const warmUp = warmUpFlow(ask.person, ask.today, new Set(ask.week.flatMap((w) => w.exercise.links)));
  const settle = settleFlow(ask.person, ask.today);
  const leftOut: LeftOut[] = [...warmUp.leftOut, ...settle.leftOut];
  const asks: DialAsked[] = [];
  const worked = ask.week.flatMap((work): Block[] => {
    // Lift-offs are hard work; on the day after hard work they are left.
    if (ask.light && partOf(work.exercise) === 'own') return [];
    const built = builtFrom(work, warmUp.backWarm, ask);
    leftOut.push(...built.notBuilt);
    asks.push(...built.asks);
    return built.block ? [{ ...built.block, ...(work.isOwn && { own: work.exercise }) }] : [];
  });
  if (ask.light && ask.week.some((w) => partOf(w.exercise) === 'own')) leftOut.push({ code: 'light day' });
  const blocks = [
    flowBlock('split_warm_up', warmUp.steps, [{ code: 'warm first' }]),
    ...worked,
    flowBlock(settle.exerciseId, settle.steps, [{ code: 'ends quiet' }])
  ];
  return { blocks, leftOut, asks };
}

function builtFrom({ exercise, school, states, cycles, lifts }: WeekWork, backWarm: boolean, ask: BlocksAsk) {
  const part = partOf(exercise);
  const { sets, moreRounds } = doseOf(part, ask);
  const built = buildBlock({
    exercise,
    school,
    states,
    cycles,
    lifts,
    sideOrder: sideOrder(ask),
    sets,
    extraSide: part === 'position' && !ask.easy ? ask.weakerSide : null,
    moreRounds,
    easy: ask.easy,
    level: ask.level,
    dayCapPct: ask.light ? hardEffortPct - 5 : 100,
    breathS: ask.breathS,
    priority: partPriority[part] - rankOf(exercise, ask.limiting),
    because: [],
    person: ask.person,
    today: ask.today,
    backWarm
  });
  return built.block
    ? { ...built, block: { ...built.block, because: whyOf(exercise, built.block, ask, cycles != null || lifts != null) } }
    : built;
}

function whyOf(exercise: Exercise, block: Block, { weakerSide, limiting }: BlocksAsk, isShaped: boolean): BlockWhy[] {
  const { links } = exercise;
  const [limit] = limiting;
  const cycle = block.work.flatMap((w) => (w.form.kind === 'cycle' ? [w.form.spec] : []))[0];
  const isPosition = block.part === 'position';
  return [
    isPosition ? { code: 'position' } : links.length === 0 ? { code: 'in the week' } : { code: codeOf(block.part), links },
    ...(limit && !isPosition && links.includes(limit) ? [{ code: 'limit', link: limit } as const] : []),
    ...(cycle ? [{ code: 'rounds', rounds: cycle.rounds, lighterFirst: (cycle.perRound?.length ?? 0) > 0 } as const] : []),
    ...(isPosition && weakerSide && exercise.sides === 'each' ? [{ code: 'weaker leads', side: weakerSide } as const] : []),
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

function doseOf(part: SessionPart, { phase, easy }: BlocksAsk): { sets: number; moreRounds: boolean } {
  const { moreRounds, ownSets, positionSets } = doses[phase];
  const sets = part === 'own' ? ownSets : part === 'position' ? positionSets : 1;
  return { moreRounds, sets: easy ? Math.ceil(sets * easyShare) : sets };
}

const sideOrder = ({ weakerSide, leadSide }: BlocksAsk): Side[] => {
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
