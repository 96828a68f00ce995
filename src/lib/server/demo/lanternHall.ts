// A data table: the people of Lantern Hall, all invented. Weeks count back from today; gaps and rates in cm and cm a week.
import type { ClientInput } from '$lib/contract/forms';
import type { BeightonItem, CycleSpec, EndStop, PainKindId, PainPlaceId, PlanWishes, SchoolId, Side, WayId } from '$lib/core';
import type { NewProp } from '../repo/propRepo';

export type GoalStory = Readonly<{
  kind: string;
  leadSide: Side | null;
  target: number | null;
  eventName: string;
  stage?: number;
  /** Weeks the stage is in work. */
  stageWeeksAgo?: number;
  weeksAhead: number | null;
}>;

/** One measure on one day, by side or both together. */
export type TakenStory = Readonly<{
  daysAgo: number;
  measureId: string;
  way: WayId;
  mode?: 'passive' | 'active';
  support?: string;
  state?: 'cold' | 'warm';
  left?: number;
  right?: number;
  both?: number;
}>;

export type Story = Readonly<{
  client: ClientInput;
  goal?: GoalStory;
  /** Goals besides it, older ones. */
  alsoGoals?: readonly GoalStory[];
  /** Kind of the goal in work, where it is not the newest. */
  inWork?: string;
  links?: readonly TakenStory[];
  /** What was set in Grade: an exercise, a side (both where it has none), a dial and its values one after the other. */
  graded?: readonly (readonly [exerciseId: string, side: Side | null, dial: string, ...values: number[]])[];
  /** Exercises put into the week besides the first list. */
  alsoInWeek?: readonly string[];
  /** A cycle shaped by hand for an exercise of the week, alike on both sides. */
  cycle?: readonly [exerciseId: string, cycle: CycleSpec];
  /** Pain told outside a session. */
  told?: readonly Readonly<{
    daysAgo: number;
    kind: PainKindId;
    place: PainPlaceId;
    side: Side | null;
    exerciseId: string;
    workSide: Side;
    note: string;
  }>[];
  notes?: readonly (readonly [exerciseId: string, effect: 'works' | 'nothing' | 'worse', note: string])[];
  /** Dated judgements, of an exercise or in general. */
  judged?: readonly (readonly [daysAgo: number, exerciseId: string | null, judgement: string])[];
  /** What is wished of the weeks that are still to come. */
  wishes?: Partial<Pick<PlanWishes, 'sessions' | 'hardSessions' | 'themes'>>;
  /** Kind of the goal besides that the plan serves too. */
  serves?: string;
  school?: SchoolId;
  /** What stands at home. */
  home?: readonly NewProp[];
  flags?: readonly string[];
  beighton?: readonly BeightonItem[];
  endStops?: readonly EndStop[];
  clearedBy?: string;
  /** Who is present with a minor. */
  adult?: string;
  /** Absent: not screened yet. */
  screenedWeeksAgo?: number;
  measured?: Readonly<{
    weeksAgo: number;
    gapCm: Readonly<Record<Side, number>>;
    /** How far what is held lies above what is reached. */
    activeTrailsCm: number;
    /** Share of the gap that goes each week of training; a stall has next to none. */
    gainShare: number;
    /** Weeks from the start after which nothing more comes. */
    stallsAfterWeeks?: number;
    lastMeasureWeeksAgo?: number;
  }>;
  /** Sessions of the goal in work where it is no split. */
  practice?: Readonly<{ weeksAgo: number; weeks: number; attendance: number; lastUndecided?: boolean }>;
  plan?: Readonly<{
    weeksAgo: number;
    weeks: number;
    attendance: number;
    /** Weeks (from the start) nobody came. */
    away?: readonly number[];
    stopsWeeksAgo?: number;
    lastUndecided?: boolean;
    pain?: Readonly<{ week: number; kind: PainKindId; place: PainPlaceId; side: Side | null }>;
  }>;
}>;

const person = (
  name: string,
  birthYear: number,
  level: ClientInput['level'],
  body: [statureCm: number, leftLegCm: number | null, rightLegCm: number | null],
  time: [sessionsPerWeek: number, minutesPerSession: number],
  notes: string
): ClientInput => ({
  name,
  birthYear,
  birthDate: null,
  level,
  contact: `${name.split(' ')[0]!.toLowerCase()}@lantern-hall.example`,
  statureCm: body[0],
  leftLegCm: body[1],
  rightLegCm: body[2],
  lowerLegCm: null,
  hipToBreastboneCm: null,
  bodyMassKg: null,
  sessionsPerWeek: time[0],
  minutesPerSession: time[1],
  notes
});

const pageant = 'Lantern Hall opens';
const flat: GoalStory = { kind: 'front_split', leadSide: 'left', target: 0, eventName: pageant, weeksAhead: 12 };

/** The two links of a front split: flexion of the leg in front, extension of the hip behind; passive, then active. */
const splitLinks = (
  daysAgo: number,
  flexion: [left: number, right: number],
  extension: [left: number, right: number],
  held: [flexion: number, extension: number]
): TakenStory[] => [
  { daysAgo, measureId: 'HF-KS', way: 'inclinometer', left: flexion[0], right: flexion[1] },
  { daysAgo, measureId: 'HE', way: 'inclinometer', left: extension[0], right: extension[1] },
  { daysAgo, measureId: 'HF-KS', way: 'inclinometer', mode: 'active', left: flexion[0] - held[0], right: flexion[1] - held[0] },
  { daysAgo, measureId: 'HE', way: 'inclinometer', mode: 'active', left: extension[0] - held[1], right: extension[1] - held[1] }
];

/** Press in steps, draw after it, settling counted in breaths. */
const climbing: CycleSpec = {
  holdS: 30,
  rounds: 2,
  press: { rampUpS: 9, holdS: 6, rampDownS: 6, peakPct: 45 },
  draw: { rampUpS: 6, holdS: 8, rampDownS: 4, peakPct: 35 },
  turnS: 8,
  settleS: 16,
  finalSettleS: 24,
  perRound: [{ press: { peakPct: 35 } }, { press: { peakPct: 45 } }],
  stepPct: 20,
  breathS: 8,
  resistance: 'floor',
  deepening: 'tilt the pelvis'
};

/** Cycles of the studio that have a name. */
export const lanternHallCycles: readonly (readonly [name: string, cycle: CycleSpec])[] = [
  ['Climbs in steps', climbing],
  [
    'Quietly before the show',
    {
      holdS: 60,
      rounds: 1,
      press: { rampUpS: 8, holdS: 6, rampDownS: 8, peakPct: 25 },
      turnS: 0,
      settleS: 20,
      finalSettleS: 40,
      deepening: 'breathe out'
    }
  ]
];

export const lanternHallShelf: readonly NewProp[] = [
  {
    name: 'Cork block',
    kind: 'block',
    quantity: 6,
    softShare: 0,
    faces: [
      { heightCm: 10, widthCm: 23, depthCm: 15 },
      { heightCm: 15, widthCm: 23, depthCm: 10 },
      { heightCm: 23, widthCm: 15, depthCm: 10, carries: false }
    ]
  },
  { name: 'Thick book', kind: 'book', quantity: 2, softShare: 0, faces: [{ heightCm: 5, widthCm: 24, depthCm: 17 }] },
  { name: 'Thin book', kind: 'book', quantity: 1, softShare: 0, faces: [{ heightCm: 2.5, widthCm: 23, depthCm: 16 }] },
  { name: 'Felt cushion', kind: 'cushion', quantity: 4, softShare: 0.25, faces: [{ heightCm: 5, widthCm: 26, depthCm: 17 }] },
  { name: 'Stage box', kind: 'box', quantity: 1, softShare: 0, faces: [{ heightCm: 30, widthCm: 45, depthCm: 40 }] },
  { name: 'Folding chair, tied', kind: 'chair', quantity: 2, softShare: 0, faces: [{ heightCm: 44, widthCm: 40, depthCm: 38 }] },
  {
    name: 'Gallery stairs',
    kind: 'stairs',
    quantity: 1,
    softShare: 0,
    faces: [17, 34, 51].map((heightCm) => ({ heightCm, widthCm: 90, depthCm: 28 }))
  },
  { name: 'Knee pad', kind: 'pad', quantity: 6, softShare: 0.5, faces: [{ heightCm: 2, widthCm: 30, depthCm: 20 }] },
  { name: 'Broom stick', kind: 'stick', quantity: 2, softShare: 0, faces: [] },
  { name: 'Red band', kind: 'band', quantity: 2, softShare: 0, faces: [], pullKg: 6 },
  { name: 'Sand bag', kind: 'weight', quantity: 4, softShare: 0, faces: [], massKg: 2 },
  { name: 'Felt slider', kind: 'slider', quantity: 4, softShare: 0, faces: [] }
];

/** An exercise of the hall's own, copied from one that ships. */
export const lanternHallExercise = {
  copyOf: 'easy_seat',
  name: 'Reading seat',
  why: 'The seat of the evening reading, with the book in the lap.',
  setup: [
    'Sit on the lowest seat on which the back stays long, shins crossed.',
    'Book in the lap, elbows on the thighs.',
    'Change the crossing at every chapter.'
  ]
} as const;

export const lanternHall: readonly Story[] = [
  {
    client: person(
      'Oda Venn',
      1994,
      'intermediate',
      [171, 90, 89.5],
      [3, 45],
      'Stilt walker. Wants the split in the second act, on stilts off.'
    ),
    goal: { ...flat },
    screenedWeeksAgo: 9,
    measured: { weeksAgo: 9, gapCm: { left: 22, right: 24.5 }, activeTrailsCm: 7, gainShare: 0.07 },
    plan: { weeksAgo: 8, weeks: 12, attendance: 0.92 },
    school: 'long_hold',
    alsoInWeek: ['split_front_foot_lift'],
    notes: [['rear_hip_cycle', 'works', 'The tuck is what does it.']],
    links: [...splitLinks(52, [118, 116], [19, 23], [34, 9]), ...splitLinks(3, [127, 124], [21, 27], [36, 8])]
  },
  {
    client: person(
      'Pell Marrow',
      1988,
      'intermediate',
      [178, 95, 95],
      [2, 40],
      'Puppeteer. Sits and kneels all day under the stage.'
    ),
    goal: { ...flat, leadSide: 'right' },
    screenedWeeksAgo: 11,
    measured: { weeksAgo: 11, gapCm: { left: 27, right: 26 }, activeTrailsCm: 9, gainShare: 0.06, stallsAfterWeeks: 3 },
    plan: { weeksAgo: 10, weeks: 12, attendance: 0.85 }
  },
  {
    client: person(
      'Ilka Sundt',
      1999,
      'advanced',
      [165, 87, 87],
      [2, 40],
      'Folk dancer. A year of work behind her; the raised split is for the finale.'
    ),
    goal: { ...flat, leadSide: 'right', target: -10 },
    alsoGoals: [{ kind: 'turnout', leadSide: null, target: 130, eventName: '', weeksAhead: null }],
    links: [
      ...splitLinks(3, [148, 151], [34, 30], [31, 12]),
      { daysAgo: 3, measureId: 'HER0', way: 'inclinometer', left: 57, right: 55 },
      { daysAgo: 3, measureId: 'turnout_angle', way: 'goniometer', mode: 'active', both: 121 }
    ],
    screenedWeeksAgo: 50,
    measured: { weeksAgo: 50, gapCm: { left: 15, right: 12.5 }, activeTrailsCm: 5, gainShare: 0.045 },
    plan: { weeksAgo: 49, weeks: 12, attendance: 0.9, away: [17, 18, 33] },
    serves: 'turnout',
    judged: [
      [120, 'front_split_on_stack', 'The right hip turns out at the last two centimetres. Squared hips before depth.'],
      [9, null, 'The raise comes from the front leg. Keep the lifts when minutes are short.']
    ]
  },
  {
    client: person(
      'Tamsin Quill',
      1991,
      'intermediate',
      [168, 88, 88.5],
      [3, 50],
      'Fencer. Always the right leg in front; left leading trails far.'
    ),
    goal: { ...flat, leadSide: 'right' },
    screenedWeeksAgo: 7,
    measured: { weeksAgo: 7, gapCm: { left: 29, right: 16 }, activeTrailsCm: 11, gainShare: 0.06 },
    plan: { weeksAgo: 6, weeks: 10, attendance: 0.95, lastUndecided: true },
    links: splitLinks(8, [108, 131], [24, 12], [28, 7])
  },
  {
    client: person(
      'Rufus Amberly',
      1985,
      'intermediate',
      [183, 98, 98],
      [3, 45],
      'Stilt walker. Came back too fast after the autumn tour.'
    ),
    goal: { ...flat },
    screenedWeeksAgo: 6,
    measured: { weeksAgo: 6, gapCm: { left: 25, right: 24 }, activeTrailsCm: 8, gainShare: 0.06 },
    plan: { weeksAgo: 5, weeks: 10, attendance: 0.95, pain: { week: 4, kind: 'sharp_pop', place: 'back_of_thigh', side: 'left' } }
  },
  {
    client: person('Wren Tolliver', 2010, 'beginner', [158, null, null], [2, 35], 'Folk dancer, youngest of the troupe.'),
    adult: 'Isa Tolliver, mother',
    goal: { ...flat },
    screenedWeeksAgo: 5,
    measured: { weeksAgo: 5, gapCm: { left: 20, right: 18 }, activeTrailsCm: 6, gainShare: 0.07 },
    plan: { weeksAgo: 4, weeks: 8, attendance: 0.9 }
  },
  {
    client: person(
      'Corvin Haddle',
      1956,
      'beginner',
      [174, null, null],
      [2, 40],
      'Retired beekeeper. Wants to sit and kneel in the evening without stiffness.'
    ),
    goal: { ...flat, target: 25, eventName: '', weeksAhead: null },
    alsoGoals: [
      { kind: 'lotus', leadSide: null, target: 8, eventName: 'The evening reading', stage: 1, stageWeeksAgo: 9, weeksAhead: 26 }
    ],
    inWork: 'lotus',
    links: [
      { daysAgo: 40, measureId: 'lotus_knee_height', way: 'tape', support: 'cushion', left: 27, right: 23 },
      { daysAgo: 40, measureId: 'HER90', way: 'goniometer', left: 38, right: 47 },
      { daysAgo: 40, measureId: 'HER90', way: 'photo', left: 37, right: 46 },
      { daysAgo: 40, measureId: 'HAB90', way: 'inclinometer', left: 52, right: 57 },
      { daysAgo: 40, measureId: 'KF', way: 'goniometer', left: 133, right: 136 },
      { daysAgo: 40, measureId: 'APF', way: 'goniometer', left: 48, right: 52 },
      { daysAgo: 54, measureId: 'lotus_knee_height', way: 'tape', support: 'cushion', left: 28, right: 24 },
      { daysAgo: 26, measureId: 'lotus_knee_height', way: 'tape', support: 'cushion', left: 25, right: 22 },
      { daysAgo: 12, measureId: 'lotus_knee_height', way: 'tape', support: 'cushion', left: 21, right: 19 },
      { daysAgo: 12, measureId: 'HER90', way: 'photo', left: 45, right: 52 },
      { daysAgo: 12, measureId: 'HER90', way: 'goniometer', left: 44, right: 51 },
      { daysAgo: 12, measureId: 'lotus_stage', way: 'level', left: 1, right: 1 },
      { daysAgo: 12, measureId: 'cross_seat_height', way: 'tape', both: 17 }
    ],
    school: 'long_hold',
    alsoInWeek: ['own_1', 'figure_four_chair'],
    practice: { weeksAgo: 2, weeks: 6, attendance: 0.8 },
    graded: [
      ['half_lotus', 'left', 'seatCm', 20, 17.5],
      ['half_lotus', 'right', 'seatCm', 17.5, 15],
      ['half_lotus', 'left', 'kneesCm', 23, 20],
      ['half_lotus', 'right', 'kneesCm', 20],
      ['half_lotus', 'left', 'holdS', 15, 30],
      ['half_lotus', 'right', 'holdS', 30, 45],
      ['own_1', null, 'seatCm', 15],
      ['own_1', null, 'holdS', 180, 240],
      ['figure_four_chair', 'left', 'holdS', 60, 75],
      ['figure_four_chair', 'right', 'holdS', 75]
    ],
    notes: [
      ['figure_four_chair', 'works', 'Loosest the morning after.'],
      ['butterfly_pulses', 'nothing', '']
    ],
    judged: [[5, 'half_lotus', 'He lowers the knee with the hand when he thinks nobody looks. Hands stay off the knee.']],
    wishes: { sessions: { 2: { atHome: true, beginsAt: '19:30' } } },
    home: [
      { name: 'Hive book', kind: 'book', quantity: 4, softShare: 0, faces: [{ heightCm: 4, widthCm: 24, depthCm: 17 }] },
      { name: 'Sofa cushion', kind: 'cushion', quantity: 2, softShare: 0.4, faces: [{ heightCm: 12, widthCm: 45, depthCm: 45 }] },
      { name: 'Belt', kind: 'strap', quantity: 1, softShare: 0, faces: [] }
    ],
    flags: ['knee_history'],
    screenedWeeksAgo: 8,
    measured: { weeksAgo: 8, gapCm: { left: 41, right: 39 }, activeTrailsCm: 8, gainShare: 0.04, lastMeasureWeeksAgo: 2 },
    plan: { weeksAgo: 7, weeks: 8, attendance: 0.8, stopsWeeksAgo: 2 }
  },
  {
    client: person(
      'Anselm Pike',
      1979,
      'intermediate',
      [176, 94, 93],
      [3, 45],
      'Lantern keeper. Carries ladders; tight in front of the hips.'
    ),
    goal: { ...flat },
    screenedWeeksAgo: 9,
    measured: { weeksAgo: 9, gapCm: { left: 30, right: 31 }, activeTrailsCm: 10, gainShare: 0.05, lastMeasureWeeksAgo: 4 },
    plan: { weeksAgo: 8, weeks: 10, attendance: 0.7, away: [3] },
    told: [
      {
        daysAgo: 4,
        kind: 'afterwards',
        place: 'front_of_hip',
        side: 'left',
        exerciseId: 'rear_hip_cycle',
        workSide: 'left',
        note: 'Stiff and sore on the stairs.'
      },
      {
        daysAgo: 2,
        kind: 'afterwards',
        place: 'front_of_hip',
        side: 'left',
        exerciseId: 'rear_hip_cycle',
        workSide: 'left',
        note: 'The same again, the next morning.'
      }
    ]
  },
  {
    client: person(
      'Bettine Orrow',
      1996,
      'advanced',
      [162, 85, 85],
      [4, 60],
      'Folk dancer. Trains four times a week and tends to do more than asked.'
    ),
    goal: { ...flat },
    screenedWeeksAgo: 6,
    measured: { weeksAgo: 6, gapCm: { left: 9, right: 11 }, activeTrailsCm: 5, gainShare: 0.08 },
    plan: { weeksAgo: 5, weeks: 8, attendance: 0.95, pain: { week: 3, kind: 'pinch', place: 'front_of_hip', side: 'right' } }
  },
  {
    client: person('Mirel Dray', 1993, 'intermediate', [169, 89, 89], [3, 45], 'Puppeteer. Measured last week, no plan yet.'),
    goal: { ...flat },
    screenedWeeksAgo: 1,
    measured: { weeksAgo: 1, gapCm: { left: 21, right: 20 }, activeTrailsCm: 6, gainShare: 0 },
    links: splitLinks(7, [119, 122], [26, 24], [41, 10])
  },
  {
    client: person(
      'Jory Lowe',
      1982,
      'intermediate',
      [180, 96, 96],
      [2, 45],
      'Fencer. Numb patch on the thigh since the spring; sees a clinician next week.'
    ),
    goal: { ...flat, leadSide: 'right' },
    flags: ['nerve_signs'],
    screenedWeeksAgo: 1
  },
  {
    client: person(
      'Linnet Fray',
      1998,
      'advanced',
      [163, null, null],
      [4, 50],
      'Folk dancer. Wants a wider turnout; her feet already show more than her hips.'
    ),
    goal: { kind: 'turnout', leadSide: null, target: 140, eventName: pageant, weeksAhead: 12 },
    screenedWeeksAgo: 7,
    school: 'breath_counted',
    practice: { weeksAgo: 4, weeks: 8, attendance: 0.9 },
    links: [
      { daysAgo: 49, measureId: 'turnout_angle', way: 'goniometer', mode: 'active', both: 126 },
      { daysAgo: 49, measureId: 'HER0', way: 'inclinometer', left: 44, right: 51 },
      { daysAgo: 35, measureId: 'turnout_angle', way: 'goniometer', mode: 'active', both: 126 },
      { daysAgo: 21, measureId: 'turnout_angle', way: 'goniometer', mode: 'active', both: 128 },
      { daysAgo: 21, measureId: 'HER0', way: 'inclinometer', left: 48, right: 52 },
      { daysAgo: 5, measureId: 'turnout_angle', way: 'goniometer', mode: 'active', both: 131 },
      { daysAgo: 5, measureId: 'HER0', way: 'inclinometer', left: 52, right: 54 },
      { daysAgo: 5, measureId: 'HER0', way: 'inclinometer', mode: 'active', left: 37, right: 44 }
    ]
  },
  {
    client: person(
      'Osric Vane',
      1990,
      'intermediate',
      [181, 97, 97],
      [3, 45],
      'Stilt walker. The side split is for the giant; the right hip stops sooner.'
    ),
    goal: { kind: 'side_split', leadSide: null, target: 0, eventName: pageant, weeksAhead: 12 },
    screenedWeeksAgo: 10,
    links: [
      { daysAgo: 68, measureId: 'side_split_gap', way: 'tape', both: 44 },
      { daysAgo: 68, measureId: 'HAB', way: 'goniometer', left: 63, right: 55 },
      { daysAgo: 68, measureId: 'HER0', way: 'inclinometer', left: 41, right: 36 },
      { daysAgo: 54, measureId: 'side_split_gap', way: 'tape', both: 42 },
      { daysAgo: 40, measureId: 'side_split_gap', way: 'tape', both: 39 },
      { daysAgo: 26, measureId: 'side_split_gap', way: 'tape', both: 36.5 },
      { daysAgo: 12, measureId: 'side_split_gap', way: 'tape', both: 33 },
      { daysAgo: 12, measureId: 'side_split_gap', way: 'tape', mode: 'active', both: 45 },
      { daysAgo: 12, measureId: 'HAB', way: 'goniometer', left: 70, right: 59 },
      { daysAgo: 12, measureId: 'HAB', way: 'goniometer', mode: 'active', left: 48, right: 37 }
    ],
    school: 'drills',
    alsoInWeek: ['frog', 'one_leg_frog_lift'],
    practice: { weeksAgo: 3, weeks: 8, attendance: 0.9, lastUndecided: true },
    graded: [
      ['side_split_on_stack', null, 'depthCm', 40, 37.5, 35],
      ['side_split_on_stack', null, 'holdS', 30],
      ['frog', null, 'holdS', 20, 30]
    ],
    notes: [['frog', 'worse', 'Right hip pinches; narrower knees.']]
  },
  {
    client: person(
      'Maud Tarry',
      2000,
      'intermediate',
      [167, 88, 88],
      [3, 40],
      'Puppeteer. Very mobile everywhere; folds flat, holds little. The pancake is for a table scene.'
    ),
    goal: { kind: 'pancake', leadSide: null, target: 8, eventName: pageant, weeksAhead: 12 },
    screenedWeeksAgo: 4,
    beighton: ['finger_left', 'finger_right', 'thumb_left', 'thumb_right', 'elbow_left', 'trunk'],
    endStops: [{ motion: 'HF-KS', side: null, deg: 130 }],
    links: [
      { daysAgo: 28, measureId: 'pancake_sternum_height', way: 'tape', support: 'cushion', both: 24 },
      { daysAgo: 28, measureId: 'pancake_sternum_height', way: 'photo height', support: 'cushion', both: 24 },
      { daysAgo: 28, measureId: 'straddle', way: 'goniometer', both: 131 },
      { daysAgo: 28, measureId: 'trunk_fold', way: 'inclinometer', both: 62 },
      { daysAgo: 28, measureId: 'HF-KS', way: 'inclinometer', left: 121, right: 123 },
      { daysAgo: 17, measureId: 'pancake_sternum_height', way: 'tape', support: 'cushion', both: 22.5 },
      { daysAgo: 6, measureId: 'pancake_sternum_height', way: 'photo height', support: 'cushion', both: 20 },
      { daysAgo: 6, measureId: 'pancake_sternum_height', way: 'tape', support: 'cushion', both: 21 },
      { daysAgo: 6, measureId: 'pancake_sternum_height', way: 'tape', mode: 'active', support: 'cushion', both: 38 },
      { daysAgo: 6, measureId: 'trunk_fold', way: 'inclinometer', both: 66 },
      { daysAgo: 6, measureId: 'trunk_fold', way: 'inclinometer', mode: 'active', both: 41 },
      { daysAgo: 6, measureId: 'pancake_seat_height', way: 'tape', both: 11 }
    ],
    school: 'contract_relax',
    alsoInWeek: ['pancake_press_draw', 'straddle_good_morning'],
    practice: { weeksAgo: 3, weeks: 8, attendance: 0.85 },
    graded: [
      ['pancake_on_seat', null, 'seatCm', 15, 12.5, 10],
      ['pancake_on_seat', null, 'handsCm', 10],
      ['pancake_on_seat', null, 'holdS', 90, 120],
      ['pancake_press_draw', null, 'effortPct', 40, 45]
    ],
    cycle: ['pancake_press_draw', climbing],
    notes: [['pancake_press_draw', 'works', 'Two rounds; three make her shake the next day.']]
  },
  {
    client: person(
      'Ferrin Lode',
      1994,
      'intermediate',
      [172, null, null],
      [5, 20],
      'Hand balancer. The wrists stop before the shoulders do; the left was in a cast as a child.'
    ),
    goal: { kind: 'range_WE', leadSide: null, target: 85, eventName: '', weeksAhead: null },
    screenedWeeksAgo: 6,
    school: 'short_holds',
    practice: { weeksAgo: 3, weeks: 6, attendance: 0.9 },
    links: [
      { daysAgo: 27, measureId: 'WE', way: 'goniometer', left: 64, right: 73 },
      { daysAgo: 27, measureId: 'WE', way: 'goniometer', mode: 'active', left: 55, right: 66 },
      { daysAgo: 15, measureId: 'WE', way: 'goniometer', left: 67, right: 74 },
      { daysAgo: 4, measureId: 'WE', way: 'goniometer', left: 70, right: 75 },
      { daysAgo: 4, measureId: 'WE', way: 'goniometer', mode: 'active', left: 60, right: 68 }
    ]
  },
  {
    client: person('Sable Wick', 2001, 'beginner', [166, null, null], [2, 30], 'New with the lantern bearers.')
  }
];
