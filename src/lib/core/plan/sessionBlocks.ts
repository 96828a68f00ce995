import { dialStates } from '../exercise/dials';
import { exerciseOf } from '../exercise/exercises';
import type { Setting } from '../exercise/dial';
import { partOf, propWords, type Exercise } from '../exercise/exercise';
import type { Block, BlockWhy, FlowStep, Form, Work } from '../session/block';
import { isTooFar, rungAt } from '../grade/gradeStack';
import type { Rung } from '../props/ladder';
import { endValues, gate, type Gated } from '../safety/gate';
import type { SafetyPerson } from '../safety/person';
import { holdWithin, rungsWithin } from '../safety/within';
import type { PlanningSchool } from '../school/schools';
import { sides, type Side } from '../body/side';
import type { LeftOut } from './leftOut';
import type { PlanPhase } from './phases';
import { settleFlow, warmUpFlow } from './warmUp';

/** Where each exercise of a client stands, by exercise and side. */
export type Settings = Readonly<Record<string, Readonly<Record<Side, Setting>>>>;

export type BlocksAsk = Readonly<{
  phase: PlanPhase;
  easy: boolean;
  /** On the day after hard work: no lift-offs, effort under 60 %. */
  light: boolean;
  school: PlanningSchool;
  level: 'beginner' | 'other';
  leadSide: Side;
  /** The side that trails by more than the error; it goes first and gets an extra set. */
  weakerSide: Side | null;
  settings: Settings;
  /** Ladder of the split, a side each. */
  rungs: Readonly<Record<Side, readonly Rung[]>>;
  /** The gap that was measured of the split, a side each. */
  measuredCm: Readonly<Partial<Record<Side, number>>>;
  person: SafetyPerson;
  today: string;
}>;

/** The exercises of a front-split session that dials are moved in. */
export const planExerciseIds = [
  'front_hamstring_cycle',
  'rear_hip_cycle',
  'front_leg_lift',
  'rear_knee_lift',
  'front_split_on_stack'
] as const;

/** What a phase asks for: rounds of the cycles, sets of the active work and of the position. */
const doses: Readonly<Record<PlanPhase, Readonly<{ rounds: number; ownSets: number; positionSets: number }>>> = {
  'settle in': { rounds: 1, ownSets: 1, positionSets: 1 },
  open: { rounds: 2, ownSets: 2, positionSets: 2 },
  own: { rounds: 1, ownSets: 3, positionSets: 2 },
  arrive: { rounds: 1, ownSets: 2, positionSets: 3 }
};

const easyShare = 0.6;
const hardEffortPct = 60;
/**
 * The blocks of one session of a front-split plan, before they are fitted to the minutes.
 *
 * Model:  warm-up; a cycle for either end of the split; one active end-range block for each; the split on its stack; settle.
 *         The phase sets rounds and sets, an easy week about 60 % of them, the settings hold, effort and stack. What the gate
 *         bars is left out, parts of the warm-up and the settle too, and what it keeps within its ends is brought there.
 * Returns the blocks and what was left out, with why.
 */
export function sessionBlocks(ask: BlocksAsk): { blocks: Block[]; leftOut: LeftOut[] } {
  const dose = doseOf(ask);
  const warmUp = warmUpFlow(ask.person, ask.today);
  const settle = settleFlow(ask.person, ask.today);
  const leftOut: LeftOut[] = [...warmUp.leftOut, ...settle.leftOut];
  const block = (exerciseId: string, sets: number, priority: number, because: BlockWhy[]): Block[] => {
    const exercise = exerciseOf(exerciseId);
    const work = sideOrder(ask).flatMap((side): Work[] => {
      const found = workOf(exercise, side, dose.rounds, warmUp.backWarm, ask);
      if ('code' in found) {
        leftOut.push(found);
        return [];
      }
      const extra = partOf(exercise) === 'position' && side === ask.weakerSide && !ask.easy ? 1 : 0;
      return [{ ...found, sets: sets + extra }];
    });
    if (work.length === 0) return [];
    const { links } = exercise;
    const leastHoldS = partOf(exercise) === 'open' ? ask.school.leastHoldS[ask.level] : 20;
    return [
      {
        exerciseId,
        part: partOf(exercise),
        links,
        baseSets: sets,
        leastHoldS,
        priority,
        props: propWords(exercise),
        work,
        because
      }
    ];
  };

  const weaker = ask.weakerSide ? [{ code: 'weaker leads' as const, side: ask.weakerSide }] : [];
  const blocks = [
    flowBlock('split_warm_up', warmUp.steps, [{ code: 'warm first' }]),
    ...block('front_hamstring_cycle', 1, 3, [{ code: 'front end' }, { code: 'rounds', rounds: dose.rounds }]),
    ...block('rear_hip_cycle', 1, 4, [{ code: 'rear end' }, { code: 'rounds', rounds: dose.rounds }]),
    ...(ask.light ? [] : block('front_leg_lift', dose.ownSets, 1, [{ code: 'front owned' }])),
    ...(ask.light ? [] : block('rear_knee_lift', dose.ownSets, 2, [{ code: 'rear owned' }])),
    ...block('front_split_on_stack', dose.positionSets, 5, [{ code: 'position' }, ...weaker]),
    flowBlock(settle.exerciseId, settle.steps, [{ code: 'ends quiet' }])
  ];
  if (ask.light) leftOut.push({ code: 'light day' });
  return { blocks, leftOut };
}

/** The work of one side as the gate lets it through, or why it is left out. */
function workOf(exercise: Exercise, side: Side, rounds: number, backWarm: boolean, ask: BlocksAsk): Work | LeftOut {
  const { id } = exercise;
  const wanted = ask.settings[id]?.[side] ?? exercise.start;
  const isPosition = partOf(exercise) === 'position';
  const measured = isPosition && ask.measuredCm[side] !== undefined ? { depthCm: ask.measuredCm[side] } : {};
  const gated = gate({
    exercise,
    side,
    setting: wanted,
    measured,
    person: ask.person,
    today: ask.today,
    session: { backWarm }
  });
  if (gated.verdict === 'barred') return { code: 'barred', exerciseId: id, side, why: gated.bars };
  const held = holdWithin(exercise, wanted, endValues(gated));
  const rungs = isPosition ? rungsWithin(exercise, ask.rungs[side], endValues(gated)) : [];
  const rung = isPosition ? rungAt(rungs, held.depthCm) : undefined;
  if (isPosition && (!rung || isTooFar(rung.depthCm, held.depthCm ?? 0))) return { code: 'no stack', exerciseId: id, side };
  const setting =
    rung && held.depthCm !== undefined && held.depthCm !== wanted.depthCm ? { ...held, depthCm: rung.depthCm } : held;
  // A wait and a stage that is still to come are told where settings are moved, not beside the mat.
  const notes = [...gated.within.filter((r) => r.code !== 'wait' && r.code !== 'flat first'), ...gated.remember];
  return {
    side,
    sets: 1,
    form: formOf(exercise, setting, rounds, gated, ask),
    setting,
    rung,
    ...(notes.length > 0 && { notes }),
    easier: easierWork(exercise, setting, rounds, rungs, gated, ask)
  };
}

/** The same exercise with its first dial that can be eased one step back: inside the same ends. */
function easierWork(
  exercise: Exercise,
  setting: Setting,
  rounds: number,
  rungs: readonly Rung[],
  gated: Gated,
  ask: BlocksAsk
): Work['easier'] {
  const dial = dialStates(exercise, setting, { rungs: { depthCm: rungs }, ends: endValues(gated) }).find(
    (d) => d.easier !== null
  );
  if (!dial || dial.easier === null) return undefined;
  const eased = { ...setting, [dial.id]: dial.easier };
  const rung = partOf(exercise) === 'position' ? rungAt(rungs, eased.depthCm) : undefined;
  return { setting: eased, form: formOf(exercise, eased, rounds, gated, ask), rung };
}

function doseOf({ phase, easy }: BlocksAsk) {
  const dose = doses[phase];
  if (!easy) return dose;
  return {
    rounds: Math.max(1, Math.floor(dose.rounds * easyShare)),
    ownSets: Math.ceil(dose.ownSets * easyShare),
    positionSets: Math.ceil(dose.positionSets * easyShare)
  };
}

const sideOrder = ({ weakerSide, leadSide }: BlocksAsk): Side[] => {
  const first = weakerSide ?? leadSide;
  return [first, ...sides.filter((s) => s !== first)];
};

function formOf(exercise: Exercise, setting: Setting, rounds: number, { caps }: Gated, ask: BlocksAsk): Form {
  const { school, light } = ask;
  const capPct = Math.min(caps.effortPct, light ? hardEffortPct - 5 : 100);
  const contractionS = caps.contractionS ?? Infinity;
  if (partOf(exercise) === 'open') {
    const pressPct = Math.min(setting.effortPct ?? 40, capPct);
    const drawPct = toFive(pressPct * school.drawShare);
    const firstRound = {
      press: { peakPct: toFive(pressPct * school.firstRoundShare) },
      draw: { peakPct: toFive(drawPct * school.firstRoundShare) }
    };
    return {
      kind: 'cycle',
      spec: {
        holdS: setting.holdS ?? 60,
        rounds,
        press: { ...shortened(school.press, contractionS), peakPct: pressPct },
        draw: { ...shortened(school.draw, contractionS), peakPct: Math.min(drawPct, capPct) },
        turnS: school.turnS,
        settleS: school.settleS,
        finalSettleS: school.finalSettleS,
        perRound: rounds > 1 ? [firstRound] : []
      }
    };
  }
  if (partOf(exercise) === 'own') {
    // Where contractions are kept short the lift and the lowering are part of them.
    const moveS = contractionS < Infinity ? 1 : 2;
    return {
      kind: 'reps',
      spec: {
        reps: setting.reps ?? 5,
        liftS: moveS,
        holdS: Math.min(setting.holdS ?? 5, Math.max(0, contractionS - 2 * moveS)),
        lowerS: moveS,
        restS: 4,
        peakPct: Math.min(50, capPct)
      }
    };
  }
  return { kind: 'hold', spec: { holdS: setting.holdS ?? 30, cue: 'Hold on the stack. Breathe slowly.' } };
}

/** A contraction squeezed into fewer seconds, ramps and hold alike, whole seconds of at least one. */
function shortened<E extends PlanningSchool['press']>(effort: E, mostS: number): E {
  const totalS = effort.rampUpS + effort.holdS + effort.rampDownS;
  if (totalS <= mostS) return effort;
  const squeezed = (s: number) => Math.max(1, Math.floor((s * mostS) / totalS));
  return { ...effort, rampUpS: squeezed(effort.rampUpS), holdS: squeezed(effort.holdS), rampDownS: squeezed(effort.rampDownS) };
}

const toFive = (pct: number): number => Math.max(5, Math.round(pct / 5) * 5);

function flowBlock(exerciseId: string, steps: readonly FlowStep[], because: BlockWhy[]): Block {
  const exercise = exerciseOf(exerciseId);
  const form: Form = { kind: 'flow', spec: { steps } };
  return {
    exerciseId,
    part: partOf(exercise),
    links: exercise.links,
    baseSets: 1,
    leastHoldS: 0,
    priority: 9,
    props: propWords(exercise),
    work: [{ side: null, sets: 1, form, setting: {} }],
    because
  };
}
