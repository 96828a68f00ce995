// A data table: what a photo and an instrument tell of each measure. The landmarks are those of the figure in the same position.
import type { Landmark } from '../figure/pose';
import type { PoseId } from '../figure/poses';
import { bodyPositions, type BodyPosition } from './measure';

/** From which direction an angle is counted: another landmark, the level line toward it, straight up or straight down. */
export type AngleFrom = 'other' | 'level' | 'up' | 'down';

export type PhotoSpec =
  | Readonly<{ kind: 'height'; names: Readonly<Partial<Record<Landmark, string>>> }>
  | Readonly<{
      kind: 'angle';
      names: Readonly<Partial<Record<Landmark, string>>>;
      from: AngleFrom;
      /** value = offset + sign × the angle at the vertex. */
      sign: 1 | -1;
      offsetDeg: number;
      /** Below the level line, or away from the other landmark where the angle is counted from upright, counts as minus. */
      signed?: boolean;
    }>;

/**
 * How the lie of a device along a limb becomes the value: value = offset + sign × reading.
 *
 * 'level': its rise from level, which goes on past upright. 'up' and 'down': how far it is from straight up or straight down, the
 * same to whichever side it tips. 'set': how far it was turned since its zero was taken on the other part of the joint.
 */
export type InstrumentSpec = Readonly<{
  zero: 'level' | 'up' | 'down' | 'set';
  sign?: 1 | -1;
  offsetDeg?: number;
  /** Of a turn: short of straight and past straight are told apart. Only where the other part lies level. */
  keepsSign?: boolean;
  /** The zero is taken with the top of the device away from the joint, as on the limb; else with its top toward the joint. */
  zeroAwayFromJoint?: boolean;
}>;

/** How a measure is stood, drawn, photographed and read with an instrument. */
export type MeasuringPosition = Readonly<{
  pose: PoseId;
  /** Whether the number of the pose is the value of the measure. */
  drives: boolean;
  photo: PhotoSpec | null;
  /** Positions of the body in which an instrument tells it, that of the pose first; in any other it tells nothing. */
  instrument: Readonly<Partial<Record<BodyPosition, InstrumentSpec>>>;
  /** Where the goal has stages: the pose of each, so that nobody is shown further than they are. */
  stages?: readonly PoseId[];
}>;

const height = (point: string): PhotoSpec => ({ kind: 'height', names: { point } });
const angle = (
  from: AngleFrom,
  [vertex, along, other]: readonly [string, string, string?],
  [offsetDeg, sign]: readonly [number, 1 | -1] = [0, 1],
  signed = false
): PhotoSpec => ({
  kind: 'angle',
  names: { vertex, along, ...(other && { other }) },
  from,
  sign,
  offsetDeg,
  ...(signed && { signed })
});
const at = (pose: PoseId, photo: PhotoSpec | null, instrument: MeasuringPosition['instrument'] = {}): MeasuringPosition => ({
  pose,
  drives: true,
  photo,
  instrument
});
const shown = (pose: PoseId): MeasuringPosition => ({ pose, drives: false, photo: null, instrument: {} });
const rise: InstrumentSpec = { zero: 'level' };
const fall: InstrumentSpec = { zero: 'level', sign: -1 };
const fromUp: InstrumentSpec = { zero: 'up' };
const fromDown: InstrumentSpec = { zero: 'down' };
const turn: InstrumentSpec = { zero: 'set' };
const turnFromLimb: InstrumentSpec = { zero: 'set', zeroAwayFromJoint: true };
/** A foot square to its shin is 0; in line with it, pointed, 90. */
const squareToShin: InstrumentSpec = { zero: 'set', offsetDeg: 90, sign: -1 };
/** On the front the shin stands up, on the back it hangs over the edge of the table. */
const turnedShin = { 'lying on the front': fromUp, 'lying on the back': fromDown };
const lyingLeg = angle('level', ['hip joint', 'ankle', 'shoulder'], [180, -1]);

export const measuringPositions: Readonly<Record<string, MeasuringPosition>> = {
  front_split_gap: at('front split', height('lowest point of the pelvis')),
  standing_split_angle: at('standing split', angle('other', ['hips', 'raised ankle', 'standing ankle']), {
    standing: turnFromLimb
  }),
  side_split_gap: at('side split', height('lowest point of the pelvis')),
  frog_hip_height: at('frog height', height('lowest point of the pelvis')),
  frog_abduction: at('frog', null),
  butterfly_knee_height: at('butterfly', height('underside of the knee')),
  pancake_sternum_height: at('pancake', height('top of the breastbone')),
  straddle: at('straddle', null),
  trunk_fold: at('pancake tilt', angle('up', ['hip joint', 'shoulder', 'ankle'], [0, 1], true), { sitting: fromUp }),
  fingertip_floor: at('standing fold', height('tip of the longest finger')),
  palms_floor: shown('standing fold'),
  fold_reach: at('seated fold', null),
  easy_seat_minutes: shown('easy seat'),
  lotus_knee_height: { ...at('lotus', height('underside of the knee')), stages: ['easy seat', 'half lotus', 'lotus'] },
  lotus_stage: { ...shown('lotus'), stages: ['easy seat', 'half lotus', 'lotus'] },
  heel_sit_minutes: shown('heel sit'),
  turnout_angle: at('turnout', angle('other', ['heels', 'one second toe', 'the other second toe'])),
  squat_heel_lift: at('deep squat', height('underside of the heel')),
  lean_back_angle: at('lean back', angle('up', ['knee', 'hip joint']), { kneeling: fromUp }),
  switch_support: shown('90/90 switch'),
  switch_knee_height: at('90/90 switch', height('underside of the first knee')),
  leg_raise_held: at('leg raise', lyingLeg, { 'lying on the back': rise, standing: fromDown, sitting: fromDown }),
  abduction_lift: at('one-leg frog', height('underside of the foot')),
  front_foot_lift: at('front foot lift', height('underside of the heel')),
  clean_kicks: shown('leg swing'),
  pancake_seat_height: shown('pancake tilt'),
  cross_seat_height: shown('easy seat'),
  calf_thigh_gap: at('heel sit', null),
  calf_thigh_contact: shown('heel sit'),
  knee_end_angle: at('thigh upright', angle('other', ['knee', 'ankle', 'hip joint'], [-180, 1]), {
    'lying on the back': { zero: 'level', offsetDeg: -90 }
  }),
  knee_straight_held: at('knee straight', null, { sitting: { zero: 'set', keepsSign: true } }),
  ease: shown('standing'),
  lean_back_ready: shown('lean back'),
  own_distance: shown('standing'),
  own_angle: {
    pose: 'standing',
    drives: false,
    photo: angle('other', ['vertex', 'one end', 'other end']),
    instrument: Object.fromEntries(bodyPositions.map((p) => [p, turnFromLimb]))
  },
  own_minutes: shown('standing'),
  own_count: shown('standing'),
  'HF-KS': at('leg raise', lyingLeg, { 'lying on the back': rise }),
  'HF-KB': at('knee to chest', angle('level', ['hip joint', 'knee', 'shoulder'], [180, -1]), { 'lying on the back': rise }),
  HE: at('thigh behind', angle('level', ['hip joint', 'knee', 'shoulder'], [180, -1], true), {
    'lying on the front': rise,
    'lying on the back': fall
  }),
  'HE-KF': at('heel to seat', angle('other', ['knee', 'ankle', 'hip joint'], [180, -1]), {
    'lying on the front': rise,
    kneeling: turn
  }),
  HAB: at('leg aside', angle('other', ['hip joint', 'ankle', 'other hip joint'], [-90, 1])),
  HAB90: at('knee out', angle('up', ['hip joint', 'knee']), { 'lying on the back': fromUp }),
  HAD: at('leg across', angle('other', ['hip joint', 'ankle', 'other hip joint'], [90, -1])),
  HER0: at('foot let inward', angle('up', ['knee', 'ankle']), turnedShin),
  HIR0: at('foot let outward', angle('up', ['knee', 'ankle']), turnedShin),
  HER90: at('shin turned in, sitting', angle('down', ['knee', 'ankle']), { sitting: fromDown }),
  HIR90: at('shin turned out, sitting', angle('down', ['knee', 'ankle']), { sitting: fromDown }),
  KF: at('heel drawn in', angle('other', ['knee', 'ankle', 'hip joint'], [180, -1]), {
    'lying on the back': turn,
    sitting: turn
  }),
  KE: at('knee straight', null, { sitting: { zero: 'set', keepsSign: true } }),
  ADF: at('knee over toes', angle('up', ['ankle', 'knee']), { standing: fromUp, kneeling: fromUp }),
  APF: at('foot pointed', angle('other', ['ankle', 'outer edge of the foot', 'knee'], [-90, 1]), {
    sitting: squareToShin,
    'lying on the back': squareToShin
  }),
  WF: at('hand sunk', angle('other', ['wrist', 'longest finger', 'elbow'], [180, -1]), { sitting: fall }),
  WE: at('hand raised', angle('other', ['wrist', 'longest finger', 'elbow'], [180, -1]), { sitting: rise }),
  SF: at('arm overhead', angle('level', ['shoulder', 'wrist', 'hip joint']), {
    'lying on the back': rise,
    standing: fromDown
  }),
  SER: at('forearm back', angle('up', ['elbow', 'wrist']), { 'lying on the back': fromUp }),
  SIR: at('forearm forward', angle('up', ['elbow', 'wrist']), { 'lying on the back': fromUp })
};

/** How a measure is stood and read. */
export function positionOf(measureId: string): MeasuringPosition {
  const position = measuringPositions[measureId];
  if (!position) throw new RangeError(`no position for ${measureId}`);
  return position;
}

/** The pose of a measure at the stage that is worked on. */
export function poseAt({ pose, stages }: MeasuringPosition, stage: number): PoseId {
  return stages ? (stages[Math.min(stage, stages.length - 1)] ?? pose) : pose;
}
