// A data table: the people of Lantern Hall, all invented. Weeks count back from today; gaps and rates in cm and cm a week.
import type { ClientInput, GoalInput } from '$lib/contract/forms';
import type { PainKindId, PainPlaceId, Side } from '$lib/core';
import type { NewProp } from '../repo/propRepo';

export type Story = Readonly<{
  client: ClientInput;
  goal?: Omit<GoalInput, 'targetOn'> & Readonly<{ weeksAhead: number | null }>;
  flags?: readonly string[];
  clearedBy?: string;
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
  level,
  contact: `${name.split(' ')[0]!.toLowerCase()}@lantern-hall.example`,
  statureCm: body[0],
  leftLegCm: body[1],
  rightLegCm: body[2],
  bodyMassKg: null,
  sessionsPerWeek: time[0],
  minutesPerSession: time[1],
  notes
});

const pageant = 'Lantern Hall opens';
const flat = { leadSide: 'left', targetDepthCm: 0, eventName: pageant, weeksAhead: 12 } as const;

export const lanternHallShelf: readonly NewProp[] = [
  {
    name: 'Cork block',
    material: 'cork',
    quantity: 6,
    softShare: 0,
    faces: [
      { heightCm: 10, widthCm: 23, depthCm: 15 },
      { heightCm: 15, widthCm: 23, depthCm: 10 },
      { heightCm: 23, widthCm: 15, depthCm: 10, carries: false }
    ]
  },
  { name: 'Thick book', material: 'cork', quantity: 2, softShare: 0, faces: [{ heightCm: 5, widthCm: 24, depthCm: 17 }] },
  { name: 'Thin book', material: 'cork', quantity: 3, softShare: 0, faces: [{ heightCm: 2.5, widthCm: 23, depthCm: 16 }] },
  { name: 'Felt cushion', material: 'felt', quantity: 4, softShare: 0.25, faces: [{ heightCm: 5, widthCm: 26, depthCm: 17 }] },
  { name: 'Stage box', material: 'steel', quantity: 1, softShare: 0, faces: [{ heightCm: 30, widthCm: 45, depthCm: 40 }] }
];

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
    plan: { weeksAgo: 8, weeks: 12, attendance: 0.92 }
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
    goal: { leadSide: 'right', targetDepthCm: -10, eventName: pageant, weeksAhead: 12 },
    screenedWeeksAgo: 50,
    measured: { weeksAgo: 50, gapCm: { left: 15, right: 12.5 }, activeTrailsCm: 5, gainShare: 0.045 },
    plan: { weeksAgo: 49, weeks: 12, attendance: 0.9, away: [17, 18, 33] }
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
    plan: { weeksAgo: 6, weeks: 10, attendance: 0.95, lastUndecided: true }
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
    client: person(
      'Wren Tolliver',
      2010,
      'beginner',
      [158, null, null],
      [2, 35],
      'Folk dancer, youngest of the troupe. Mother present; consent recorded.'
    ),
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
    goal: { leadSide: 'left', targetDepthCm: 25, eventName: '', weeksAhead: null },
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
    plan: { weeksAgo: 8, weeks: 10, attendance: 0.7, away: [3] }
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
    measured: { weeksAgo: 1, gapCm: { left: 21, right: 20 }, activeTrailsCm: 6, gainShare: 0 }
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
    client: person('Sable Wick', 2001, 'beginner', [166, null, null], [2, 30], 'New with the lantern bearers.')
  }
];
