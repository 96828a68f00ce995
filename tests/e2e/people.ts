// A data table: the people of the test studio, each for one test, which finds them at the point it begins from. All made up.

/** How far somebody has come: each point includes those before it. */
export type Point = 'added' | 'has a goal' | 'cleared' | 'measured' | 'planned';

export type TestPerson = Readonly<{
  at: Point;
  /** The front split, left in front, where nothing else is said. */
  goal?: string;
  stage?: number;
  birthYear?: number;
  leftLegCm?: number;
  rightLegCm?: number;
  sessionsPerWeek?: number;
  minutesPerSession?: number;
  /** Passive trials in the unit of the measure; the usual ones of the goal where nothing is said. */
  measures?: readonly (readonly [measureId: string, side: 'left' | 'right' | null, ...values: number[]])[];
}>;

const walk = (goal: string): TestPerson => ({ at: 'measured', goal, minutesPerSession: 25 });
const twelveWeeks = (goal: string): TestPerson => ({ at: 'cleared', goal, sessionsPerWeek: 1, minutesPerSession: 30 });

export const people = {
  // allGoals.spec.ts
  Turn: { at: 'cleared', goal: 'turnout' },
  Seat: { at: 'cleared', goal: 'lotus' },
  Fold: { at: 'has a goal', goal: 'pancake' },
  Links: { at: 'cleared' },
  Wide: { at: 'cleared', goal: 'side_split' },
  'Agree One': { at: 'has a goal', goal: 'butterfly' },
  'Agree Two': { at: 'has a goal', goal: 'butterfly' },
  // arrange, cycle, lifts, writtenDown, keyboard
  Arrange: { at: 'planned' },
  Shape: { at: 'planned' },
  Lifts: { at: 'planned' },
  Written: { at: 'planned' },
  Keyed: { at: 'planned' },
  Bare: { at: 'planned' },
  // away.spec.ts, serverAway.spec.ts, durable.spec.ts
  'Away Whole': { at: 'planned' },
  'Away Pain': { at: 'planned' },
  'Away Symptom': { at: 'planned' },
  'Away Typed': { at: 'cleared' },
  Odd: { at: 'has a goal' },
  Durable: { at: 'planned' },
  // badInput.spec.ts
  Refused: { at: 'added' },
  Flagged: { at: 'has a goal' },
  Tabs: { at: 'planned' },
  Leaver: { at: 'added' },
  Unlike: { at: 'planned', leftLegCm: 95, rightLegCm: 80 },
  // fiveSchools.spec.ts
  'Walk Lotus': walk('lotus'),
  'Walk Pancake': walk('pancake'),
  'Walk Side Split': walk('side_split'),
  'Walk Turnout': walk('turnout'),
  'Walk Wrist': walk('range_WE'),
  // gate.spec.ts
  Knee: { at: 'planned' },
  Urgent: { at: 'planned' },
  After: { at: 'planned', minutesPerSession: 35 },
  Wait: { at: 'cleared', goal: 'lean_back' },
  Old: { at: 'planned', birthYear: 1950 },
  Phone: { at: 'added' },
  // gradeLibrary.spec.ts
  'Fold Grade': {
    at: 'measured',
    goal: 'pancake',
    measures: [
      ['pancake_sternum_height', null, 26, 25],
      ['pancake_seat_height', null, 17, 18]
    ]
  },
  'Seat Grade': {
    at: 'measured',
    goal: 'lotus',
    stage: 1,
    measures: [
      ['lotus_knee_height', 'left', 18, 17],
      ['cross_seat_height', null, 10, 10]
    ]
  },
  // The first of the alphabet: the first named among those who use a prop.
  'Aaron Adder': { at: 'measured' },
  // instrumentPhoto.spec.ts
  'Angle Truth': { at: 'has a goal' },
  'Angle Consent': { at: 'has a goal' },
  'Angle Keys': { at: 'has a goal' },
  'Angle Film': { at: 'has a goal' },
  'Angle Broken': { at: 'has a goal' },
  'Angle Silent': { at: 'has a goal' },
  'Angle Device': { at: 'has a goal' },
  'Angle Bare': { at: 'has a goal' },
  'Angle Zero': { at: 'has a goal', goal: 'lotus' },
  Gone: { at: 'added' },
  // planChange.spec.ts
  Argue: { at: 'planned' },
  Where: { at: 'planned' },
  Share: { at: 'planned' },
  Judged: { at: 'planned' },
  Drag: { at: 'planned' },
  Busy: { at: 'planned' },
  // practise.spec.ts
  Reload: { at: 'planned' },
  Keys: { at: 'planned' },
  Stop: { at: 'planned' },
  Joint: { at: 'planned' },
  // testReading.spec.ts
  Reach: { at: 'measured', goal: 'standing_fold', minutesPerSession: 20 },
  // twelveWeeks.spec.ts
  'Twelve Lotus': twelveWeeks('lotus'),
  'Twelve Turnout': twelveWeeks('turnout')
} as const satisfies Record<string, TestPerson>;

export type PersonName = keyof typeof people;
