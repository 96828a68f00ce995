// A data table: five ways of working with their defaults. Common practice (docs/sources.md#schools).
import type { PressWay, School } from './school';

const press = { rampUpS: 12, holdS: 10, rampDownS: 8 };
const draw = { rampUpS: 12, holdS: 12, rampDownS: 6 };

const five = { rampUpS: 1, holdS: 5, rampDownS: 1 };
const shortPress: PressWay = {
  kind: 'cycle',
  holdS: 5,
  rounds: 1,
  press: { ...five, peakPct: 40 },
  draw: null,
  turnS: 0,
  settleS: 6,
  finalSettleS: 10
};

export const longHold: School = {
  id: 'long_hold',
  name: 'Long hold, press and draw',
  holdsTo: 'Range is opened by time at a mild stretch, then owned by isometrics of both sides.',
  rules: {
    hold: { words: 'about two minutes before any effort; a beginner half a minute to a minute', span: [60, 120] },
    contraction: { words: 'press, then draw, 10 to 15 s each; 5 s when learning, up to 30 s', span: [10, 15] },
    effort: { words: 'the first round low, then up to the highest that is safe', span: [20, 80] },
    ramp: { words: 'in steps of 10 or 20 %, or 10 to 15 s up; graded down' },
    between: { words: 'a breath, or straight across' },
    settle: { words: 'stay and breathe in the new position, 20 to 60 s', span: [20, 60] },
    rounds: { words: 'one to three; five light ones, or two long ones', span: [1, 3] },
    sensation: { words: '4 of 10', span: 4 },
    frequency: { words: 'a region two to four times a week when hard, daily when light', span: [2, 4] },
    order: { words: 'passive first, then active' },
    costs: { words: 'minutes' }
  },
  policies: { alignment: 'strict', hands: 'resist', time: 'seconds' },
  way: {
    kind: 'cycle',
    holdS: 120,
    rounds: 2,
    press: { ...press, peakPct: 60 },
    draw: { ...draw, peakPct: 50 },
    turnS: 3,
    settleS: 20,
    finalSettleS: 30
  },
  sensationCap: 4,
  leastHoldS: { beginner: 30, other: 60 },
  firstRoundShare: 0.7
};

const contractRelax: School = {
  id: 'contract_relax',
  name: 'Short contract-relax',
  holdsTo: 'Contract what is stretched, let go, go further; beat the last time by a little.',
  rules: {
    hold: { words: 'to the first firm stretch, a few seconds' },
    contraction: { words: 'press 5 to 10 s', span: [5, 10] },
    effort: { words: 'moderate', span: [40, 60] },
    ramp: { words: 'none; let go on a count' },
    between: null,
    settle: { words: 'a last hold of 10 to 30 s', span: [10, 30] },
    rounds: { words: 'three to five, or until the last time is exceeded', span: [3, 5] },
    sensation: { words: 'firm, bearable; no standard value' },
    frequency: { words: 'each session' },
    order: { words: 'passive first, then active' },
    costs: { words: 'concentration' }
  },
  policies: { alignment: 'strict', hands: 'resist', time: 'counts' },
  way: {
    kind: 'cycle',
    holdS: 5,
    rounds: 4,
    press: { rampUpS: 1, holdS: 7, rampDownS: 1, peakPct: 50 },
    draw: null,
    turnS: 0,
    settleS: 5,
    finalSettleS: 20
  },
  sensationCap: null,
  leastHoldS: null,
  firstRoundShare: 1
};

const shortHolds: School = {
  id: 'short_holds',
  name: 'Short-hold repeats',
  holdsTo: 'The opposite muscle moves the limb; a trace of help at the end; never long, never hard.',
  rules: {
    hold: { words: '1 to 2 s, eight to ten times', span: [1, 2] },
    contraction: null,
    effort: { words: 'grams of help only' },
    ramp: null,
    between: null,
    settle: null,
    rounds: { words: 'one set an angle, three angles', span: 3 },
    sensation: { words: 'free of pain' },
    frequency: { words: 'daily' },
    order: { words: 'active throughout' },
    costs: { words: 'repetitions' }
  },
  policies: { alignment: 'joint only', hands: 'assist', time: 'counts' },
  way: { kind: 'reps', sets: 3, reps: 9, liftS: 2, holdS: 1.5, lowerS: 2, effortPct: 20 },
  // Five seconds one way, five the other, once, firm and immovable.
  press: { ...shortPress, rounds: 1, draw: { ...five, peakPct: 40 }, turnS: 10, settleS: 10 },
  sensationCap: null,
  leastHoldS: null,
  firstRoundShare: 1
};

const breathCounted: School = {
  id: 'breath_counted',
  name: 'Breath-counted, lightly active',
  holdsTo: 'Time in breaths, muscles lightly at work in the stretch, every direction of the joint.',
  rules: {
    hold: { words: 'three breaths, later six, later nine', span: [3, 9] },
    contraction: { words: 'gentle, all the while' },
    effort: { words: 'light and steady' },
    ramp: null,
    between: null,
    settle: { words: 'a rest posture at the end' },
    rounds: { words: 'one to three passes of a flow, each a little harder', span: [1, 3] },
    sensation: { words: 'it must feel good' },
    frequency: { words: 'most days' },
    order: { words: 'active first, passive last' },
    costs: { words: 'patience' }
  },
  policies: { alignment: 'graded', hands: 'none', time: 'breaths' },
  way: { kind: 'breaths', passes: 2, breaths: 6, effortPct: 15 },
  // Pressed for two breaths, steady, and let go for one.
  press: { ...shortPress, rounds: 1, press: { rampUpS: 2, holdS: 12, rampDownS: 2, peakPct: 30 }, settleS: 8 },
  sensationCap: null,
  leastHoldS: null,
  firstRoundShare: 1
};

const drills: School = {
  id: 'drills',
  name: 'Drills, pulses and holds',
  holdsTo: 'Warm with momentum, then pulses, holds and kicks in the goal’s own line.',
  rules: {
    hold: { words: '10 to 30 s, up to three times', span: [10, 30] },
    contraction: { words: 'lift-offs and kicks: five, then ten, then twenty', span: [5, 20] },
    effort: { words: 'brisk, form first' },
    ramp: null,
    between: null,
    settle: { words: 'a low kneeling rest or the like' },
    rounds: { words: 'one to three', span: [1, 3] },
    sensation: { words: 'no pain; trembling is fine' },
    frequency: { words: 'before classes, daily when light' },
    order: { words: 'mixed, active last' },
    costs: { words: 'warm-up' }
  },
  policies: { alignment: 'strict', hands: 'assist', time: 'seconds' },
  way: { kind: 'holds', sets: 2, holdS: 20, restS: 5 },
  // Three presses in one piece, nearer after each, the last one held.
  press: { ...shortPress, rounds: 3 },
  sensationCap: null,
  leastHoldS: null,
  firstRoundShare: 1
};

export const schools: readonly School[] = [longHold, contractRelax, shortHolds, breathCounted, drills];

const byId = new Map<string, School>(schools.map((s) => [s.id, s]));

/** Throws: RangeError for an id that is in no catalogue. */
export function schoolOf(id: string): School {
  const school = byId.get(id);
  if (!school) throw new RangeError(`no school ${id}`);
  return school;
}
