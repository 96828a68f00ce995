// A data table. The basis of each figure stands beside it and in docs/sources.md#goals.
import { motionMeasures } from '../measure/motionMeasures';
import type { Demand, DemandSide, Goal } from './goal';
import type { MotionId } from '../body/motions';

const need = (measure: Demand['measure'], on: DemandSide, needDeg: number, basis: Demand['basis'] = 'assumption'): Demand => ({
  measure,
  on,
  needDeg,
  basis
});

const kneeCaution = 'The turn comes from the hip. Any knee pain ends it, during and after.';
const plain = { leads: false, alsoMeasured: [], stages: [], cautions: [], kneeRules: false } as const;

const positions: readonly Goal[] = [
  {
    ...plain,
    id: 'front_split',
    name: 'Front split',
    kind: 'position',
    leads: true,
    headline: 'front_split_gap',
    model: 'split',
    demands: [need('HF-KS', 'lead', 140), need('HE', 'trail', 40)],
    target: 0,
    endPoint: 'the pelvis is on the floor; past flat, at the raise you set under the front heel',
    stages: ['half split', 'on a stack', 'flat', 'past flat'],
    view: 'side',
    checks: ['hips square', 'knees straight', 'rear knee under its hip', 'no knee or sit-bone pain'],
    cautions: ['The back is warm before it leans.', 'Past flat only after a flat split is held 30 s with ease on several days.']
  },
  {
    ...plain,
    id: 'standing_split',
    name: 'Standing split',
    kind: 'position',
    leads: true,
    headline: 'standing_split_angle',
    model: 'sum',
    demands: [need('HF-KS', 'lead', 140), need('HE', 'trail', 40)],
    target: 180,
    endPoint: 'the legs are in one line',
    view: 'side',
    checks: ['hips square', 'standing knee straight', 'distance to the wall written down']
  },
  {
    ...plain,
    id: 'side_split',
    name: 'Side split',
    kind: 'position',
    headline: 'side_split_gap',
    model: 'side split',
    demands: [need('HAB', 'each', 90), need('HER0', 'each', 45)],
    target: 0,
    endPoint: 'the pelvis is on the floor',
    stages: ['frog', 'on a stack', 'flat'],
    view: 'front',
    checks: ['level pelvis', 'knees and feet the same way', 'no groin pinch'],
    cautions: ['A pinch in the groin is no target: turn or narrow the legs.']
  },
  {
    ...plain,
    id: 'frog',
    name: 'Frog',
    kind: 'position',
    headline: 'frog_abduction',
    alsoMeasured: ['frog_hip_height'],
    model: 'apart',
    demands: [need('HAB90', 'each', 60)],
    target: 60,
    endPoint: 'the hips are between the knees, near the floor',
    view: 'top',
    checks: ['hips, seat and knees in one line, or the form chosen', 'feet not forced'],
    cautions: ['Padding under the knees.']
  },
  {
    ...plain,
    id: 'butterfly',
    name: 'Butterfly',
    kind: 'position',
    headline: 'butterfly_knee_height',
    alsoMeasured: ['cross_seat_height'],
    model: 'apart',
    demands: [need('HAB90', 'each', 80), need('HER90', 'each', 70)],
    target: 10,
    endPoint: 'the knees are no higher than 10 cm, or on the floor',
    view: 'front',
    checks: ['spine tall', 'feet not rolled']
  },
  {
    ...plain,
    id: 'pancake',
    name: 'Pancake',
    kind: 'position',
    headline: 'pancake_sternum_height',
    alsoMeasured: ['pancake_seat_height'],
    model: 'apart',
    demands: [need('straddle', 'both together', 120), need('trunk_fold', 'both together', 90), need('HF-KS', 'each', 110)],
    target: 10,
    endPoint: 'the breastbone comes to the floor with a flat back',
    stages: ['seat raised', 'seat on the floor', 'elbows down', 'chest down'],
    view: 'front',
    checks: ['knees to the ceiling', 'flat back before depth', 'seat height written down']
  },
  {
    ...plain,
    id: 'standing_fold',
    name: 'Standing forward fold',
    kind: 'position',
    headline: 'fingertip_floor',
    alsoMeasured: ['palms_floor'],
    model: 'apart',
    demands: [need('HF-KS', 'each', 90)],
    target: 0,
    endPoint: 'the fingertips are on the floor, later the palms',
    stages: ['fingertips to the shins', 'fingertips down', 'palms flat'],
    view: 'side',
    checks: ['hinge at the hips', 'knees straight'],
    cautions: ['No spreading or electric sensation.']
  },
  {
    ...plain,
    id: 'seated_fold',
    name: 'Seated forward fold',
    kind: 'position',
    headline: 'fold_reach',
    model: 'apart',
    demands: [need('HF-KS', 'each', 110)],
    target: 5,
    endPoint: 'the hands reach beyond the toes',
    view: 'side',
    checks: ['hinge at the hips', 'knees straight'],
    cautions: ['No spreading or electric sensation.']
  },
  {
    ...plain,
    id: 'easy_seat',
    name: 'Easy cross-legged seat',
    kind: 'position',
    headline: 'easy_seat_minutes',
    alsoMeasured: ['cross_seat_height'],
    model: 'apart',
    demands: [need('HER90', 'each', 45), need('KF', 'each', 120), need('HAB90', 'each', 60)],
    target: 20,
    endPoint: 'they sit with ease for the minutes you set',
    view: 'front',
    checks: ['spine tall', 'feet quiet', 'knees no higher than the hips'],
    cautions: [kneeCaution],
    kneeRules: true
  },
  {
    ...plain,
    id: 'lotus',
    name: 'Lotus',
    kind: 'position',
    headline: 'lotus_knee_height',
    alsoMeasured: ['lotus_stage', 'cross_seat_height'],
    model: 'apart',
    demands: [
      need('HER90', 'each', 80),
      need('HAB90', 'each', 80),
      need('KF', 'each', 145),
      need('APF', 'each', 50, 'published')
    ],
    target: 0,
    endPoint: 'both feet are placed and both knees are down, without pain',
    stages: ['easy cross-legged seat', 'half lotus', 'lotus'],
    stagePositions: ['easy_seat', 'half_lotus', 'lotus'],
    view: 'front',
    checks: ['knee silent before, during, after', 'hands place the foot, never lever it'],
    cautions: [kneeCaution, 'Stay several pain-free weeks at each stage before moving on.'],
    kneeRules: true
  },
  {
    ...plain,
    id: 'heel_sit',
    name: 'Sitting on the heels',
    kind: 'position',
    headline: 'heel_sit_minutes',
    alsoMeasured: ['calf_thigh_gap'],
    model: 'apart',
    demands: [need('KF', 'each', 150), need('APF', 'each', 50, 'published')],
    target: 5,
    endPoint: 'they sit five minutes with ease',
    view: 'side',
    checks: ['weight shared with the hands at first', 'tops of the feet not forced'],
    cautions: [kneeCaution],
    kneeRules: true
  },
  {
    ...plain,
    id: 'turnout',
    name: 'Dance turnout',
    kind: 'position',
    headline: 'turnout_angle',
    model: 'sum',
    demands: [need('HER0', 'each', 60)],
    target: 120,
    endPoint: 'the feet open to the angle you set, and the hips explain it',
    view: 'top',
    checks: ['the turn comes from the hip', 'arches and knees quiet'],
    cautions: [kneeCaution],
    kneeRules: true,
    allowanceDeg: 20
  },
  {
    ...plain,
    id: 'deep_squat',
    name: 'Deep squat',
    kind: 'position',
    headline: 'squat_heel_lift',
    model: 'apart',
    demands: [need('HF-KB', 'each', 120), need('KF', 'each', 140), need('ADF', 'each', 35)],
    target: 0,
    endPoint: 'the heels stay down and it is held with ease',
    view: 'side',
    checks: ['knees over the feet', 'no pain']
  },
  {
    ...plain,
    id: 'lean_back',
    name: 'Kneeling lean-back, toward a bridge',
    kind: 'position',
    headline: 'lean_back_angle',
    model: 'apart',
    demands: [need('HE-KF', 'each', 130)],
    target: 45,
    endPoint: 'knee, hip and shoulder are in one line',
    view: 'side',
    checks: ['pelvis tucked', 'ribs down', 'front of the knee silent'],
    cautions: ['The spine is warm first.']
  },
  {
    ...plain,
    id: 'switch_90_90',
    name: '90/90 switch without hands',
    kind: 'active range',
    headline: 'switch_support',
    alsoMeasured: ['switch_knee_height'],
    model: 'apart',
    demands: [need('HIR90', 'each', 35), need('HER90', 'each', 45)],
    target: 3,
    endPoint: 'they switch five times sitting tall, without hands',
    stages: ['both hands behind', 'one hand behind', 'hands in front', 'no hands'],
    view: 'front',
    checks: ['sit tall', 'no pain in the knee']
  },
  {
    ...plain,
    id: 'leg_raise_held',
    name: 'Straight leg raised and held',
    kind: 'active range',
    headline: 'leg_raise_held',
    model: 'apart',
    demands: [need('HF-KS', 'each', 100)],
    target: 80,
    endPoint: 'the leg is held five seconds near its passive reach',
    view: 'side',
    checks: ['strict and open forms kept apart', 'low back quiet']
  },
  {
    ...plain,
    id: 'abduction_lift',
    name: 'Lift in the one-leg frog',
    kind: 'active range',
    headline: 'abduction_lift',
    model: 'apart',
    demands: [need('HAB90', 'each', 70)],
    target: 15,
    endPoint: 'foot and knee stay lifted for five seconds',
    view: 'front',
    checks: ['no leaning away', 'hips level']
  },
  {
    ...plain,
    id: 'front_foot_lift',
    name: 'Front foot lifted in the split',
    kind: 'active range',
    leads: true,
    headline: 'front_foot_lift',
    model: 'apart',
    demands: [need('HF-KS', 'lead', 140), need('HE', 'trail', 40)],
    target: 5,
    endPoint: 'the heel stays off the floor for five seconds',
    view: 'side',
    checks: ['hips square', 'both knees straight']
  },
  {
    ...plain,
    id: 'clean_kicks',
    name: 'Straight-leg kicks, hips still',
    kind: 'active range',
    headline: 'clean_kicks',
    model: 'apart',
    demands: [need('HF-KS', 'each', 100)],
    target: 20,
    endPoint: 'twenty kicks go by without the hips moving',
    view: 'side',
    checks: ['both knees straight', 'trunk upright'],
    cautions: ['Momentum only for the prepared.']
  },
  {
    ...plain,
    id: 'knee_straight_strength',
    name: 'Knee straightened by strength',
    kind: 'active range',
    headline: 'knee_straight_held',
    model: 'apart',
    // On a seat the hip is at a right angle: hamstrings that are shorter stop the knee, whatever its strength.
    demands: [need('HF-KS', 'each', 90)],
    target: 0,
    endPoint: 'the knee is straight and held for five seconds',
    view: 'side',
    checks: ['thigh still', 'no push from the hip'],
    cautions: ['Never locked with force. Any knee pain ends it.']
  },
  {
    ...plain,
    id: 'hamstring_at_knee',
    name: 'Hamstring at the knee’s end',
    kind: 'active range',
    headline: 'knee_end_angle',
    model: 'apart',
    demands: [need('HF-KS', 'each', 90)],
    target: 0,
    endPoint: 'the knee is straight with the thigh upright',
    view: 'side',
    checks: ['thigh still', 'pelvis quiet', 'felt in the muscle, not behind the knee'],
    cautions: ['A few grams of help for a second or two: no force, no long hold.']
  },
  {
    ...plain,
    id: 'calf_to_thigh',
    name: 'Calf to thigh',
    kind: 'position',
    headline: 'calf_thigh_gap',
    alsoMeasured: ['calf_thigh_contact'],
    model: 'apart',
    demands: [need('KF', 'each', 150)],
    target: 0,
    endPoint: 'calf and thigh touch and the knee is silent',
    view: 'side',
    checks: ['contact along the calf', 'no pain in the knee'],
    cautions: [kneeCaution],
    kneeRules: true
  },
  {
    ...plain,
    id: 'warm_back',
    name: 'Back ready to lean in a split',
    kind: 'comfort',
    headline: 'lean_back_ready',
    model: 'apart',
    demands: [],
    target: 1,
    endPoint: 'a small lean is easy after the warm-up',
    view: 'side',
    checks: ['cat and cow, then press-ups of the chest, first']
  },
  {
    ...plain,
    id: 'desk_ease',
    name: 'Ease after sitting all day',
    kind: 'comfort',
    headline: 'ease',
    model: 'apart',
    demands: [],
    target: 8,
    endPoint: 'they say so',
    view: 'side',
    checks: []
  },
  {
    ...plain,
    id: 'knee_comfort',
    name: 'Knee comfort',
    kind: 'comfort',
    headline: 'ease',
    alsoMeasured: ['calf_thigh_gap'],
    model: 'apart',
    demands: [],
    target: 8,
    endPoint: 'they say so',
    view: 'side',
    checks: ['tightness of the muscle is acceptable, pain is not'],
    cautions: [kneeCaution],
    kneeRules: true
  },
  {
    ...plain,
    id: 'before_training',
    name: 'Hips ready before other training',
    kind: 'comfort',
    headline: 'ease',
    model: 'apart',
    demands: [],
    target: 8,
    endPoint: 'they say so, before and after',
    view: 'side',
    checks: ['short and light, no new depth']
  },
  {
    ...plain,
    id: 'return_of_range',
    name: 'Range back after injury or surgery',
    kind: 'comfort',
    headline: 'ease',
    model: 'apart',
    demands: [],
    target: 8,
    endPoint: 'it goes as far as the other side, with ease',
    view: 'side',
    checks: ['as the clinician allows, in small steps'],
    cautions: ['Cleared by a clinician first; the cautious dose throughout.']
  },
  {
    ...plain,
    id: 'custom',
    name: 'A goal of your own',
    kind: 'position',
    headline: 'own_distance',
    model: 'apart',
    demands: [],
    target: 0,
    endPoint: 'it is as you write it',
    view: 'side',
    checks: []
  }
];

/** Any joint motion as a goal of its own. */
const ranges: readonly Goal[] = motionMeasures.map((measure) => ({
  ...plain,
  id: `range_${measure.id}`,
  name: `Range: ${measure.name}`,
  kind: 'joint range',
  headline: measure.id,
  model: 'apart',
  demands: [],
  target: null,
  endPoint: 'it comes to the angle you set',
  view: 'side',
  checks: ['felt on the opening side only'],
  cautions: measure.caution ? [measure.caution] : [],
  kneeRules: (['KF', 'HER0', 'HER90'] as MotionId[]).includes(measure.motion!)
}));

export const goals: readonly Goal[] = [...positions, ...ranges];

/** The goals as they are looked through: each in one family. */
export const goalFamilies: readonly Readonly<{ name: string; goals: readonly Goal[] }>[] = [
  family('Splits', 'front_split', 'side_split', 'standing_split', 'front_foot_lift'),
  family('Straddles and folds', 'pancake', 'frog', 'standing_fold', 'seated_fold', 'abduction_lift'),
  family('Seats and lotus', 'easy_seat', 'butterfly', 'lotus', 'heel_sit', 'deep_squat', 'switch_90_90'),
  family('Turnout, dance and bridge', 'turnout', 'leg_raise_held', 'clean_kicks', 'lean_back'),
  family('Comfort and preparation', 'warm_back', 'desk_ease', 'knee_comfort', 'before_training', 'return_of_range'),
  family('Knees', 'calf_to_thigh', 'hamstring_at_knee', 'knee_straight_strength'),
  { name: 'A single joint range', goals: ranges },
  family('Anything else', 'custom')
];

function family(name: string, ...ids: readonly string[]) {
  return { name, goals: ids.map((id) => positions.find((g) => g.id === id)!) };
}

const byId = new Map(goals.map((g) => [g.id, g]));

export function goalOf(id: string): Goal {
  const goal = byId.get(id);
  if (!goal) throw new RangeError(`no goal ${id}`);
  return goal;
}
