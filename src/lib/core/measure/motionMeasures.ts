// A data table: how each joint motion is measured. Ranges that no body passes, and ranges that are usual, are assumptions (docs/sources.md#assumptions).
import { motionOf, type MotionId } from '../body/motions';
import type { BodyPosition, Measure, MeasureMode } from './measure';
import type { Limb, WayId } from './ways';

type Row = Readonly<{
  id: MotionId;
  sideWords?: string;
  positions: readonly BodyPosition[];
  howTo: readonly [string, string];
  landmarks: string;
  ways?: readonly WayId[];
  limb?: Limb;
  possible: readonly [number, number];
  usual: readonly [number, number];
  modes?: readonly MeasureMode[];
  supports?: readonly string[];
  caution?: string;
}>;

const angleWays: readonly WayId[] = ['inclinometer', 'goniometer'];

const rows: readonly Row[] = [
  {
    id: 'HF-KS',
    sideWords: 'leg',
    positions: ['lying on the back'],
    howTo: [
      'Raise the leg with the knee straight, the other flat on the floor.',
      'Stop where the knee bends or the pelvis tilts.'
    ],
    landmarks:
      'Inclinometer on the front of the shin. By tape: how far the ankle rises over the hip joint, and along the floor from the hip joint to under the ankle; past upright that run is minus.',
    ways: [...angleWays, 'rise and run'],
    limb: 'legCm',
    possible: [0, 210],
    usual: [30, 180]
  },
  {
    id: 'HF-KB',
    sideWords: 'hip',
    positions: ['lying on the back'],
    howTo: ['Draw the bent knee to the chest, the other leg flat.', 'Stop where the low back leaves the floor.'],
    landmarks: 'Inclinometer along the outside of the thigh, hip joint to knee.',
    possible: [0, 180],
    usual: [60, 155]
  },
  {
    id: 'HE',
    sideWords: 'hip',
    positions: ['lying on the front', 'lying on the back'],
    howTo: [
      'Lift the straight thigh behind, the pelvis held down.',
      'On the back: at the edge of a table, the other knee held, let the thigh sink.'
    ],
    landmarks:
      'Inclinometer along the thigh, hip joint to knee; level is zero. By tape: how far the knee rises over the hip joint; on the back, how far it sinks below it.',
    ways: [...angleWays, 'rise and run'],
    limb: 'thighCm',
    possible: [-40, 90],
    usual: [-20, 60]
  },
  {
    id: 'HE-KF',
    sideWords: 'knee',
    positions: ['lying on the front', 'kneeling'],
    howTo: ['Hip straight and pelvis held, bend the knee: heel to seat.', 'Stop where the pelvis tips or the hip bends.'],
    landmarks: 'Inclinometer along the shin. Lying, the shin on the floor is zero; kneeling, it is counted from the thigh.',
    possible: [0, 175],
    usual: [60, 165],
    caution: 'The front of the knee stays silent.'
  },
  {
    id: 'HAB',
    sideWords: 'leg',
    positions: ['lying on the back', 'sitting'],
    howTo: [
      'Take the straight leg out to the side in the rotation of the goal: knees up, or forward.',
      'Stop where the pelvis tips or the other leg follows.'
    ],
    landmarks: 'Goniometer on the front of the hip: one arm across both hip points, less 90°, the other along the thigh.',
    ways: ['goniometer'],
    possible: [0, 120],
    usual: [15, 100]
  },
  {
    id: 'HAB90',
    sideWords: 'knee',
    positions: ['sitting', 'lying on the back'],
    howTo: ['Soles together or hips bent to a right angle, let the knee fall out.', 'The pelvis stays upright.'],
    landmarks:
      'Inclinometer along the inside of the thigh, on the back only: straight up is zero, level out to the side is 90. Sitting: goniometer.',
    possible: [0, 120],
    usual: [15, 95]
  },
  {
    id: 'HAD',
    sideWords: 'leg',
    positions: ['lying on the back'],
    howTo: ['Bring the straight leg across, the other lifted out of its way.', 'Stop where the pelvis follows.'],
    landmarks: 'Goniometer on the front of the hip, the other arm along the thigh.',
    ways: ['goniometer'],
    possible: [0, 80],
    usual: [5, 50]
  },
  {
    id: 'HER0',
    sideWords: 'hip',
    positions: ['lying on the front', 'lying on the back'],
    howTo: [
      'Hip straight, knee bent to a right angle: let the foot fall inward.',
      'The pelvis stays down, the knee on its spot.'
    ],
    landmarks: 'Inclinometer along the shin; upright is zero, on the back hanging over the edge of the table.',
    possible: [0, 110],
    usual: [10, 80],
    caution: 'The turn comes from the hip. Any knee pain ends it.'
  },
  {
    id: 'HIR0',
    sideWords: 'hip',
    positions: ['lying on the front', 'lying on the back'],
    howTo: ['Hip straight, knee bent to a right angle: let the foot fall outward.', 'The pelvis stays down.'],
    landmarks: 'Inclinometer along the shin; upright is zero, on the back hanging over the edge of the table.',
    possible: [0, 100],
    usual: [5, 75],
    caution: 'Any knee pain ends it.'
  },
  {
    id: 'HER90',
    sideWords: 'hip',
    positions: ['sitting'],
    howTo: ['Hip and knee bent to a right angle: bring the foot inward, toward the other leg.', 'The thigh stays on its line.'],
    landmarks:
      'Inclinometer along the shin; hanging straight is zero. By tape: how far the ankle hangs below the middle of the knee. Lying down neither tells anything.',
    ways: [...angleWays, 'foot height'],
    limb: 'shankCm',
    possible: [0, 120],
    usual: [10, 95],
    caution: 'The turn comes from the hip. Any knee pain ends it.'
  },
  {
    id: 'HIR90',
    sideWords: 'hip',
    positions: ['sitting'],
    howTo: ['Hip and knee bent to a right angle: bring the foot outward.', 'Both sit-bones stay heavy.'],
    landmarks:
      'Inclinometer along the shin; hanging straight is zero. By tape: how far the ankle hangs below the middle of the knee. Lying down neither tells anything.',
    ways: [...angleWays, 'foot height'],
    limb: 'shankCm',
    possible: [0, 100],
    usual: [5, 75],
    caution: 'Any knee pain ends it.'
  },
  {
    id: 'KF',
    sideWords: 'knee',
    positions: ['lying on the back', 'sitting'],
    howTo: ['Hip bent, draw the heel to the seat.', 'Ends at the stretch or at contact of calf and thigh, never at knee pain.'],
    landmarks: 'Goniometer at the outside of the knee: hip joint, knee, ankle. Straight is zero.',
    ways: ['goniometer', 'inclinometer'],
    possible: [0, 175],
    usual: [70, 165],
    caution: 'The knee is silent before, during and after.'
  },
  {
    id: 'KE',
    sideWords: 'knee',
    positions: ['sitting', 'lying on the back'],
    howTo: ['Straighten the knee as far as it goes by itself.', 'Past straight is positive.'],
    landmarks: 'Goniometer at the outside of the knee: hip joint, knee, ankle. Straight is zero.',
    ways: ['goniometer', 'inclinometer'],
    possible: [-90, 30],
    usual: [-40, 15]
  },
  {
    id: 'ADF',
    sideWords: 'ankle',
    positions: ['standing', 'kneeling'],
    howTo: ['Knee over the toes, heel down, as far as the heel stays.', 'The arch does not roll in.'],
    landmarks: 'Inclinometer on the front of the shin; upright is zero.',
    possible: [-20, 70],
    usual: [5, 55],
    modes: ['passive']
  },
  {
    id: 'APF',
    sideWords: 'foot',
    positions: ['sitting', 'lying on the back'],
    howTo: ['Leg long, point the foot.', 'Toes long, not curled; never forced down.'],
    landmarks: 'Goniometer at the outer ankle: along the shin and the outer edge of the foot. A right angle is zero.',
    ways: ['goniometer', 'inclinometer'],
    possible: [-20, 110],
    usual: [20, 90]
  },
  {
    id: 'WF',
    sideWords: 'wrist',
    positions: ['sitting'],
    howTo: ['Forearm on a table, palm down over its edge: let the hand sink.', 'Fingers loose.'],
    landmarks: 'Goniometer at the outside of the wrist: forearm and hand. Straight is zero.',
    ways: ['goniometer', 'inclinometer'],
    possible: [0, 130],
    usual: [40, 105]
  },
  {
    id: 'WE',
    sideWords: 'wrist',
    positions: ['sitting'],
    howTo: ['Forearm on a table, palm down: raise the hand.', 'Fingers loose.'],
    landmarks: 'Goniometer at the outside of the wrist: forearm and hand. Straight is zero.',
    ways: ['goniometer', 'inclinometer'],
    possible: [0, 120],
    usual: [40, 100]
  },
  {
    id: 'SF',
    sideWords: 'arm',
    positions: ['lying on the back', 'standing'],
    howTo: ['Take the straight arm overhead, thumb leading.', 'Ribs stay down.'],
    landmarks: 'Inclinometer along the upper arm; beside the body is zero.',
    possible: [0, 220],
    usual: [90, 200]
  },
  {
    id: 'SER',
    sideWords: 'arm',
    positions: ['lying on the back'],
    howTo: ['Upper arm out to the side, elbow at a right angle: let the hand sink back.', 'Shoulder blade stays down.'],
    landmarks: 'Inclinometer along the forearm; upright is zero.',
    possible: [0, 150],
    usual: [40, 120]
  },
  {
    id: 'SIR',
    sideWords: 'arm',
    positions: ['lying on the back'],
    howTo: ['Upper arm out to the side, elbow at a right angle: let the hand sink forward.', 'Shoulder blade stays down.'],
    landmarks: 'Inclinometer along the forearm; upright is zero.',
    possible: [0, 120],
    usual: [30, 95]
  }
];

export const motionMeasures: readonly Measure[] = rows.map((row) => ({
  ...row,
  name: motionOf(row.id).name,
  unit: '°',
  betterIs: 'higher',
  sides: 'each',
  sideWords: row.sideWords ?? 'side',
  modes: row.modes ?? ['passive', 'active'],
  ways: row.ways ?? angleWays,
  limb: row.limb ?? 'shankCm',
  motion: row.id
}));
