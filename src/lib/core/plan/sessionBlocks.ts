import { dialStates } from '../exercise/dials';
import { exerciseOf } from '../exercise/exercises';
import type { Setting } from '../exercise/dial';
import { loadedJoints, partOf, propWords, type Exercise, type JointSide, type Line } from '../exercise/exercise';
import type { Block, Form, Work } from '../cycle/block';
import { defaultEffortCapPct } from '../cycle/compileCycle';
import { usualStepCm, type Rung } from '../props/ladder';
import type { PlanningSchool } from '../school/schools';
import { isLocked } from '../screen/pain';
import { capOf, hasLimit, type Limit } from '../screen/limit';
import { otherSide, sides, type Side } from '../side';
import type { PlanPhase } from './phases';

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
  limits: readonly Limit[];
  locks: readonly JointSide[];
  restedLines: readonly Readonly<{ line: Line; side: Side }>[];
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
const warmUpS = 360;
const settleSteps = [
  { durationS: 60, cue: 'Lie on your back, knees bent, feet wide. Breathe slowly.' },
  { durationS: 60, cue: 'Stay. When you rise, turn to the right side first.' }
];
const warmUpSteps = [
  { share: 60 / 360, cue: 'March on the spot, arms swinging.' },
  { share: 40 / 360, cue: 'Hip circles, both ways.' },
  { share: 40 / 360, cue: 'Cat and cow, five of each.' },
  { share: 40 / 360, cue: 'Leg swings, left. A hand on the wall.' },
  { share: 40 / 360, cue: 'Leg swings, right. A hand on the wall.' },
  { share: 40 / 360, cue: 'Lunge and sink, left foot in front.' },
  { share: 40 / 360, cue: 'Lunge and sink, right foot in front.' },
  { share: 30 / 360, cue: 'Half-split pulses, left leg in front.' },
  { share: 30 / 360, cue: 'Half-split pulses, right leg in front.' }
];

/**
 * The blocks of one session of a front-split plan, before they are fitted to the minutes.
 *
 * Model:  warm-up; a cycle for either end of the split; one active end-range block for each; the split on its stack; settle.
 *         The phase sets rounds and sets, an easy week about 60 % of them, the settings hold, effort and stack. Work that
 *         loads a locked joint, or stretches a rested line, is left out.
 * Returns the blocks and, in plain sentences, what was left out.
 */
export function sessionBlocks(ask: BlocksAsk): { blocks: Block[]; leftOut: string[] } {
  const dose = doseOf(ask);
  const leftOut: string[] = [];
  const block = (exerciseId: string, sets: number, priority: number, because: string[]): Block[] => {
    const exercise = exerciseOf(exerciseId);
    const work = sideOrder(ask).flatMap((side): Work[] => {
      const bar = barOf(exercise, side, ask);
      if (bar) {
        leftOut.push(`${exercise.name}, ${side}: ${bar}`);
        return [];
      }
      const setting = ask.settings[exerciseId]?.[side] ?? exercise.start;
      const rung = partOf(exercise) === 'position' ? rungAt(ask.rungs[side], setting.depthCm) : undefined;
      const extra = partOf(exercise) === 'position' && side === ask.weakerSide && !ask.easy ? 1 : 0;
      const form = formOf(exercise, side, setting, dose.rounds, ask);
      return [{ side, sets: sets + extra, form, setting, rung, easier: easierWork(exercise, side, setting, dose.rounds, ask) }];
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

  const weaker = ask.weakerSide
    ? [`${capital(ask.weakerSide)} leading trails by more than the error: it goes first, with one set more.`]
    : [];
  const blocks = [
    flowBlock('split_warm_up', warmUpFlow(ask.limits), ['Warm before anything is held. Never cut.']),
    ...block('front_hamstring_cycle', 1, 3, ['The front end of the split.', roundsText(dose.rounds)]),
    ...block('rear_hip_cycle', 1, 4, ['The rear end of the split.', roundsText(dose.rounds)]),
    ...(ask.light ? [] : block('front_leg_lift', dose.ownSets, 1, ['Active work at the range the front leg has reached.'])),
    ...(ask.light ? [] : block('rear_knee_lift', dose.ownSets, 2, ['Active work at the range the rear hip has reached.'])),
    ...block('front_split_on_stack', dose.positionSets, 5, ['The position itself, on the stack of today.', ...weaker]),
    flowBlock('settle', settleSteps, ['Ends without strain. Never cut.'])
  ];
  if (ask.light) leftOut.push('Lift-offs: the day before was hard, and the same link is not worked hard two days running.');
  return { blocks, leftOut };
}

/** The same exercise with its first dial that can be eased one step back. */
function easierWork(exercise: Exercise, side: Side, setting: Setting, rounds: number, ask: BlocksAsk): Work['easier'] {
  const range = {
    rungs: { depthCm: ask.rungs[side] },
    effortCapPct: capOf(ask.limits, 'effort cap', defaultEffortCapPct),
    flatIsEnd: false
  };
  const dial = dialStates(exercise, setting, range).find((d) => d.easier !== null);
  if (!dial || dial.easier === null) return undefined;
  const eased = { ...setting, [dial.id]: dial.easier };
  const rung = partOf(exercise) === 'position' ? rungAt(ask.rungs[side], eased.depthCm) : undefined;
  return { setting: eased, form: formOf(exercise, side, eased, rounds, ask), rung };
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

function barOf(exercise: Exercise, side: Side, { locks, restedLines, settings, limits, rungs }: BlocksAsk): string | null {
  if (isLocked(loadedJoints(exercise, side), locks)) return 'a joint it loads is locked';
  if (hasLimit(limits, 'no end-range work')) return 'no work at the end of the range for this client';
  const rests = exercise.lines.some(({ line, on }) => {
    const lineSide = on === 'same' ? side : otherSide(side);
    return restedLines.some((r) => r.line === line && r.side === lineSide);
  });
  if (rests) return 'the line it stretches is resting';
  if (partOf(exercise) !== 'position') return null;
  const depthCm = settings[exercise.id]?.[side]?.depthCm ?? 0;
  const rung = rungAt(rungs[side], depthCm);
  if (!rung || isTooDeep(rung.depthCm, depthCm)) return 'the shelf has no stack near its height';
  if (depthCm < 0 && limits.some((l) => l.kind === 'no past-flat')) return 'no work past flat for this client';
  return null;
}

/** Whether a stack is deeper than what is meant by more than the greatest step: then it is no stand-in for it. */
export const isTooDeep = (stackDepthCm: number, meantDepthCm: number): boolean =>
  meantDepthCm - stackDepthCm > usualStepCm.max + 1e-9;

/** The rung a depth stands for: the nearest, so that a changed shelf still finds a stack. */
export function rungAt(rungs: readonly Rung[], depthCm: number | undefined): Rung | undefined {
  if (depthCm === undefined) return rungs[0];
  return rungs.reduce<Rung | undefined>(
    (near, rung) => (near && Math.abs(near.depthCm - depthCm) <= Math.abs(rung.depthCm - depthCm) ? near : rung),
    undefined
  );
}

function formOf(exercise: Exercise, side: Side, setting: Setting, rounds: number, ask: BlocksAsk): Form {
  const { school, limits, light } = ask;
  const capPct = Math.min(capOf(limits, 'effort cap', defaultEffortCapPct), light ? hardEffortPct - 5 : 100);
  if (partOf(exercise) === 'open') {
    const pressPct = Math.min(setting.effortPct ?? 40, capPct);
    const drawPct = toFive(pressPct * school.drawShare);
    const firstRound = {
      press: { peakPct: toFive(pressPct * school.firstRoundShare) },
      draw: { peakPct: toFive(drawPct * school.firstRoundShare) }
    };
    const press = shortened(school.press, capOf(limits, 'contraction at most', Infinity));
    const draw = shortened(school.draw, capOf(limits, 'contraction at most', Infinity));
    return {
      kind: 'cycle',
      spec: {
        holdS: Math.min(setting.holdS ?? 60, longestHoldS(exercise, side, limits)),
        rounds,
        press: { ...press, peakPct: pressPct },
        draw: { ...draw, peakPct: drawPct },
        turnS: school.turnS,
        settleS: school.settleS,
        finalSettleS: school.finalSettleS,
        perRound: rounds > 1 ? [firstRound] : []
      }
    };
  }
  if (partOf(exercise) === 'own')
    return {
      kind: 'reps',
      spec: { reps: setting.reps ?? 5, liftS: 2, holdS: setting.holdS ?? 5, lowerS: 2, restS: 4, peakPct: Math.min(50, capPct) }
    };
  return { kind: 'hold', spec: { holdS: setting.holdS ?? 30, cue: 'Hold on the stack. Breathe slowly.' } };
}

/** A contraction squeezed into fewer seconds, ramps and hold alike, whole seconds of at least one. */
function shortened<E extends PlanningSchool['press']>(effort: E, mostS: number): E {
  const totalS = effort.rampUpS + effort.holdS + effort.rampDownS;
  if (totalS <= mostS) return effort;
  const squeezed = (s: number) => Math.max(1, Math.floor((s * mostS) / totalS));
  return { ...effort, rampUpS: squeezed(effort.rampUpS), holdS: squeezed(effort.holdS), rampDownS: squeezed(effort.rampDownS) };
}

/** Where a line is kept from long holds (assumption: docs/sources.md#screening). */
const shortHoldS = 30;

const longestHoldS = (exercise: Exercise, side: Side, limits: readonly Limit[]): number =>
  limits.some(
    (l) =>
      l.kind === 'no long hold of a line' &&
      exercise.lines.some(
        ({ line, on }) => line === l.line && (l.side === undefined || l.side === (on === 'same' ? side : otherSide(side)))
      )
  )
    ? shortHoldS
    : Infinity;

const toFive = (pct: number): number => Math.max(5, Math.round(pct / 5) * 5);

function warmUpFlow(limits: readonly Limit[]) {
  const totalS = limits.reduce((s, l) => (l.kind === 'warm-up at least' ? Math.max(s, l.value ?? 0) : s), warmUpS);
  return warmUpSteps.map(({ share, cue }) => ({ durationS: Math.ceil(share * totalS), cue }));
}

function flowBlock(exerciseId: string, steps: { durationS: number; cue: string }[], because: string[]): Block {
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

const roundsText = (rounds: number) =>
  rounds === 1 ? 'One round of press and draw.' : `${rounds} rounds of press and draw, the first lighter.`;
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
