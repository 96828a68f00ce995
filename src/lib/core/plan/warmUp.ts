import { exerciseOf } from '../exercise/exercises';
import { capsOf } from '../safety/caps';
import { gate } from '../safety/gate';
import type { SafetyPerson } from '../safety/person';
import type { Side } from '../body/side';
import type { FlowStep } from '../session/block';
import type { LeftOut } from './leftOut';

type Step = Readonly<{ exerciseId: string; side: Side | null; share: number; cue: string }>;

const usualWarmUpS = 360;

/** The warm-up of a split, each part an exercise of its own; shares of its time. */
const warmUpSteps: readonly Step[] = [
  { exerciseId: 'march_on_the_spot', side: null, share: 60 / 360, cue: 'March on the spot, arms swinging.' },
  { exerciseId: 'hip_circles', side: null, share: 40 / 360, cue: 'Hip circles, both ways.' },
  { exerciseId: 'cat_and_cow', side: null, share: 40 / 360, cue: 'Cat and cow, five of each.' },
  { exerciseId: 'leg_swings_forward', side: 'left', share: 40 / 360, cue: 'Leg swings, left. A hand on the wall.' },
  { exerciseId: 'leg_swings_forward', side: 'right', share: 40 / 360, cue: 'Leg swings, right. A hand on the wall.' },
  // The lunge is named by the leg behind; its cue by the foot in front, as it is said.
  { exerciseId: 'lunge_bounces_knee_down', side: 'right', share: 40 / 360, cue: 'Lunge and sink, left foot in front.' },
  { exerciseId: 'lunge_bounces_knee_down', side: 'left', share: 40 / 360, cue: 'Lunge and sink, right foot in front.' },
  { exerciseId: 'half_split_pulses', side: 'left', share: 30 / 360, cue: 'Half-split pulses, left leg in front.' },
  { exerciseId: 'half_split_pulses', side: 'right', share: 30 / 360, cue: 'Half-split pulses, right leg in front.' }
];

/** What takes the time of a part that is left out, the first that is open to the person. The last one loads nothing. */
const substitutes: readonly Omit<Step, 'share'>[] = [
  { exerciseId: 'hip_circles', side: null, cue: 'Hip circles, slow, both ways.' },
  { exerciseId: 'heel_raises', side: null, cue: 'Heel raises, slow.' },
  { exerciseId: 'cat_and_cow', side: null, cue: 'Cat and cow, slow.' },
  { exerciseId: 'ankle_pumps', side: null, cue: 'Sit. Feet pointed and drawn up, in turn.' },
  { exerciseId: 'arm_circles', side: null, cue: 'Arm circles, forward and back.' },
  { exerciseId: 'seated_twist_side_bend', side: null, cue: 'Sit tall. Turn and bend to either side.' },
  { exerciseId: 'shake_out', side: null, cue: 'Shake out arms and legs, easily.' }
];

const backWarmers: ReadonlySet<string> = new Set(['cat_and_cow', 'prone_press_up']);

export type WarmUp = Readonly<{ steps: readonly FlowStep[]; leftOut: readonly LeftOut[]; backWarm: boolean }>;

/**
 * The warm-up as the gate lets it through: a part that is barred is left out, and something open takes its time.
 *
 * Model:  the least warm-up is kept whatever is left out; a substitute is not taken twice while there is another.
 */
export function warmUpFlow(person: SafetyPerson, today: string): WarmUp {
  const totalS = Math.max(usualWarmUpS, capsOf(person.limits).warmUpS);
  const whyNot = ({ exerciseId, side }: Pick<Step, 'exerciseId' | 'side'>) => {
    const exercise = exerciseOf(exerciseId);
    return gate({ exercise, side, setting: exercise.start, person, today }).bars;
  };
  const open = substitutes.filter((s) => whyNot(s).length === 0);
  const used = new Set<string>(warmUpSteps.filter((s) => whyNot(s).length === 0).map((s) => s.exerciseId));
  const leftOut: LeftOut[] = [];
  const done: string[] = [];
  const steps = warmUpSteps.flatMap((step): FlowStep[] => {
    const durationS = Math.ceil(step.share * totalS);
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

/** How a session settles: lying on the back, or on the side where the back is not to be lain on for long. */
export function settleFlow(
  person: SafetyPerson,
  today: string
): Readonly<{ exerciseId: string; steps: readonly FlowStep[]; leftOut: readonly LeftOut[] }> {
  const lying = exerciseOf('settle');
  const why = gate({ exercise: lying, side: null, setting: lying.start, person, today }).bars;
  if (why.length === 0)
    return {
      exerciseId: lying.id,
      steps: [
        { durationS: 60, cue: 'Lie on your back, knees bent, feet wide. Breathe slowly.' },
        { durationS: 60, cue: 'Stay. When you rise, turn to the right side first.' }
      ],
      leftOut: []
    };
  const instead = 'stay_and_breathe';
  return {
    exerciseId: instead,
    steps: [
      { durationS: 60, cue: 'Lie on your side, a cushion between the knees. Breathe slowly.' },
      { durationS: 60, cue: 'Stay. Push yourself up with your hands when you rise.' }
    ],
    leftOut: [{ code: 'barred', exerciseId: lying.id, side: null, why, instead }]
  };
}
