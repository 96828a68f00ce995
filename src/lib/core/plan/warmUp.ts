import type { FlowCue } from '../cycle/cue';
import type { Exercise } from '../exercise/exercise';
import { exerciseOf } from '../exercise/exercises';
import { capsOf } from '../safety/caps';
import { toldPainOf } from '../safety/ends';
import { gate } from '../safety/gate';
import type { SafetyPerson } from '../safety/person';
import { isGrowing } from '../safety/upperLimit';
import type { MotionId } from '../body/motions';
import { sides, type Side } from '../body/side';
import type { FlowStep } from '../session/block';
import type { LeftOut } from './leftOut';

/** A movement of a warm-up; `weight` is its share of the time among those that are done. */
type Step = Readonly<{
  exerciseId: string;
  side: Side | null;
  weight: number;
  cue: FlowCue;
  /** The motions it is for; the pulse and the back are for all, where there is time for them. */
  for: 'all' | readonly MotionId[];
}>;

/** Shares of a session that its warm-up takes, by its length: a fifth at most, a quarter of one of 16 to 29 minutes (common practice). */
const warmUpShares: readonly (readonly [belowMin: number, share: number])[] = [
  [9, 0.15],
  [16, 0.17],
  [30, 0.175],
  [Infinity, 0.16]
];
const longestWarmUpS = 600;
/** So much longer a warm-up is for people who still grow (common practice): up to 30 % of a session. */
const growingMore = 1.5;
/** The pulse comes first where there are so many seconds; else the joints of the session have them all (assumption). */
const pulseFromS = 200;
/** No movement is shorter (assumption). */
const shortestStepS = 15;

/** Seconds of a warm-up in a session of so many minutes; never less than a limit of the person says. Source: docs/sources.md#planning */
export function warmUpSeconds(minutes: number, { limits }: Pick<SafetyPerson, 'limits'>): number {
  const [, share] = warmUpShares.find(([belowMin]) => minutes < belowMin)!;
  const more = isGrowing({ limits }) ? growingMore : 1;
  return Math.max(Math.min(Math.round(minutes * 60 * share * more), longestWarmUpS), capsOf(limits).warmUpS);
}

/** Seconds of a settle: a twentieth of the session, half a minute at least, two at most (common practice). */
export const settleSeconds = (minutes: number): number => Math.min(120, Math.max(30, Math.round(minutes * 60 * 0.05)));

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
  { exerciseId: 'cat_and_cow', side: null, weight: 40, cue: 'cat and cow', for: 'all' },
  { exerciseId: 'arm_circles', side: null, weight: 60, cue: 'arm circles', for: arms },
  { exerciseId: 'shake_out', side: null, weight: 30, cue: 'shake out hands', for: arms },
  ...eachSide('leg_swings_forward', 40, ['HF-KS', ...behind], 'leg swings'),
  ...eachSide('leg_swings_across', 40, apart, 'leg swings across'),
  ...eachSide('lunge_bounces_knee_down', 40, behind, 'lunge and sink').toReversed(),
  ...eachSide('half_split_pulses', 30, ['HF-KS'], 'half-split pulses'),
  { exerciseId: 'butterfly_rock', side: null, weight: 40, cue: 'butterfly rock', for: ['HAB', 'HAB90', 'HER90'] },
  ...eachSide('trailing_knee_lift', 40, ['HER90', 'HIR90'], 'trailing knee lifts'),
  { exerciseId: 'hip_circles', side: null, weight: 40, cue: 'hip circles', for: hips },
  ...eachSide('knee_circles_sitting', 40, turned, 'knee circles'),
  { exerciseId: 'ankle_pumps', side: null, weight: 40, cue: 'feet in turn', for: ankles },
  ...eachSide('ankle_circles', 20, ankles, 'ankle circles'),
  { exerciseId: 'heel_raises', side: null, weight: 40, cue: 'heel raises', for: ankles }
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

const backWarmer = 'cat_and_cow';
const backWarmers: ReadonlySet<string> = new Set([backWarmer, 'prone_press_up']);

export type WarmUp = Readonly<{ steps: readonly FlowStep[]; leftOut: readonly LeftOut[]; backWarm: boolean }>;

export type WarmUpAsk = Readonly<{
  person: SafetyPerson;
  today: string;
  /** How long the session may be. */
  minutes: number;
  /** Exercises of the week: what they move is warmed up, and none of them is done twice. */
  week: readonly Pick<Exercise, 'id' | 'links' | 'traits'>[];
}>;

/**
 * The warm-up as the gate lets it through: a part that is barred is left out, and something open takes its time.
 *
 * Model:  a share of the session's minutes. The pulse and the back where there is time, then what moves the motions of the session; of
 *         more than there is time for the last are left. The least warm-up is kept whatever is left out; a substitute is not taken twice
 *         while there is another.
 */
export function warmUpFlow({ person, today, minutes, week }: WarmUpAsk): WarmUp {
  const totalS = warmUpSeconds(minutes, person);
  const whyNot = ({ exerciseId, side }: Pick<Step, 'exerciseId' | 'side'>) => {
    const exercise = exerciseOf(exerciseId);
    const { bars } = gate({ exercise, side, setting: exercise.start, person, today });
    // A pain that nobody has decided on yet is not warmed up through.
    const pain = toldPainOf({ exercise, side, person });
    return bars.length > 0 || !pain ? bars : [pain];
  };
  const wanted = stepsFor(week, totalS);
  const weights = wanted.reduce((sum, s) => sum + s.weight, 0);
  const open = substitutes.filter((s) => whyNot(s).length === 0);
  const used = new Set<string>(wanted.filter((s) => whyNot(s).length === 0).map((s) => s.exerciseId));
  const leftOut: LeftOut[] = [];
  const done: string[] = [];
  const until = (i: number) => Math.round((wanted.slice(0, i).reduce((sum, s) => sum + s.weight, 0) / weights) * totalS);
  const steps = wanted.flatMap((step, i): FlowStep[] => {
    const durationS = until(i + 1) - until(i);
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

const onSide: readonly FlowCue[] = ['lie on the side', 'rise by the hands'];
const onFeet: readonly FlowCue[] = ['stand at ease'];

/** How a session settles where it cannot be done lying on the back, in the order in which they are taken. */
const otherSettles: readonly Readonly<{ exerciseId: string; cues: readonly FlowCue[] }>[] = [
  { exerciseId: 'rest_on_side', cues: onSide },
  { exerciseId: 'stand_and_compare', cues: onFeet },
  { exerciseId: 'shake_out', cues: onFeet },
  { exerciseId: 'neck_turns', cues: onFeet }
];

/** The movements of a warm-up of so many seconds for what a week moves. */
function stepsFor(week: WarmUpAsk['week'], totalS: number): Step[] {
  const moved = new Set<MotionId>(week.flatMap((e) => e.links));
  const leansBack = week.some((e) => e.traits.includes('lean back'));
  const isInWeek = (s: Step) => week.some((e) => e.id === s.exerciseId);
  const isKept = (s: Step) => s.exerciseId === backWarmer && leansBack;
  const isFor = (s: Step) => (s.for === 'all' ? totalS >= pulseFromS : s.for.some((motion) => moved.has(motion)));
  const fits = warmUpSteps.filter((s) => isKept(s) || (isFor(s) && !isInWeek(s)));
  // What moves nothing that is named, and what is all in the week itself, is warmed up by the pulse.
  let steps = fits.length > 0 ? fits : warmUpSteps.filter((s) => s.for === 'all');
  const shortestS = (of: readonly Step[]) =>
    (Math.min(...of.map((s) => s.weight)) / of.reduce((sum, s) => sum + s.weight, 0)) * totalS;
  while (steps.length > 1 && Math.round(shortestS(steps)) < shortestStepS) {
    const last = steps.findLast((s) => !isKept(s));
    // Both sides of it.
    const fewer = steps.filter((s) => s.exerciseId !== last?.exerciseId);
    if (!last || fewer.length === 0) break;
    steps = fewer;
  }
  return steps;
}

/** How a session settles: lying on the back, or as the gate leaves it; null where it leaves nothing. */
export function settleFlow({ person, today, minutes }: Pick<WarmUpAsk, 'person' | 'today' | 'minutes'>): Readonly<{
  exerciseId: string | null;
  steps: readonly FlowStep[];
  leftOut: readonly LeftOut[];
}> {
  const whyNot = (id: string) => {
    const exercise = exerciseOf(id);
    return gate({ exercise, side: null, setting: exercise.start, person, today }).bars;
  };
  const lying = 'settle';
  const totalS = settleSeconds(minutes);
  const steps = (cues: readonly FlowCue[]): FlowStep[] =>
    cues.map((cue) => ({ durationS: Math.ceil(totalS / cues.length), cue }));
  const why = whyNot(lying);
  if (why.length === 0)
    return {
      exerciseId: lying,
      steps: steps(['lie on the back', 'rise by the side']),
      leftOut: []
    };
  const instead = otherSettles.find((s) => whyNot(s.exerciseId).length === 0);
  return {
    exerciseId: instead?.exerciseId ?? null,
    steps: instead ? steps(instead.cues) : [],
    leftOut: [{ code: 'barred', exerciseId: lying, side: null, why, ...(instead && { instead: instead.exerciseId }) }]
  };
}
