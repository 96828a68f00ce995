import type { FlowCue } from '../cycle/cue';
import { exerciseOf } from '../exercise/exercises';
import { capsOf } from '../safety/caps';
import { toldPainOf } from '../safety/ends';
import { gate } from '../safety/gate';
import type { SafetyPerson } from '../safety/person';
import type { MotionId } from '../body/motions';
import { sides, type Side } from '../body/side';
import type { FlowStep } from '../session/block';
import type { LeftOut } from './leftOut';

/** A movement of a warm-up; `weight` is its share of the time among those that are done. */
type Step = Readonly<{ exerciseId: string; side: Side | null; weight: number; cue: FlowCue; for: 'all' | readonly MotionId[] }>;

const usualWarmUpS = 360;

const hips: readonly MotionId[] = ['HF-KS', 'HF-KB', 'HE', 'HE-KF', 'HAB', 'HAB90', 'HAD', 'HER0', 'HIR0', 'HER90', 'HIR90'];
const apart: readonly MotionId[] = ['HAB', 'HAB90', 'HAD'];
const turned: readonly MotionId[] = ['HER0', 'HIR0', 'HER90', 'HIR90', 'KF', 'KE', 'HE-KF'];
const behind: readonly MotionId[] = ['HE', 'HE-KF'];
const ankles: readonly MotionId[] = ['ADF', 'APF'];
const arms: readonly MotionId[] = ['WF', 'WE', 'SF', 'SER', 'SIR'];

/** One movement on either side. */
const eachSide = (exerciseId: string, weight: number, moved: readonly MotionId[], cue: FlowCue): Step[] =>
  sides.map((side) => ({ exerciseId, side, weight, cue, for: moved }));

/** A warm-up, each part an exercise of its own: the pulse first, then what the session moves (common practice; shares are assumptions). */
const warmUpSteps: readonly Step[] = [
  { exerciseId: 'march_on_the_spot', side: null, weight: 60, cue: 'march', for: 'all' },
  { exerciseId: 'hip_circles', side: null, weight: 40, cue: 'hip circles', for: hips },
  { exerciseId: 'cat_and_cow', side: null, weight: 40, cue: 'cat and cow', for: 'all' },
  { exerciseId: 'arm_circles', side: null, weight: 60, cue: 'arm circles', for: arms },
  ...eachSide('leg_swings_forward', 40, ['HF-KS', ...behind], 'leg swings'),
  ...eachSide('leg_swings_across', 40, apart, 'leg swings across'),
  ...eachSide('lunge_bounces_knee_down', 40, behind, 'lunge and sink').toReversed(),
  ...eachSide('half_split_pulses', 30, ['HF-KS'], 'half-split pulses'),
  ...eachSide('knee_circles_sitting', 40, turned, 'knee circles'),
  ...eachSide('ankle_circles', 20, ankles, 'ankle circles'),
  { exerciseId: 'heel_raises', side: null, weight: 40, cue: 'heel raises', for: ankles },
  { exerciseId: 'shake_out', side: null, weight: 30, cue: 'shake out hands', for: arms }
];

/** What takes the time of a part that is left out, the first that is open to the person. The last one loads nothing. */
const substitutes: readonly Pick<Step, 'exerciseId' | 'side' | 'cue'>[] = [
  { exerciseId: 'hip_circles', side: null, cue: 'slow hip circles' },
  { exerciseId: 'heel_raises', side: null, cue: 'heel raises' },
  { exerciseId: 'cat_and_cow', side: null, cue: 'slow cat and cow' },
  { exerciseId: 'ankle_pumps', side: null, cue: 'feet in turn' },
  { exerciseId: 'arm_circles', side: null, cue: 'arm circles both ways' },
  { exerciseId: 'seated_twist_side_bend', side: null, cue: 'turn and bend' },
  { exerciseId: 'shake_out', side: null, cue: 'shake out all' }
];

const backWarmers: ReadonlySet<string> = new Set(['cat_and_cow', 'prone_press_up']);

export type WarmUp = Readonly<{ steps: readonly FlowStep[]; leftOut: readonly LeftOut[]; backWarm: boolean }>;

/**
 * The warm-up as the gate lets it through: a part that is barred is left out, and something open takes its time.
 *
 * Model:  the pulse and the back, then what moves the `motions` of the session. The least warm-up is kept whatever is left out; a
 *         substitute is not taken twice while there is another.
 */
export function warmUpFlow(person: SafetyPerson, today: string, motions: ReadonlySet<MotionId>): WarmUp {
  const totalS = Math.max(usualWarmUpS, capsOf(person.limits).warmUpS);
  const whyNot = ({ exerciseId, side }: Pick<Step, 'exerciseId' | 'side'>) => {
    const exercise = exerciseOf(exerciseId);
    const { bars } = gate({ exercise, side, setting: exercise.start, person, today });
    // A pain that nobody has decided on yet is not warmed up through.
    const pain = toldPainOf({ exercise, side, person });
    return bars.length > 0 || !pain ? bars : [pain];
  };
  const wanted = warmUpSteps.filter((s) => s.for === 'all' || s.for.some((motion) => motions.has(motion)));
  const weights = wanted.reduce((sum, s) => sum + s.weight, 0);
  const open = substitutes.filter((s) => whyNot(s).length === 0);
  const used = new Set<string>(wanted.filter((s) => whyNot(s).length === 0).map((s) => s.exerciseId));
  const leftOut: LeftOut[] = [];
  const done: string[] = [];
  const steps = wanted.flatMap((step): FlowStep[] => {
    const durationS = Math.ceil((step.weight / weights) * totalS);
    const why = whyNot(step);
    if (why.length === 0) {
      done.push(step.exerciseId);
      return [{ durationS, cue: step.cue, exerciseId: step.exerciseId, side: step.side }];
    }
    const instead = open.find((s) => !used.has(s.exerciseId)) ?? open.at(-1);
    leftOut.push({
      code: 'barred',
      exerciseId: step.exerciseId,
      side: step.side,
      why,
      ...(instead && { instead: instead.exerciseId })
    });
    if (!instead) return [];
    used.add(instead.exerciseId);
    done.push(instead.exerciseId);
    return [{ durationS, cue: instead.cue, exerciseId: instead.exerciseId, side: instead.side }];
  });
  return { steps, leftOut, backWarm: done.some((id) => backWarmers.has(id)) };
}

const onSide: readonly FlowStep[] = [
  { durationS: 60, cue: 'lie on the side' },
  { durationS: 60, cue: 'rise by the hands' }
];
const onFeet: readonly FlowStep[] = [{ durationS: 120, cue: 'stand at ease' }];

/** How a session settles where it cannot be done lying on the back, in the order in which they are taken. */
const otherSettles: readonly Readonly<{ exerciseId: string; steps: readonly FlowStep[] }>[] = [
  { exerciseId: 'rest_on_side', steps: onSide },
  { exerciseId: 'stand_and_compare', steps: onFeet },
  { exerciseId: 'shake_out', steps: onFeet },
  { exerciseId: 'neck_turns', steps: onFeet }
];

/** How a session settles: lying on the back, or as the gate leaves it; null where it leaves nothing. */
export function settleFlow(
  person: SafetyPerson,
  today: string
): Readonly<{ exerciseId: string | null; steps: readonly FlowStep[]; leftOut: readonly LeftOut[] }> {
  const whyNot = (id: string) => {
    const exercise = exerciseOf(id);
    return gate({ exercise, side: null, setting: exercise.start, person, today }).bars;
  };
  const lying = 'settle';
  const why = whyNot(lying);
  if (why.length === 0)
    return {
      exerciseId: lying,
      steps: [
        { durationS: 60, cue: 'lie on the back' },
        { durationS: 60, cue: 'rise by the side' }
      ],
      leftOut: []
    };
  const instead = otherSettles.find((s) => whyNot(s.exerciseId).length === 0);
  return {
    exerciseId: instead?.exerciseId ?? null,
    steps: instead?.steps ?? [],
    leftOut: [{ code: 'barred', exerciseId: lying, side: null, why, ...(instead && { instead: instead.exerciseId }) }]
  };
}
