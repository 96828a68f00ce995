// A data table: one record an exercise, worded for the product. Facts are common practice (docs/sources.md#exercises).
import type { Dial, Exercise } from './exercise';

const hold = (min: number, max: number, step: number): Dial => ({
  id: 'holdS',
  unit: 's',
  kind: 'metric',
  harder: 'up',
  min,
  max,
  step
});
const effort: Dial = { id: 'effortPct', unit: '%', kind: 'metric', harder: 'up', min: 20, max: 80, step: 5 };
const reps: Dial = { id: 'reps', unit: 'reps', kind: 'metric', harder: 'up', min: 3, max: 8, step: 1 };
const depth: Dial = { id: 'depthCm', unit: 'cm', kind: 'metric', harder: 'down', min: -60, max: 100, step: 2.5 };

const muscleStops = [
  'Sharp or sudden pain, or a pop: stop the session.',
  'Tingling, numbness, or pain that spreads: stop the session.',
  'Ache at the sit-bone or groin, at the bone: stop this stretch.'
] as const;
const kneeStop = 'Pain inside the knee, locking or giving way: stop.';
const pinchStop = 'A pinch on the closing side: come out a little. Twice: leave it.';

export const exercises: readonly Exercise[] = [
  {
    id: 'split_warm_up',
    name: 'Warm up',
    part: 'warm-up',
    pose: 'leg swing',
    links: [],
    kind: 'active',
    sides: 'both together',
    sideWords: '',
    loads: [],
    lines: [],
    props: [],
    setup: ['Clear a body length of floor.', 'A hand on the wall for the swings, if balance wants it.'],
    checks: ['warm enough to breathe a little faster'],
    felt: 'the whole body warming',
    notFelt: 'any joint pain',
    why: 'Cold tissue is not stretched hard; the back is warmed before any lean.',
    stops: ['Dizziness or chest pain: stop, and get help.', ...muscleStops.slice(0, 2)],
    dials: [],
    start: {}
  },
  {
    id: 'front_hamstring_cycle',
    name: 'Front hamstring, half split',
    standardTerm: 'contract-relax with agonist contraction, hamstrings',
    part: 'open',
    pose: 'half split',
    links: ['HF-KS'],
    kind: 'isometric',
    sides: 'each',
    sideWords: 'leg in front',
    loads: [
      { joint: 'hip', on: 'same' },
      { joint: 'knee', on: 'same' },
      { joint: 'knee', on: 'other' },
      { joint: 'back', on: 'middle' }
    ],
    lines: [{ line: 'hamstring', on: 'same' }],
    props: ['knee pad', 'two hand blocks'],
    setup: [
      'Kneel, pad under the rear knee, hip over it.',
      'Front leg straight, heel down, toes up.',
      'Hands on blocks; hinge with a long back.'
    ],
    press: 'heel down into the floor and back toward you',
    draw: 'front thigh up toward the chest, without moving',
    checks: ['hips square', 'front knee straight', 'back long'],
    felt: 'back of the front thigh',
    notFelt: 'behind the knee, low back, sit-bone',
    why: 'The front end of the split: hip flexion with the knee straight.',
    stops: [...muscleStops, kneeStop],
    dials: [hold(30, 120, 15), effort],
    start: { holdS: 60, effortPct: 40 }
  },
  {
    id: 'rear_hip_cycle',
    name: 'Rear hip, half kneeling',
    standardTerm: 'contract-relax with agonist contraction, hip flexors',
    part: 'open',
    pose: 'half kneeling',
    links: ['HE'],
    kind: 'isometric',
    sides: 'each',
    sideWords: 'knee on the mat',
    loads: [
      { joint: 'hip', on: 'same' },
      { joint: 'knee', on: 'same' },
      { joint: 'hip', on: 'other' },
      { joint: 'back', on: 'middle' }
    ],
    lines: [{ line: 'hip flexor', on: 'same' }],
    props: ['knee pad', 'two hand blocks'],
    setup: [
      'Kneel, pad under the rear knee.',
      'Front foot ahead of its knee.',
      'Tuck the pelvis, ribs down, then move the hips forward.'
    ],
    press: 'rear knee down and forward into the mat',
    draw: 'rear hip forward by its own seat muscle',
    checks: ['pelvis tucked', 'hips square', 'ribs down'],
    felt: 'front of the rear hip',
    notFelt: 'low back, front of the knee',
    why: 'The rear end of the split: hip extension.',
    stops: [...muscleStops, kneeStop],
    dials: [hold(30, 120, 15), effort],
    start: { holdS: 60, effortPct: 40 }
  },
  {
    id: 'front_leg_lift',
    name: 'Straight-leg lift, sitting tall',
    standardTerm: 'active hip flexion, knee straight',
    part: 'own',
    pose: 'seated leg lift',
    links: ['HF-KS'],
    kind: 'active',
    sides: 'each',
    sideWords: 'leg lifts',
    loads: [
      { joint: 'hip', on: 'same' },
      { joint: 'knee', on: 'same' },
      { joint: 'back', on: 'middle' }
    ],
    lines: [],
    props: [],
    setup: [
      'Sit tall, other knee hugged in.',
      'Leg straight in front, thigh tight.',
      'Lift the heel a hand high and keep it there.'
    ],
    checks: ['sitting tall', 'knee straight', 'no lean back'],
    felt: 'front of the hip and thigh',
    notFelt: 'low back',
    why: 'What is reached is owned: the front leg lifts by itself.',
    stops: [pinchStop, ...muscleStops.slice(0, 2)],
    dials: [reps, hold(3, 10, 1)],
    start: { reps: 5, holdS: 5 }
  },
  {
    id: 'rear_knee_lift',
    name: 'Rear-knee lift, long lunge',
    standardTerm: 'active hip extension at end range',
    part: 'own',
    pose: 'long lunge',
    links: ['HE'],
    kind: 'active',
    sides: 'each',
    sideWords: 'leg behind',
    loads: [
      { joint: 'hip', on: 'same' },
      { joint: 'knee', on: 'same' },
      { joint: 'knee', on: 'other' },
      { joint: 'back', on: 'middle' }
    ],
    lines: [],
    props: ['knee pad', 'two hand blocks'],
    setup: [
      'Long lunge, hands on blocks.',
      'Hips low and square.',
      'Straighten the rear knee off the floor and keep the hip where it is.'
    ],
    checks: ['hips stay low', 'rear knee straight', 'pelvis tucked'],
    felt: 'seat of the rear leg and front of its thigh',
    notFelt: 'low back',
    why: 'What is reached is owned: the rear leg holds itself.',
    stops: [pinchStop, ...muscleStops.slice(0, 2), kneeStop],
    dials: [reps, hold(3, 10, 1)],
    start: { reps: 5, holdS: 5 }
  },
  {
    id: 'front_split_on_stack',
    name: 'Front split on its stack',
    part: 'position',
    pose: 'front split',
    links: ['HF-KS', 'HE'],
    kind: 'passive',
    sides: 'each',
    sideWords: 'leg in front',
    loads: [
      { joint: 'hip', on: 'same' },
      { joint: 'hip', on: 'other' },
      { joint: 'knee', on: 'same' },
      { joint: 'knee', on: 'other' },
      { joint: 'back', on: 'middle' }
    ],
    lines: [
      { line: 'hamstring', on: 'same' },
      { line: 'hip flexor', on: 'other' }
    ],
    props: ['two hand blocks'],
    setup: [
      'Stack where the pelvis comes down; it must not move.',
      'Slide from the half split, hands on blocks.',
      'Hips square, rear knee under its hip.'
    ],
    checks: ['hips square', 'knees straight', 'pelvis on the stack'],
    felt: 'back of the front thigh and front of the rear hip',
    notFelt: 'knees, sit-bone, low back',
    why: 'The position itself, at the height that is reached today.',
    stops: [...muscleStops, kneeStop, 'Come out slowly, hands first.'],
    dials: [depth, hold(20, 60, 10)],
    start: { holdS: 30 }
  },
  {
    id: 'settle',
    name: 'Settle',
    part: 'settle',
    pose: 'lying rest',
    links: [],
    kind: 'passive',
    sides: 'both together',
    sideWords: '',
    loads: [],
    lines: [],
    props: [],
    setup: ['Lie on the back, knees bent, feet wide.'],
    checks: [],
    felt: 'nothing much',
    notFelt: 'any strain',
    why: 'The session ends without strain.',
    stops: muscleStops.slice(0, 2),
    dials: [],
    start: {}
  }
];

/** The exercise of an id. Throws: RangeError for an id that is in no catalogue, which is a fault of the program. */
export function exerciseOf(id: string): Exercise {
  const exercise = exercises.find((e) => e.id === id);
  if (!exercise) throw new RangeError(`no exercise ${id}`);
  return exercise;
}
